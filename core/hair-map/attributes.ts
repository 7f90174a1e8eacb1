import type { Zone } from '../head';
import { formatLevel } from '../units';
import type { Condition, Consult, HairFlag, ZoneHair } from '../visit';

/** What the hair map holds, zone by zone. */
export const ATTRIBUTES = [
  'regrowth',
  'natural',
  'grey',
  'mids',
  'ends',
  'band',
  'length',
  'density',
  'strand',
  'condition',
  'flags',
] as const;
export type AttributeKey = (typeof ATTRIBUTES)[number];

/** The values that each attribute takes. */
export interface AttributeValues {
  /** mm */
  readonly regrowth: number;
  readonly natural: number;
  /** Share, 0–1. */
  readonly grey: number;
  readonly mids: number;
  readonly ends: number;
  readonly band: NonNullable<ZoneHair['band']>;
  /** mm */
  readonly length: number;
  /** Hairs per cm². */
  readonly density: number;
  readonly strand: Consult['hair']['strand'];
  readonly condition: Condition;
  readonly flags: readonly HairFlag[];
}

/** How one attribute is named, read, written and said. */
export interface Attribute<K extends AttributeKey> {
  readonly name: string;
  /** The name where there is little room. */
  readonly short: string;
  readonly hint: string;
  /** What was set in this zone itself; undefined where nothing was. */
  own(consult: Consult, zone: Zone): AttributeValues[K] | undefined;
  /** What holds for the whole head where a zone has nothing of its own. */
  whole(consult: Consult): AttributeValues[K] | undefined;
  /** Sets a zone's own value, or takes it away. */
  write(consult: Consult, zone: Zone, value: AttributeValues[K] | undefined): Consult;
  say(value: AttributeValues[K]): string;
}

/** For records whose keys may all be lacking. */
const without = <T extends object>(record: T, key: keyof T): T =>
  Object.fromEntries(Object.entries(record).filter(([own]) => own !== key)) as T;

/** An attribute that lies in the map's entry of the zone. @param field holds values of the key K */
function inMap<K extends AttributeKey>(
  field: keyof ZoneHair,
  texts: Pick<Attribute<K>, 'name' | 'short' | 'hint' | 'say'>,
  whole: Attribute<K>['whole'] = () => undefined,
): Attribute<K> {
  return {
    ...texts,
    whole,
    own: (consult, zone) => consult.map[zone]?.[field] as AttributeValues[K] | undefined,
    write: (consult, zone, value) => {
      const entry =
        value === undefined
          ? without({ ...consult.map[zone] }, field)
          : { ...consult.map[zone], [field]: value };
      return {
        ...consult,
        map: Object.keys(entry).length === 0 ? without(consult.map, zone) : { ...consult.map, [zone]: entry },
      };
    },
  };
}

/** An attribute that lies with the hair's figures, which counts and grams rest on. @param field holds values of the key K */
function inHair<K extends 'length' | 'density' | 'strand'>(
  field: 'lengthMm' | 'densityPerCm2' | 'strand',
  texts: Pick<Attribute<K>, 'name' | 'short' | 'hint' | 'say'>,
): Attribute<K> {
  return {
    ...texts,
    whole: ({ hair }) => hair[field] as AttributeValues[K],
    own: ({ hair }, zone) => hair.byZone[zone]?.[field] as AttributeValues[K] | undefined,
    write: (consult, zone, value) => {
      const { hair } = consult;
      const same = value === hair[field];
      const entry =
        value === undefined || same
          ? without({ ...hair.byZone[zone] }, field)
          : { ...hair.byZone[zone], [field]: value };
      const byZone =
        Object.keys(entry).length === 0 ? without(hair.byZone, zone) : { ...hair.byZone, [zone]: entry };
      return { ...consult, hair: { ...hair, byZone } };
    },
  };
}

const level = (value: number) => formatLevel(value);
const millimetres = (mm: number) => `${mm} mm`;

