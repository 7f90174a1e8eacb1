import type { CORRECTIONS, InspectionPoint, NEXT_WHAT, ZoneTone } from '@/core/visit';

/** What is looked at before they leave, as it is said. */
export const INSPECTION_WORDS: Readonly<Record<InspectionPoint, string>> = {
  'opened-foil': 'Last foil of a section opened',
  'wiped-overlaps': 'Wiped where panels overlap',
  'worn-down': 'Worn down',
  'part-moved': 'Part moved left and right',
  'brought-forward': 'Brought forward over the shoulders',
  'tied-back': 'Tied back: stripes, unlit places',
  underneath: 'Underneath lifted up',
  'crown-split': 'Crown blown open',
  'old-line': 'Blend at the old line',
  ends: 'Ends',
  'warm-band': 'Warm band where light starts',
  spots: 'Spots and bleeds',
  'left-right': 'Left against right',
  'grown-out': 'How it will look grown out',
  'same-light': 'Pictures in the same light',
};

export const MARK_OPTIONS = [
  { value: 'good', words: 'Good' },
  { value: 'mended', words: 'Put right' },
  { value: 'left', words: 'As it is' },
] as const;

export const CORRECTION_WORDS: Readonly<Record<(typeof CORRECTIONS)[number], string>> = {
  'tone-again': 'Toned again',
  'bleach-wash': 'Bleach wash',
  spot: 'Spot repaired',
  band: 'Band broken',
  'more-light': 'More light',
  lowlight: 'Lowlight put in',
  other: 'Something else',
};

export const TONE_WORDS: Readonly<Record<ZoneTone, string>> = {
  warm: 'warm',
  neutral: 'neutral',
  cool: 'cool',
  bright: 'bright',
  brassy: 'brassy',
};

export const NEXT_WORDS: Readonly<Record<(typeof NEXT_WHAT)[number], string>> = {
  toner: 'Toner',
  face: 'Face and hairline',
  full: 'Full',
};
