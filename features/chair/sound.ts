'use client';

import { useSyncExternalStore } from 'react';

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

const MUTED_KEY = 'lattice/chair/muted';
const listeners = new Set<() => void>();

function mutedVisits(): string[] {
  const kept = localStorage.getItem(MUTED_KEY);
  return kept ? kept.split(',') : [];
}

/** Whether this device is silent for a service. Its alarms stay in sight. */
export const isMuted = (visitId: string): boolean => mutedVisits().includes(visitId);

export function setMuted(visitId: string, muted: boolean): void {
  const others = mutedVisits()
    .filter((mutedVisit) => mutedVisit !== visitId)
    .slice(-20);
  localStorage.setItem(MUTED_KEY, (muted ? [...others, visitId] : others).join());
  for (const tell of listeners) tell();
}

export function useMuted(visitId: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => isMuted(visitId),
    () => false,
  );
}

/** Pitches of services beside each other, so that each is known by its sound. */
const VOICES = [1, 1.26, 0.8, 1.5] as const;

/**
 * A short call: two notes, three and higher where it is urgent.
 * @param voice place of the service among those of this device
 */
export function call(urgent: boolean, voice = 0): void {
  if (audio && audio.state === 'running') {
    const notes = urgent ? [880, 660, 880] : [523, 659];
    notes.forEach((hertz, i) => {
      const at = audio!.currentTime + i * 0.22;
      const tone = audio!.createOscillator();
      const loud = audio!.createGain();
      tone.frequency.value = hertz * VOICES[voice % VOICES.length];
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
