'use client';

import { useState } from 'react';
import {
  ATTRIBUTE,
  attributeOf,
  ATTRIBUTES,
  changesSince,
  copySide,
  fill,
  paint,
  sayChanges,
  sayIn,
  sidesAgree,
  valueIn,
  type AttributeKey,
  type AttributeValues,
} from '@/core/hair-map';
import { familyName, swapSide, ZONE_FAMILIES, zoneName, ZONES, zonesOf, type Zone } from '@/core/head';
import { cssColour } from '@/core/lift';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Switch } from '@/ui/switch';
import { useKept } from '@/ui/use-kept';
import { PhotoSet } from '../../photos/photo-set';
import { sayDistance } from '../../shared';
import { useVisit } from '../../visit/store';
import { readMm } from '../read-figures';
import { BRUSHES, FIRST_BRUSHES, type Brushes } from './brush';
import { ZoneMap } from './zone-map';

/** Attributes whose zones are figures that one types rather than paints. */
const TYPED: readonly AttributeKey[] = ['regrowth', 'length', 'density'];

/** The hair map: what is seen zone by zone, painted or typed, beside what changed since last time. */
export function MapChapter() {
  const { bundle, consult, editConsult } = useVisit();
  const [attribute, setAttribute] = useKept<AttributeKey>(`${bundle.id}/map`, 'regrowth', ATTRIBUTES);
  const [brushes, setBrushes] = useState<Brushes>(FIRST_BRUSHES);
  const [both, setBoth] = useState(() => sidesAgree(consult));
  const [zone, setZone] = useState<Zone>('front-hairline-l');
  const { name, hint } = ATTRIBUTE[attribute];
  const brush = brushes[attribute];
  const put = <K extends AttributeKey>(
    key: K,
    zones: readonly Zone[],
    value: AttributeValues[K] | undefined,
    gesture: string,
  ) => {
    const where = zones.length > 2 ? 'whole head' : zoneName(zones[0]).toLowerCase();
    editConsult(
      `${ATTRIBUTE[key].name.toLowerCase()}, ${where}`,
      (before) => paint({ consult: before, key, zones, value, bothSides: both }),
      gesture,
    );
  };
  const shortest = Math.min(...ZONES.map((own) => valueIn(consult, 'length', own)!));
  return (
    <div className="min-h-0 lg:grid lg:grid-cols-[minmax(0,1fr)_20rem] xl:grid-cols-[minmax(0,1fr)_21.5rem]">
      <section aria-label="Hair map" className="flex min-h-0 flex-col p-3 max-lg:h-[min(80dvh,150vw)]">
        <div role="radiogroup" aria-label="What is painted" className="mb-2 flex flex-wrap gap-1.5">
          {ATTRIBUTES.map((key) => (
            <button
              key={key}
              type="button"
              role="radio"
              aria-checked={key === attribute}
              aria-label={ATTRIBUTE[key].name}
              onClick={() => setAttribute(key)}
              className={`h-9 rounded-ui border px-2.5 text-sm font-semibold ${key === attribute ? 'border-leaf bg-leaf text-on-leaf' : 'border-edge bg-raised hover:border-ink'}`}
            >
              {ATTRIBUTE[key].short}
            </button>
          ))}
        </div>
        <ZoneMap
          attribute={attribute}
          zone={zone}
          onZone={setZone}
          onPaint={(own, stroke) => brush !== undefined && put(attribute, [own], brush, stroke)}
        />
        <p className="pb-1 text-center text-sm text-ink-soft">
          {brush === undefined
            ? 'Write the value to paint with, or the zones’ own figures.'
            : `Tap or drag to paint ${attributeOf(attribute).say(brush)}; arrow keys and Enter do the same.`}{' '}
          The client’s left is on the left.
        </p>
      </section>
      <section
        aria-label="Values"
        className="relative border-line bg-raised px-4 py-4 max-lg:border-t md:px-5 lg:overflow-y-auto lg:border-l"
      >
        <h2 className="text-xl font-bold wide">{name}</h2>
        <p className="mb-3 text-sm text-ink-soft">{hint}</p>
        <div className="grid gap-3">
          <Brush attribute={attribute} brushes={brushes} onBrushes={setBrushes} mostMm={shortest} />
          <div className="grid grid-cols-2 gap-2">
            <Button
              small
              disabled={brush === undefined}
              onClick={() =>
                editConsult(
                  `${name.toLowerCase()}, whole head`,
                  (before) => fill(before, attribute, brush),
                  crypto.randomUUID(),
                )
              }
            >
              Whole head
            </Button>
            <Button
              small
              look="quiet"
              onClick={() =>
                editConsult(
                  `${name.toLowerCase()} removed`,
                  (before) => fill(before, attribute, undefined),
                  crypto.randomUUID(),
                )
              }
            >
              Remove
            </Button>
          </div>
          <div className="flex items-center justify-between gap-3 border-t border-line pt-3">
            <span className="text-base">Both sides at once</span>
            <Switch label="Both sides at once" on={both} onChange={setBoth} />
          </div>
          {!both && (
            <div className="grid grid-cols-2 gap-2">
              <Button
                small
                onClick={() =>
                  editConsult(
                    'left side copied to the right',
                    (before) => copySide(before, 'l'),
                    crypto.randomUUID(),
                  )
                }
              >
                Left → right
              </Button>
              <Button
                small
                onClick={() =>
                  editConsult(
                    'right side copied to the left',
                    (before) => copySide(before, 'r'),
                    crypto.randomUUID(),
                  )
                }
              >
                Right → left
              </Button>
            </div>
          )}
        </div>
        {TYPED.includes(attribute) ? (
          <TypedZones
            attribute={attribute as 'regrowth'}
            both={both}
            onSet={(zones, value, label) => put(attribute as 'regrowth', zones, value, label)}
          />
        ) : (
          <SaidZones attribute={attribute} />
        )}
        <SinceLastTime />
        <div className="mt-5 border-t border-line pt-3">
          <h3 className="mb-2 text-md font-bold">Pictures of the hair</h3>
          <PhotoSet
            clientId={bundle.client.id}
            visitId={bundle.id}
            kind="hair"
            onRegrowth={(mm) => {
              setAttribute('regrowth');
              setBrushes((all) => ({ ...all, regrowth: mm }));
            }}
            onLevel={(level) => {
              setAttribute('natural');
              setBrushes((all) => ({ ...all, natural: level }));
            }}
            onColour={(as, swatch) =>
              editConsult(`${SWATCH_WORDS[as].toLowerCase()} from a picture`, (before) => ({
                ...before,
                swatches: { ...before.swatches, [as]: swatch },
              }))
            }
          />
          <Swatches />
        </div>
      </section>
    </div>
  );
}

