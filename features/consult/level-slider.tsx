'use client';

import { cssColour, naturalHair } from '@/core/lift';
import { formatLevel, LEVEL_MAX, LEVEL_MIN } from '@/core/units';
import { Slider } from '@/ui/slider';

/** A level of lightness on a lock of hair that runs from black to lightest blonde. */
export function LevelSlider({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange(level: number): void;
}) {
  return (
    <Slider
      label={label}
      min={LEVEL_MIN}
      max={LEVEL_MAX}
      step={0.5}
      value={value}
      said={formatLevel(value)}
      onChange={onChange}
      track={<HairTrack />}
    />
  );
}

const STOPS = Array.from({ length: 19 }, (_, i) => cssColour(naturalHair(1 + i / 2))).join(', ');

function HairTrack() {
  return (
    <span
      className="absolute inset-0"
      style={{
        backgroundImage: `repeating-linear-gradient(94deg, rgb(255 255 255 / .1) 0 1px, transparent 1px 3px, rgb(0 0 0 / .1) 3px 4px, transparent 4px 6px), linear-gradient(90deg, ${STOPS})`,
      }}
    />
  );
}
