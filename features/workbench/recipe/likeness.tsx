'use client';

import type { Panel, Variation } from '@/core/pattern';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { Switch } from '@/ui/switch';
import { Slider } from '@/ui/slider';
import { useUnits } from '../../house/context';
import { LengthSlider } from '../../house/length-slider';
import type { RecipeProps } from './props';

const START = {
  seed: 1,
  dropoutMm: 1,
  angleDeg: 2,
  stitchMm: 0.5,
  startMm: 0,
  side: 'right',
} as const satisfies Variation;
const SIDES = [
  { value: 'left', words: 'Left differs' },
  { value: 'right', words: 'Right differs' },
  { value: 'both', words: 'Both' },
] as const;

/**
 * Both sides alike to the hair, or similar: partings, stitches and starts of one side moved a little, as
 * drawn from a number.
 */
export function LikenessFields({ panel, change }: RecipeProps) {
  const { variation } = panel;
  const { say } = useUnits();
  const set = (what: string, figure: (current: Variation) => string, to: Partial<Variation>) =>
    change(
      what,
      (current) => (current.variation ? figure(current.variation) : 'exact'),
      (current) => ({ ...current, variation: current.variation && { ...current.variation, ...to } }),
    );
  return (
    <div className="mt-4 grid gap-1 border-t border-line pt-3">
      <div className="flex min-h-9 items-center justify-between gap-3">
        <span className="text-base">Similar, not exact</span>
        <Switch
          label="Similar, not exact"
          on={variation !== null}
          onChange={(on) =>
            change('likeness', saidOf, (current) => ({ ...current, variation: on ? START : null }))
          }
        />
      </div>
      {variation && (
        <>
          {panel.side === 'both' && (
            <Segmented
              label="Which side differs"
              value={variation.side ?? 'both'}
              options={SIDES}
              onChange={(side) => set('side that differs', (current) => current.side ?? 'both', { side })}
            />
          )}
          <LengthSlider
            label="Drop-outs, by up to"
            min={0}
            max={6}
            step={0.5}
            mm={variation.dropoutMm}
            onChange={(dropoutMm) =>
              set('drop-outs differ', (current) => say(current.dropoutMm), { dropoutMm })
            }
          />
          <LengthSlider
            label="Stitches, by up to"
            min={0}
            max={3}
            step={0.5}
            mm={variation.stitchMm ?? 0}
            onChange={(stitchMm) =>
              set('stitches differ', (current) => say(current.stitchMm ?? 0), { stitchMm })
            }
          />
          <LengthSlider
            label="Starts, by up to"
            min={0}
            max={40}
            step={1}
            mm={variation.startMm ?? 0}
            onChange={(startMm) => set('starts differ', (current) => say(current.startMm ?? 0), { startMm })}
          />
          <Slider
            label="Angle, by up to"
            min={0}
            max={15}
            step={1}
            value={variation.angleDeg}
            said={`${variation.angleDeg}°`}
            onChange={(angleDeg) => set('angle differs', (current) => `${current.angleDeg}°`, { angleDeg })}
          />
          <Button
            small
            onClick={() =>
              set('differences', (current) => `no. ${current.seed}`, { seed: variation.seed + 1 })
            }
          >
            Try another
          </Button>
        </>
      )}
    </div>
  );
}

const saidOf = ({ variation }: Panel) => (variation ? 'similar' : 'exact');
