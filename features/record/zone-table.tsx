'use client';

import { useState } from 'react';
import { familyName, ZONE_FAMILIES, zoneName, ZONES, zonesOf, type Zone } from '@/core/head';
import { cssColour, naturalHair } from '@/core/lift';
import { formatLevel } from '@/core/units';
import { ZONE_TONES, type Outcome, type ZoneOutcome } from '@/core/visit';
import { HairSwatch } from '@/ui/hair-swatch';
import { Switch } from '@/ui/switch';
import { TONE_WORDS } from './words';

type Zones = NonNullable<Outcome['zones']>;
const UNTOUCHED: ZoneOutcome = { leftMm: null, measured: false, level: null, tone: null };
const BOX = 'h-9 w-full rounded-ui border border-edge bg-field px-1.5 text-base hover:border-ink';

interface ZoneTableProps {
  zones: Zones;
  /** Regrowth found at the visit, by zone, mm. */
  found: Readonly<Partial<Record<Zone, number>>>;
  disabled: boolean;
  onChange(zones: Zones): void;
}

/**
 * Zone by zone: what was found, what was left at the root, level and tone. Empty under “left” means: not
 * taken to the root.
 */
export function ZoneTable({ zones, found, disabled, onChange }: ZoneTableProps) {
  const [both, setBoth] = useState(() =>
    ZONE_FAMILIES.every((family) => alike(zonesOf(family).map((zone) => zones[zone]))),
  );
  const rows: readonly { readonly name: string; readonly of: readonly Zone[] }[] = both
    ? ZONE_FAMILIES.map((family) => ({ name: familyName(family), of: zonesOf(family) }))
    : ZONES.map((zone) => ({ name: zoneName(zone), of: [zone] }));
  const set = (of: readonly Zone[], part: Partial<ZoneOutcome>) => {
    const next: Zones = { ...zones };
    for (const zone of of) {
      const own = { ...UNTOUCHED, ...next[zone], ...part };
      if (own.leftMm === null && own.level === null && own.tone === null) delete next[zone];
      else next[zone] = own;
    }
    onChange(next);
  };
  return (
    <fieldset disabled={disabled} className="min-w-0">
      <div className="mb-2 flex items-center justify-between gap-3">
        <legend className="text-md font-bold">By zone</legend>
        <span className="flex items-center gap-2 text-sm">
          Both sides at once <Switch label="Both sides at once" on={both} onChange={setBoth} />
        </span>
      </div>
      <table aria-label="By zone" className="w-full table-fixed text-base">
        <thead className="text-left text-xs text-ink-soft">
          <tr>
            <th className="w-[31%] pb-1 font-medium">Zone</th>
            <th className="w-[17%] pr-2 text-right font-medium">found, mm</th>
            <th className="w-[14%] px-1 font-medium">left, mm</th>
            <th className="w-[19%] px-1 font-medium">level</th>
            <th className="w-[19%] pl-1 font-medium">tone</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, of }) => {
            const own = { ...UNTOUCHED, ...zones[of[0]] };
            const grown = of.map((zone) => found[zone]).filter((mm) => mm !== undefined);
            return (
              <tr key={name} className="border-t border-line">
                <th scope="row" className="truncate py-1 pr-1 text-left font-medium">
                  {name}
                </th>
                <td className="pr-2 text-right">
                  {grown.length === 0 ? '–' : Math.round(Math.max(...grown))}
                </td>
                <td className="p-1">
                  <LeftField
                    label={`Left at the root, ${name}, mm`}
                    mm={own.leftMm}
                    onChange={(leftMm) => set(of, { leftMm, measured: leftMm !== null })}
                  />
                </td>
                <td className="p-1">
                  <span className="flex items-center gap-1">
                    {own.level !== null && (
                      <HairSwatch colour={cssColour(naturalHair(own.level))} width={12} height={22} />
                    )}
                    <select
                      aria-label={`Level, ${name}`}
                      className={BOX}
                      value={own.level ?? ''}
                      onChange={(event) =>
                        set(of, { level: event.target.value === '' ? null : Number(event.target.value) })
                      }
                    >
                      <option value="">–</option>
                      {LEVELS.map((level) => (
                        <option key={level} value={level}>
                          {formatLevel(level)}
                        </option>
                      ))}
                    </select>
                  </span>
                </td>
                <td className="py-1 pl-1">
                  <select
                    aria-label={`Tone, ${name}`}
                    className={BOX}
                    value={own.tone ?? ''}
                    onChange={(event) =>
                      set(of, { tone: ZONE_TONES.find((tone) => tone === event.target.value) ?? null })
                    }
                  >
                    <option value="">–</option>
                    {ZONE_TONES.map((tone) => (
                      <option key={tone} value={tone}>
                        {TONE_WORDS[tone]}
                      </option>
                    ))}
                  </select>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 text-xs text-ink-soft">
        Nothing under “left”: the zone was not taken to the root, and its regrowth goes on.
      </p>
    </fieldset>
  );
}

const LEVELS = Array.from({ length: 19 }, (_, i) => 1 + i / 2);
const alike = (all: readonly (ZoneOutcome | undefined)[]) =>
  all.every(
    (zoneOutcome) =>
      JSON.stringify({ ...UNTOUCHED, ...zoneOutcome }) === JSON.stringify({ ...UNTOUCHED, ...all[0] }),
  );

/** Millimetres from 0 to 100, or nothing; what cannot be read is marked and changes nothing. */
function LeftField({
  label,
  mm,
  onChange,
}: {
  label: string;
  mm: number | null;
  onChange(mm: number | null): void;
}) {
  const [text, setText] = useState<string>();
  const wrong = text !== undefined && readLeft(text) === undefined;
  return (
    <input
      aria-label={label}
      aria-invalid={wrong || undefined}
      title={wrong ? 'Left at the root: 0 to 100 mm, or nothing' : undefined}
      inputMode="decimal"
      className={`${BOX} text-right ${wrong ? 'border-rowan' : ''}`}
      value={text ?? (mm === null ? '' : String(mm))}
      onChange={(event) => {
        setText(event.target.value);
        const read = readLeft(event.target.value);
        if (read !== undefined) onChange(read);
      }}
      onBlur={() => !wrong && setText(undefined)}
    />
  );
}

/** null for nothing, undefined for what cannot be read. */
function readLeft(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const mm = Number(text.trim().replace(',', '.'));
  return Number.isFinite(mm) && mm >= 0 && mm <= 100 ? mm : undefined;
}
