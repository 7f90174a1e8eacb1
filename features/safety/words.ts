import type { CautionKey } from '@/core/caution';
import type { ConsentKind } from '@/core/visit';

/** Reasons that are often true, to be taken with one press and changed where they are not. */
export const USUAL_REASONS: Partial<Record<CautionKey, readonly string[]>> = {
  'alert-test': [
    'Same product within the last weeks, no reaction.',
    'No deposit colour today.',
    'Test declined by the client, in writing.',
  ],
  'allergy-unasked': ['Asked now: none known.'],
  'scalp-unseen': ['Checked now: sound.'],
  'dye-unasked': ['Asked now: none.'],
  age: ['Local law asks for no consent here.', 'The guardian is present.'],
  stretchy: ['Only hair that is sound is foiled.'],
  'strong-hairline': [
    'Checked: strong hair there. Watched from the first foil.',
    'Placed last, with an older bowl.',
  ],
  'strong-fragile': ['Only the sound hair of the zone is foiled.'],
  overlap: [
    'The lengths are to be lifted again; a strand was tested.',
    'Product stops at the old light; the foil only holds it.',
  ],
  heat: ['The leaflet allows it; the last quarter of an hour only, watched.'],
  'over-time': ['Rinsed on colour; looked at every five minutes past the limit.'],
};

/** What is signed, as the client reads it. */
export const CONSENT_WORDS: Record<ConsentKind, { readonly name: string; readonly words: string }> = {
  photo: {
    name: 'Photos',
    words:
      'Photos of my hair may be taken and kept with my record. They are shown to nobody outside this salon. I can withdraw this at any time.',
  },
  service: {
    name: 'The service',
    words:
      'I was told what is planned, what can go otherwise, and what an alert test and a strand test are for. What I said of my health and my hair is true as far as I know.',
  },
  reminders: {
    name: 'Reminders',
    words:
      'This salon may send me texts that remind me of an appointment or that a visit is due. They do not say what is done. I can withdraw this at any time.',
  },
  guardian: {
    name: 'Guardian',
    words: 'I am the guardian of this client and agree to the service that was explained to me.',
  },
};

export const RESULT_WORDS = {
  clear: 'clear',
  reaction: 'reaction',
  passed: 'passed',
  failed: 'failed',
} as const;