const SWATCH_WORDS = { base: 'Base colour', light: 'Light colour' } as const;

/** Colours that Wear takes from a picture of the client's own hair. */
function Swatches() {
  const { consult, editConsult } = useVisit();
  const taken = (['base', 'light'] as const).flatMap((as) => {
    const swatch = consult.swatches[as];
    return swatch ? [{ as, swatch }] : [];
  });
  if (taken.length === 0) return null;
  return (
    <ul aria-label="Colours from pictures" className="mt-3 grid gap-2">
      {taken.map(({ as, swatch }) => (
        <li key={as} className="flex items-center gap-3">
          <span
            aria-hidden
            className="size-8 rounded-ui border border-edge"
            style={{ background: cssColour(swatch) }}
          />
          <span className="flex-1 text-sm">{SWATCH_WORDS[as]} in Wear, from a picture</span>
          <Button
            small
            look="quiet"
            onClick={() =>
              editConsult(`${SWATCH_WORDS[as].toLowerCase()} by level`, (before) => ({
                ...before,
                swatches: { ...before.swatches, [as]: null },
              }))
            }
          >
            Remove
          </Button>
        </li>
      ))}
    </ul>
  );
}

function Brush({
  attribute,
  brushes,
  onBrushes,
  mostMm,
}: {
  attribute: AttributeKey;
  brushes: Brushes;
  onBrushes(brushes: Brushes): void;
  mostMm: number;
}) {
  const Field = BRUSHES[attribute] as (props: {
    value: unknown;
    onChange(value: unknown): void;
    mostMm: number;
  }) => React.ReactNode;
  return (
    <Field
      key={attribute}
      value={brushes[attribute]}
      onChange={(value) => onBrushes({ ...brushes, [attribute]: value })}
      mostMm={mostMm}
    />
  );
}

