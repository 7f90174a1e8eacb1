'use client';

import { CONDITION_WORDS, FLAG_WORDS, type AttributeKey, type AttributeValues } from '@/core/hair-map';
import { CONDITIONS, HAIR_FLAGS } from '@/core/visit';
import { capital } from '@/core/units';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { LevelSlider } from '../level-slider';
import { readFigure, readMm, readWhole } from '../read-figures';
import { STRANDS } from '../strands';

/** What is painted with, for each attribute; undefined paints nothing yet. */
export type Brushes = { readonly [K in AttributeKey]: AttributeValues[K] | undefined };

export const FIRST_BRUSHES: Brushes = {
  regrowth: undefined,
  natural: 6,
  grey: 0.3,
  mids: 8,
  ends: 9,
  band: { level: 7, fromMm: 60, toMm: 90 },
  length: undefined,
  density: 140,
  strand: 'fine',
  condition: 'porous',
  flags: ['baby'],
};

const CONDITION_OPTIONS = CONDITIONS.map((value) => ({ value, words: capital(CONDITION_WORDS[value]) }));

interface BrushProps<K extends AttributeKey> {
  value: AttributeValues[K] | undefined;
  onChange(value: AttributeValues[K] | undefined): void;
  /** Longest that a length may be here, mm. */
  mostMm: number;
}

/** The value to paint with. */
export const BRUSHES: { readonly [K in AttributeKey]: (props: BrushProps<K>) => React.ReactNode } = {
  regrowth: ({ value, onChange, mostMm }) => (
    <NumberField
      label="Regrowth to paint"
      unit="mm"
      min={0}
      max={Math.min(400, mostMm)}
      value={value}
      parse={readMm}
      onChange={onChange}
    />
  ),
  natural: ({ value, onChange }) => (
    <LevelSlider label="Natural level to paint" value={value ?? 6} onChange={onChange} />
  ),
  mids: ({ value, onChange }) => (
    <LevelSlider label="Level at mids to paint" value={value ?? 8} onChange={onChange} />
  ),
  ends: ({ value, onChange }) => (
    <LevelSlider label="Level at ends to paint" value={value ?? 9} onChange={onChange} />
  ),
  grey: ({ value, onChange }) => (
    <NumberField
      label="Grey to paint"
      unit="%"
      min={0}
      max={100}
      value={value === undefined ? undefined : Math.round(value * 100)}
      parse={readWhole}
      onChange={(percent) => onChange(percent === undefined ? undefined : percent / 100)}
    />
  ),
  length: ({ value, onChange }) => (
    <NumberField
      label="Length to paint"
      unit="mm"
      min={20}
      max={1200}
      value={value}
      parse={readMm}
      onChange={onChange}
    />
  ),
  density: ({ value, onChange }) => (
    <NumberField
      label="Density to paint"
      unit="/cm²"
      min={60}
      max={320}
      value={value}
      parse={readFigure}
      onChange={onChange}
    />
  ),
  strand: ({ value, onChange }) => (
    <Segmented label="Strand to paint" value={value ?? null} options={STRANDS} onChange={onChange} />
  ),
  condition: ({ value, onChange }) => (
    <Segmented
      label="Condition to paint"
      value={value ?? null}
      options={CONDITION_OPTIONS}
      onChange={onChange}
    />
  ),
  band: ({ value = FIRST_BRUSHES.band!, onChange, mostMm }) => (
    <div className="grid gap-2">
      <LevelSlider
        label="Level of the band"
        value={value.level}
        onChange={(level) => onChange({ ...value, level })}
      />
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Begins at"
          unit="mm"
          min={0}
          max={Math.max(0, value.toMm - 1)}
          value={value.fromMm}
          parse={readMm}
          onChange={(fromMm) => fromMm !== undefined && onChange({ ...value, fromMm })}
        />
        <NumberField
          label="Ends at"
          unit="mm"
          min={value.fromMm + 1}
          max={mostMm}
          value={value.toMm}
          parse={readMm}
          onChange={(toMm) => toMm !== undefined && onChange({ ...value, toMm })}
        />
      </div>
    </div>
  ),
  flags: ({ value = [], onChange }) => (
    <div role="group" aria-label="Marks to paint" className="grid grid-cols-2 gap-2">
      {HAIR_FLAGS.map((flag) => (
        <Button
          key={flag}
          small
          look={value.includes(flag) ? 'primary' : 'plain'}
          aria-pressed={value.includes(flag)}
          onClick={() =>
            onChange(value.includes(flag) ? value.filter((own) => own !== flag) : [...value, flag])
          }
        >
          {FLAG_WORDS[flag]}
        </Button>
      ))}
    </div>
  ),
};
