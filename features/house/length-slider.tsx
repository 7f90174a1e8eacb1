'use client';

import { MM_PER_INCH } from '@/core/units';
import { Slider } from '@/ui/slider';
import { useUnits } from './context';

interface LengthSliderProps {
  label: string;
  mm: number;
  /**
   * Range and step, mm. In inches the step is a sixteenth, an eighth where it is coarse, a sixty-fourth where
   * it is fine.
   */
  min: number;
  max: number;
  step?: number;
  /** How a value is said where its figure is not enough: `at the scalp`. */
  said?(mm: number): string | undefined;
  hint?: string;
  onChange(mm: number): void;
}

/** A length: drawn on a slider, or typed in any unit; said in the unit of the house. */
export function LengthSlider({ label, mm, min, max, step = 1, said, hint, onChange }: LengthSliderProps) {
  const { unit, say, read } = useUnits();
  const steps = unit === 'in' ? MM_PER_INCH / (step > 1 ? 8 : step < 1 ? 64 : 16) : step;
  // Slider steps count from its lower end: in inches that is nought, so that whole sixteenths are met.
  const least = unit === 'in' ? 0 : min;
  const kept = (value: number) => Math.min(max, Math.max(min, Math.round(value * 100) / 100));
  return (
    <Slider
      label={label}
      min={least}
      max={max}
      step={steps}
      value={mm}
      said={said?.(mm) ?? say(mm)}
      hint={hint}
      read={(text) => {
        const value = read(text);
        return value === undefined || value < min || value > max ? undefined : value;
      }}
      onChange={(value) => onChange(kept(value))}
    />
  );
}
