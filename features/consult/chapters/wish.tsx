'use client';

import { brightnessStep } from '@/core/pattern';
import type { Consult } from '@/core/visit';
import { Slider } from '@/ui/slider';
import { useUnits } from '../../house/context';
import { PhotoSet } from '../../photos/photo-set';
import { useVisit } from '../../visit/store';
import { LevelSlider } from '../level-slider';
import { Choice, Questions } from '../question';
import { readMm } from '../read-figures';
import { useAnswers } from '../use-answers';

const CONTRASTS = [
  { value: 'blended', words: 'Blended' },
  { value: 'defined', words: 'Defined' },
  { value: 'high', words: 'High' },
] as const;
const TONES = [
  { value: 'warm', words: 'Warm' },
  { value: 'neutral', words: 'Neutral' },
  { value: 'cool', words: 'Cool' },
  { value: 'bright', words: 'Bright white' },
] as const;
const SKINS = [
  { value: 'cool', words: 'Cool' },
  { value: 'neutral', words: 'Neutral' },
  { value: 'olive', words: 'Olive' },
  { value: 'warm', words: 'Warm' },
] as const;
const FRAMES = [
  { value: 'none', words: 'None' },
  { value: 'soft', words: 'Soft' },
  { value: 'bold', words: 'Bold' },
] as const;
const BLENDS = [
  { value: 'strong', words: 'Strong' },
  { value: 'sun-touched', words: 'Sun-touched' },
] as const;
/** A face frame reaches about two fingers back unless it is said otherwise. */
const USUAL_FRAME_MM = 35;

/** What the client wishes for. */
export function WishChapter() {
  const { consult, set } = useAnswers();
  const { bundle } = useVisit();
  const wish = brightnessStep(consult.brightness);
  return (
    <div className="grid gap-6">
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
        <Questions title="Light">
          <LevelSlider
            label="Natural level"
            value={consult.naturalLevel}
            onChange={(naturalLevel) => set('natural level', { naturalLevel })}
          />
          <LevelSlider
            label="Goal level"
            value={consult.goalLevel}
            onChange={(goalLevel) => set('goal level', { goalLevel })}
          />
          <Slider
            label="Brightness"
            min={1}
            max={5}
            step={1}
            value={consult.brightness}
            said={wish.words}
            hint={`Asks for ${Math.round(wish.share[0] * 100)}–${Math.round(wish.share[1] * 100)}% of the hair lightened.`}
            onChange={(brightness) => set('brightness', { brightness })}
          />
          <Choice
            label="Contrast"
            value={consult.contrast}
            options={CONTRASTS}
            onChange={(contrast) => set('contrast', { contrast })}
          />
        </Questions>
        <Questions title="Tone and face">
          <Choice
            label="Tone"
            value={consult.tone}
            options={TONES}
            onChange={(tone) => set('tone', { tone })}
            hint="People mean different things by these words: collect pictures."
          />
          <Choice
            label="Skin and eyes"
            value={consult.skinTone}
            options={SKINS}
            onChange={(skinTone) => set('skin and eyes', { skinTone })}
          />
          <FaceFrame frame={consult.faceFrame} onChange={(faceFrame) => set('face frame', { faceFrame })} />
          <Choice
            label="Blend at the hairline"
            value={consult.hairlineBlend}
            options={BLENDS}
            onChange={(hairlineBlend) => set('blend at the hairline', { hairlineBlend })}
          />
        </Questions>
      </div>
      <Questions title="Pictures of what is wished for">
        <PhotoSet clientId={bundle.client.id} visitId={bundle.id} kind="wish" />
      </Questions>
    </div>
  );
}

function FaceFrame({
  frame,
  onChange,
}: {
  frame: Consult['faceFrame'];
  onChange(frame: Consult['faceFrame']): void;
}) {
  const units = useUnits();
  const strength = frame?.strength ?? null;
  return (
    <div className="grid gap-2">
      <Choice
        label="Face frame"
        value={strength}
        options={FRAMES}
        onChange={(next) =>
          onChange({
            strength: next,
            behindMm: next === 'none' ? 0 : frame && frame.behindMm > 0 ? frame.behindMm : USUAL_FRAME_MM,
          })
        }
      />
      {frame && frame.strength !== 'none' && (
        <Slider
          label="How far back"
          min={0}
          max={120}
          step={5}
          value={frame.behindMm}
          said={units.say(frame.behindMm)}
          read={readMm}
          onChange={(behindMm) => onChange({ ...frame, behindMm })}
        />
      )}
    </div>
  );
}
