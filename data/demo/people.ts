import type { DayHours, WorkingHours } from '../../core/diary';

const HALF_PAST_NINE_TO_SIX: DayHours = { from: 9 * 60 + 30, to: 18 * 60 };

/** Password of every demo account; shown on the sign-in page while the demo data is loaded. */
export const DEMO_PASSWORD = 'dappled-leaf';

interface DemoPerson {
  readonly name: string;
  readonly email: string;
  readonly role: 'owner' | 'colourist' | 'assistant';
  /** When they work, where that is not as the salon is open. */
  readonly hours?: WorkingHours;
}

export interface DemoSalon {
  readonly name: string;
  readonly people: readonly DemoPerson[];
}

/**
 * Two salons of our own invention: the first to work in, the second to see that it sees nothing of the first.
 */
export const DEMO_SALONS: readonly DemoSalon[] = [
  {
    name: 'Fernhollow Colour Rooms',
    people: [
      { name: 'Ottilie Marsh', email: 'ottilie@fernhollow.example', role: 'owner' },
      {
        name: 'Bram Vale-Osei',
        email: 'bram@fernhollow.example',
        role: 'colourist',
        hours: {
          week: [
            null,
            HALF_PAST_NINE_TO_SIX,
            HALF_PAST_NINE_TO_SIX,
            { from: 12 * 60, to: 19 * 60 },
            HALF_PAST_NINE_TO_SIX,
            HALF_PAST_NINE_TO_SIX,
            null,
          ],
          off: [],
        },
      },
      { name: 'Suki Thornfield', email: 'suki@fernhollow.example', role: 'assistant' },
    ],
  },
  {
    name: 'Osier Yard',
    people: [{ name: 'Leocadia Prewitt', email: 'leocadia@osieryard.example', role: 'owner' }],
  },
];
