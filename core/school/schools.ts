import { keysOf } from '../units';
/**
 * One question on which good colourists disagree, with its answers and the one taken where a house has not
 * chosen.
 */
export interface School {
  readonly question: string;
  readonly answers: Readonly<Record<string, string>>;
  readonly usual: string;
  /** Why that one is the usual. */
  readonly why: string;
}

const school = <A extends Readonly<Record<string, string>>>(
  question: string,
  answers: A,
  usual: keyof A & string,
  why: string,
) => ({ question, answers, usual, why });

/** The schools. The answers are a house's preference; nothing follows from them without being shown. */
export const SCHOOLS = {
  hairlinePartings: school(
    'Partings at the hairline',
    { parallel: 'parallel to it', triangles: 'diagonal-back triangles', vertical: 'vertical foils' },
    'parallel',
    'Parallel foils leave no unlit place when hair is tied back.',
  ),
  hairlineGather: school(
    'First at the hairline',
    { weave: 'a fine weave, never a slice', slice: 'a slice' },
    'weave',
    'A solid edge at the hairline shows a hard line as it grows.',
  ),
  hairlineWeight: school(
    'Where the finest foils go',
    { finest: 'finest at the hairline', boldest: 'boldest at the hairline' },
    'finest',
    'The hairline is seen every day, close, and grows out first.',
  ),
  product: school(
    'Painting in the foil',
    { edge: 'to the foil’s edge', gap: 'with a gap at the edge' },
    'gap',
    'A gap keeps product from bleeding out as it swells.',
  ),
  part: school(
    'At the part',
    { natural: 'a natural sliver stays between', foil: 'a foil lies in the part' },
    'natural',
    'A sliver lets the part move and grow out without a stripe.',
  ),
  volume: school(
    'Strength',
    { low: 'low volume, long', standard: 'standard volume, well saturated' },
    'low',
    'Low volume gives more time and is kinder; it asks for patience.',
  ),
  front: school(
    'Front of the head',
    { weaker: 'weaker', stronger: 'stronger, to catch up' },
    'weaker',
    'Hair at the front is finest and lifts first.',
  ),
  hairlineBowl: school(
    'Bowl at the hairline',
    { fresh: 'a fresh one, as everywhere', old: 'the old one is used up there' },
    'fresh',
    'What a fresh bowl does is known; an old one is weaker by how long it stood.',
  ),
  feather: school(
    'Where light begins',
    { feather: 'feathered far', clean: 'a clean line on dark hair' },
    'feather',
    'A feathered start hides the root line for weeks.',
  ),
  lowlights: school(
    'Lowlights',
    { yes: 'when depth is missing', no: 'never' },
    'yes',
    'Depth makes light look lighter without more of it.',
  ),
  rootShadow: school(
    'Shadow at the root',
    { spacing: 'made by the spacing', routine: 'a root shadow as routine' },
    'spacing',
    'What the spacing gives needs no second step and no second price.',
  ),
  sides: school(
    'Left and right',
    { mirrored: 'mirrored', uneven: 'deliberately uneven' },
    'mirrored',
    'A mirrored plan is the retouch goes exactly over it.',
  ),
  order: school(
    'Order of work',
    { quadrants: 'structured quadrants', free: 'free' },
    'quadrants',
    'Quadrants are found again by anybody in the house.',
  ),
  rinse: school(
    'Rinsing',
    { stages: 'in stages', once: 'all at once' },
    'stages',
    'The first foils have been on for longest.',
  ),
  price: school(
    'Price',
    { flat: 'flat, with add-ons', budget: 'to a budget' },
    'flat',
    'A flat price can be said before the start.',
  ),
  heat: school(
    'Heat',
    { none: 'none', heat: 'where the maker allows it' },
    'none',
    'Heat lifts faster than it can be watched.',
  ),
} satisfies Record<string, School>;

export type SchoolKey = keyof typeof SCHOOLS;
/** The answer that a house has chosen, by school. */
export type Schools = { readonly [K in SchoolKey]: keyof (typeof SCHOOLS)[K]['answers'] & string };

export const SCHOOL_KEYS = keysOf(SCHOOLS);

// Each key has the answer of its own school: no type says that of a record made key by key.
export const USUAL_SCHOOLS = Object.fromEntries(
  SCHOOL_KEYS.map((key) => [key, SCHOOLS[key].usual]),
) as unknown as Schools;
