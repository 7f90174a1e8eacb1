'use client';

let audio: AudioContext | undefined;

/** Browsers let a page sound only after a touch: called with the first one. @returns whether sound is on */
export function wakeSound(): boolean {
  try {
    audio ??= new AudioContext();
    if (audio.state === 'suspended') void audio.resume();
    return true;
  } catch {
    return false;
  }
}

export const soundIsOn = (): boolean => audio?.state === 'running';

/** A short call: two notes, three and higher where it is urgent. */
export function call(urgent: boolean): void {
  if (audio && audio.state === 'running') {
    const notes = urgent ? [880, 660, 880] : [523, 659];
    notes.forEach((hertz, i) => {
      const at = audio!.currentTime + i * 0.22;
      const tone = audio!.createOscillator();
      const loud = audio!.createGain();
      tone.frequency.value = hertz;
      loud.gain.setValueAtTime(0, at);
      loud.gain.linearRampToValueAtTime(urgent ? 0.5 : 0.25, at + 0.02);
      loud.gain.linearRampToValueAtTime(0, at + 0.2);
      tone.connect(loud).connect(audio!.destination);
      tone.start(at);
      tone.stop(at + 0.21);
    });
  }
  navigator.vibrate?.(urgent ? [300, 120, 300, 120, 300] : [200, 100, 200]);
}
