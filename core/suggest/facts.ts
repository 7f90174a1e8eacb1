import type { Plan } from '../pattern';
import type { Schools } from '../school';

/** What a suggestion rests on; what is not known is null and gives no reason. */
export interface SuggestFacts {
  readonly on: Pick<Plan, 'head' | 'hair' | 'foil'>;
  /** Wish for brightness, 1–5. */
  readonly brightness: number;
  readonly naturalLevel: number;
  readonly goalLevel: number;
  readonly schools: Schools;
  /** Time that there is for the foils, minutes. */
  readonly minutes: number | null;
  /** Share of the time that hair is tied up, 0–1. */
  readonly wornUpShare: number | null;
  readonly weeksSinceLast: number | null;
  /** Share of grey, 0–1. */
  readonly greyShare: number | null;
  /** Weeks that the client lets pass between visits. */
  readonly weeksBetween: number | null;
  readonly contrast: 'blended' | 'defined' | 'high' | null;
  readonly partMoves: 'never' | 'sometimes' | 'often' | null;
}
