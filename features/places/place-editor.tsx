'use client';

import type { ReactNode } from 'react';
import { familyName, ZONE_FAMILIES } from '@/core/head';
import {
  EVERYWHERE,
  FACE_FAMILIES,
  PLACE_LENGTH_WORDS,
  PLACE_LENGTHS,
  placeWords,
  type ColourPlace,
} from '@/core/visit';
import { capital } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';

const SIDES = [
  { value: 'both', words: 'Both sides' },
  { value: 'left', words: 'Left' },
  { value: 'right', words: 'Right' },
] as const;

/** How far behind the front hairline a colour can end, mm. */
const FRONT_MM = ['25', '40', '50'] as const;
const FRONTS = [
  { value: 'none', words: 'No limit' },
  ...FRONT_MM.map((value) => ({ value, words: `First ${value} mm` })),
] as const;

/** Any set of zones, sides, lengths, and a distance behind the front hairline. */
export function PlaceEditor({ place, onChange }: { place: ColourPlace; onChange(place: ColourPlace): void }) {
  const set = (part: Partial<ColourPlace>) => onChange({ ...place, ...part });
  const front = place.frontMm === null ? 'none' : FRONT_MM.find((own) => Number(own) === place.frontMm);
  return (
    <div className="grid gap-4">
      <p role="status" className="text-lg font-semibold">
        {placeWords(place)}
      </p>
      <Group name="Lengths">
        {PLACE_LENGTHS.map((length) => (
          <Toggle
            key={length}
            words={capital(PLACE_LENGTH_WORDS[length])}
            on={place.lengths.includes(length)}
            onPress={() => set({ lengths: toggled(PLACE_LENGTHS, place.lengths, length) })}
          />
        ))}
      </Group>
      <Segmented label="Side" value={place.side} options={SIDES} onChange={(side) => set({ side })} />
      <Segmented
        label="Behind the front hairline"
        value={front ?? null}
        options={FRONTS}
        onChange={(value) => set({ frontMm: value === 'none' ? null : Number(value) })}
      />
      <Group name="Zones">
        {ZONE_FAMILIES.map((family) => (
          <Toggle
            key={family}
            words={familyName(family)}
            on={place.zones.includes(family)}
            onPress={() => set({ zones: toggled(ZONE_FAMILIES, place.zones, family) })}
          />
        ))}
      </Group>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => set({ zones: FACE_FAMILIES })}>Face frame</Button>
        <Button onClick={() => onChange(EVERYWHERE)}>Everywhere</Button>
      </div>
      <TextField
        label="More about the place"
        value={place.words}
        maxLength={200}
        onChange={(event) => set({ words: event.target.value })}
      />
    </div>
  );
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap gap-2">
      {children}
    </div>
  );
}

function Toggle({ words, on, onPress }: { words: string; on: boolean; onPress(): void }) {
  return (
    <Button look={on ? 'primary' : 'plain'} aria-pressed={on} onClick={onPress}>
      {words}
    </Button>
  );
}

/** A set with one of all put in or taken out, in the order of all. */
function toggled<T>(all: readonly T[], chosen: readonly T[], one: T): T[] {
  return all.filter((item) => chosen.includes(item) !== (item === one));
}
