'use client';

import { directionName, type Direction, type Panel } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { LengthSlider } from '../../house/length-slider';
import type { RecipeProps } from './props';

const KINDS: readonly { value: Direction['kind']; words: string }[] = [
  { value: 'parallel', words: 'At an angle' },
  { value: 'hairline', words: 'Along the hairline' },
  { value: 'part', words: 'Along the part' },
  { value: 'pivot', words: 'Turning from row to row' },
  { value: 'radial', words: 'Wheel round the crown' },
  { value: 'crossed', words: 'Crossed diagonals' },
  { value: 'sequence', words: 'Two diagonals, one straight' },
];

function begin(kind: Direction['kind'], panel: Panel): Direction {
  if (panel.direction.kind === kind) return panel.direction;
  switch (kind) {
    case 'parallel':
      return { kind, angleDeg: 0 };
    case 'pivot':
      return { kind, fromDeg: 35, toDeg: 'part' };
    case 'radial':
      return { kind, about: 'crown', radiusMm: 60, reaches: [1, 2 / 3, 1 / 3] };
    case 'crossed':
      return { kind, angleDeg: 37, firstFrom: 'left', closing: false };
    case 'sequence':
      return {
        kind,
        steps: [
          { angleDeg: 15, over: 'left', count: 1 },
          { angleDeg: 15, over: 'right', count: 1 },
          { angleDeg: 0, over: 'across', count: 1 },
        ],
      };
    default:
      return { kind };
  }
}

const TO = [
  { value: 'part', words: 'The part' },
  { value: 'angle', words: 'An angle' },
] as const;
const CORNERS = [
  { value: 'left', words: 'Client’s left' },
  { value: 'right', words: 'Client’s right' },
] as const;

/** Direction of the partings. */
export function PartingFields({ panel, change }: RecipeProps) {
  const { direction } = panel;
  const set = (what: string, next: Direction) =>
    change(
      what,
      (current) => directionName(current.direction),
      (current) => ({ ...current, direction: next }),
    );
  const angle = (
    label: string,
    value: number,
    limits: readonly [number, number],
    to: (deg: number) => Direction,
  ) => (
    <Slider
      label={label}
      min={limits[0]}
      max={limits[1]}
      step={1}
      value={value}
      said={saidAngle(value)}
      read={readAngle}
      onChange={(deg) => set(label.toLowerCase(), to(deg))}
    />
  );
  return (
    <div className="mt-4 grid gap-1 border-t border-line pt-3">
      <Select
        label="Partings"
        value={direction.kind}
        options={KINDS}
        onChange={(kind) => set('partings', begin(kind, panel))}
      />
      {direction.kind === 'parallel' &&
        angle('Angle', direction.angleDeg, [-90, 90], (angleDeg) => ({ ...direction, angleDeg }))}
      {direction.kind === 'pivot' &&
        angle('First angle', direction.fromDeg, [-90, 90], (fromDeg) => ({ ...direction, fromDeg }))}
      {direction.kind === 'crossed' &&
        angle('Angle from straight across', direction.angleDeg, [5, 75], (angleDeg) => ({
          ...direction,
          angleDeg,
        }))}
      {direction.kind === 'pivot' &&
        direction.toDeg !== 'part' &&
        angle('Last angle', direction.toDeg, [-90, 90], (toDeg) => ({ ...direction, toDeg }))}
      {direction.kind === 'pivot' && (
        <Segmented
          label="Turning to"
          value={direction.toDeg === 'part' ? 'part' : 'angle'}
          options={TO}
          onChange={(to) => set('turning to', { ...direction, toDeg: to === 'part' ? 'part' : 0 })}
        />
      )}
      {direction.kind === 'crossed' && (
        <>
          <Segmented
            label="First corner"
            value={direction.firstFrom}
            options={CORNERS}
            onChange={(firstFrom) => set('first corner', { ...direction, firstFrom })}
          />
          <Slider
            label="Taken twice, back to back"
            min={0}
            max={6}
            step={1}
            value={direction.doubled ?? 0}
            said={direction.doubled ? `the first ${direction.doubled}` : 'none'}
            onChange={(doubled) => set('taken twice', { ...direction, doubled })}
          />
          <div className="flex min-h-9 items-center justify-between gap-3">
            <span className="text-base">One foil lengthwise closes the end</span>
            <Switch
              label="One foil lengthwise closes the end"
              on={direction.closing}
              onChange={(closing) => set('closing foil', { ...direction, closing })}
            />
          </div>
        </>
      )}
      {direction.kind === 'radial' && (
        <LengthSlider
          label="Radius"
          min={20}
          max={120}
          step={5}
          mm={direction.radiusMm}
          hint="Thickness and drop-out are measured there."
          onChange={(radiusMm) => set('radius', { ...direction, radiusMm })}
        />
      )}
      {direction.kind === 'sequence' &&
        angle('Angle of the diagonals', direction.steps[0].angleDeg, [0, 45], (deg) => ({
          ...direction,
          steps: direction.steps.map((step) =>
            step.angleDeg === 0 && step.over === 'across' ? step : { ...step, angleDeg: deg },
          ),
        }))}
    </div>
  );
}

/** `45° back`, `12 forward`, `-12`, `vertical`; undefined where it is no angle. */
function readAngle(text: string): number | undefined {
  if (/horizontal/i.test(text)) return 0;
  if (/vertical/i.test(text)) return 90;
  const figure = /^\s*([-−+]?)(\d+(?:[.,]\d+)?)/.exec(text);
  if (!figure) return undefined;
  const deg = Math.round(Number(figure[2].replace(',', '.')));
  return figure[1] === '-' || figure[1] === '−' || /forward/i.test(text) ? -deg : deg;
}

function saidAngle(deg: number): string {
  if (deg === 0) return 'horizontal';
  if (Math.abs(deg) === 90) return 'vertical';
  return `${Math.abs(deg)}° ${deg > 0 ? 'back' : 'forward'}`;
}