export const CONDITION_WORDS: Record<Condition, string> = {
  sound: 'sound',
  dry: 'dry',
  porous: 'porous',
  fragile: 'fragile',
};
export const FLAG_WORDS: Record<HairFlag, string> = {
  baby: 'baby hair',
  breakage: 'breakage',
  thin: 'thin',
  scar: 'scar',
};

/** All attributes by key. */
export const ATTRIBUTE: { readonly [K in AttributeKey]: Attribute<K> } = {
  regrowth: {
    name: 'Regrowth',
    short: 'Regrowth',
    hint: 'Since the zone was last taken to the root.',
    say: millimetres,
    whole: () => undefined,
    own: ({ regrowthMm }, zone) => regrowthMm[zone],
    write: (consult, zone, mm) => ({
      ...consult,
      regrowthMm:
        mm === undefined ? without(consult.regrowthMm, zone) : { ...consult.regrowthMm, [zone]: mm },
    }),
  },
  natural: inMap<'natural'>(
    'naturalLevel',
    { name: 'Natural level', short: 'Natural', hint: 'Of the untouched hair at the root.', say: level },
    ({ naturalLevel }) => naturalLevel,
  ),
  grey: inMap<'grey'>('greyShare', {
    name: 'Grey',
    short: 'Grey',
    hint: 'Often white at the hairline, dark inside.',
    say: (share) => `${Math.round(share * 100)}%`,
  }),
  mids: inMap<'mids'>('midsLevel', {
    name: 'Level at mids',
    short: 'Mids',
    hint: 'Earlier colour in the mid-lengths.',
    say: level,
  }),
  ends: inMap<'ends'>('endsLevel', {
    name: 'Level at ends',
    short: 'Ends',
    hint: 'Earlier colour at the ends.',
    say: level,
  }),
  band: inMap<'band'>('band', {
    name: 'Band',
    short: 'Band',
    hint: 'A strip of another colour left by an earlier service.',
    say: ({ level: at, fromMm, toMm }) => `${formatLevel(at)} at ${fromMm}–${toMm} mm`,
  }),
  length: inHair<'length'>('lengthMm', {
    name: 'Length',
    short: 'Length',
    hint: 'From the root.',
    say: millimetres,
  }),
  density: inHair<'density'>('densityPerCm2', {
    name: 'Density',
    short: 'Density',
    hint: 'Temples and hairline are thinner.',
    say: (value) => `${value} /cm²`,
  }),
  strand: inHair<'strand'>('strand', {
    name: 'Strand',
    short: 'Strand',
    hint: 'Thickness of a single hair; coarse lifts slower.',
    say: (value) => value,
  }),
  condition: inMap<'condition'>('condition', {
    name: 'Condition',
    short: 'Condition',
    hint: 'Porous hair takes colour faster.',
    say: (value) => CONDITION_WORDS[value],
  }),
  flags: inMap<'flags'>('flags', {
    name: 'Marks',
    short: 'Marks',
    hint: 'Baby hair, breakage, thin places, scars.',
    say: (flags) => flags.map((flag) => FLAG_WORDS[flag]).join(', '),
  }),
};

/** An attribute by its key, for values of that key. */
export const attributeOf = <K extends AttributeKey>(key: K): Attribute<K> => ATTRIBUTE[key];

/** What holds in a zone: its own value, or the whole head's. */
export function valueIn<K extends AttributeKey>(
  consult: Consult,
  key: K,
  zone: Zone,
): AttributeValues[K] | undefined {
  const attribute = attributeOf(key);
  return attribute.own(consult, zone) ?? attribute.whole(consult);
}

/** A zone's value in words; undefined where nothing is known. */
export function sayIn<K extends AttributeKey>(consult: Consult, key: K, zone: Zone): string | undefined {
  const value = valueIn(consult, key, zone);
  return value === undefined ? undefined : attributeOf(key).say(value);
}