const RANGES = {
  regrowth: { unit: 'mm', min: 0, max: 400 },
  length: { unit: 'mm', min: 20, max: 1200 },
  density: { unit: '/cm²', min: 60, max: 320 },
} as const;

/** Figures zone by zone: a pair of zones as one while both sides go together. */
function TypedZones({
  attribute,
  both,
  onSet,
}: {
  attribute: keyof typeof RANGES;
  both: boolean;
  onSet(zones: readonly Zone[], value: number | undefined, label: string): void;
}) {
  const { consult } = useVisit();
  const { unit, min, max } = RANGES[attribute];
  const rows = ZONE_FAMILIES.flatMap((family): { label: string; zones: readonly Zone[] }[] => {
    const zones = zonesOf(family);
    const agree = valueIn(consult, attribute, zones[0]) === valueIn(consult, attribute, swapSide(zones[0]));
    return both && agree
      ? [{ label: familyName(family), zones }]
      : zones.map((zone) => ({ label: zoneName(zone), zones: [zone] }));
  });
  return (
    <ul className="mt-4 grid gap-1 border-t border-line pt-3">
      {rows.map(({ label, zones }) => {
        const length = Math.min(...zones.map((zone) => valueIn(consult, 'length', zone)!));
        const grown = Math.max(0, ...zones.map((zone) => consult.regrowthMm[zone] ?? 0));
        return (
          <li key={label} className="grid grid-cols-[1fr_112px] items-center gap-2">
            <span aria-hidden className="text-base">
              {label}
            </span>
            <NumberField
              label={label}
              hideLabel
              unit={unit}
              min={attribute === 'length' ? Math.max(min, grown) : min}
              max={attribute === 'regrowth' ? Math.min(max, length) : max}
              value={valueIn(consult, attribute, zones[0])}
              parse={readMm}
              onChange={(value) => onSet(zones, value, `${attribute}/${label}`)}
            />
          </li>
        );
      })}
    </ul>
  );
}

/** What was painted, as a list. */
function SaidZones({ attribute }: { attribute: AttributeKey }) {
  const { consult } = useVisit();
  return (
    <ul className="mt-4 grid gap-0.5 border-t border-line pt-3 text-base">
      {ZONE_FAMILIES.map((family) => {
        const [left, right] = zonesOf(family);
        const own = sayIn(consult, attribute, left) ?? '–';
        const other = right && (sayIn(consult, attribute, right) ?? '–');
        return (
          <li key={family} className="flex items-baseline justify-between gap-3">
            <span>{familyName(family)}</span>
            <span className="text-right font-semibold">
              {other !== undefined && other !== own ? `${own} | ${other}` : own}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function SinceLastTime() {
  const { bundle, consult } = useVisit();
  if (!bundle.previous) return null;
  const lines = sayChanges(changesSince(bundle.previous.consult, consult));
  return (
    <div className="mt-5 border-t border-line pt-3">
      <h3 className="text-md font-bold">
        Since last time, {sayDistance(bundle.previous.heldOn, bundle.heldOn)}
      </h3>
      {lines.length === 0 ? (
        <p className="text-sm text-ink-soft">The map says the same.</p>
      ) : (
        <ul className="text-sm text-ink-soft">
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
