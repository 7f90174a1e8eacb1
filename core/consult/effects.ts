import {
  bySoonest,
  lineWeeks,
  lineWords,
  tonerWeeks,
  visibleLine,
  type GrowthRate,
  type RootLine,
} from '../growth';
import { greyShareOf } from '../hair-map';
import { brightnessStep } from '../pattern';
import { capital, formatLevel, percent } from '../units';
import { timeThereIs, type Consult, type House } from '../visit';
import type { Chapter } from './conversation';

/** What an answer changes in the plan. */
export interface Effect {
  readonly chapter: Chapter;
  /** The question: `Tied up`. */
  readonly answer: string;
  readonly changes: string;
}

/**
 * What the answers given so far change in the plan, in the order of the conversation: what the program does
 * with an answer,
 * with its figure, or what the trade asks of the plan because of it.
 */
export function effectsOf({
  consult,
  house,
  growth,
  lines,
  sayMoney,
}: {
  readonly consult: Consult;
  readonly house: House;
  readonly growth: GrowthRate;
  readonly lines: readonly RootLine[] | null;
  readonly sayMoney: (minor: number) => string;
}): Effect[] {
  const out: Effect[] = [];
  const add = (chapter: Chapter, answer: string, changes: string) => out.push({ chapter, answer, changes });
  wish(consult, add);
  worn(consult, add);
  upkeep({ consult, house, growthRate: growth, lines, sayMoney, add });
  history(consult, add);
  const grey = greyShareOf(consult);
  if (grey !== null)
    add(
      'map',
      `${percent(grey)} grey where it was seen`,
      grey >= 0.3
        ? 'Grey blending is suggested before covering it.'
        : 'Too little grey to plan for blending.',
    );
  const lifts = Object.values(consult.map).flatMap((seen) => seen?.naturalLevel ?? []);
  if (lifts.length > 0)
    add(
      'map',
      'Natural level differs by zone',
      `The lift starts from ${formatLevel(Math.min(consult.naturalLevel, ...lifts))} at the darkest, so the same mix is not ready everywhere at once.`,
    );
  if (consult.goals.length > 0)
    add(
      'goals',
      `${consult.goals.length} target${consult.goals.length === 1 ? '' : 's'}`,
      `This visit is planned to “${consult.goals[0].words}”, not to the last of them.`,
    );
  return out;
}

type Add = (chapter: Chapter, answer: string, changes: string) => void;

function wish(consult: Consult, add: Add): void {
  const step = brightnessStep(consult.brightness);
  add(
    'wish',
    `Brightness: ${step.words}`,
    `Patterns that lighten ${Math.round(step.share[0] * 100)}–${Math.round(step.share[1] * 100)}% of the hair are suggested first.`,
  );
  if (consult.contrast === 'high')
    add('wish', 'High contrast', 'Deep weaves and slices are suggested first.');
  if (consult.contrast === 'blended')
    add('wish', 'Blended', 'Fine weaves and soft starts are suggested first.');
  if (consult.tone !== null)
    add('wish', consult.tone === 'bright' ? 'Bright white' : capital(consult.tone), TONES[consult.tone]);
  if (consult.skinTone === 'olive' || consult.skinTone === 'warm') {
    const much = consult.goalLevel - consult.naturalLevel >= 4;
    add(
      'wish',
      `${consult.skinTone === 'olive' ? 'Olive' : 'Warm'} skin`,
      much
        ? 'Only a hint: keep some warmth. On this base level 8 may look softer than 10.'
        : 'Only a hint: keep some warmth.',
    );
  }
  if (consult.faceFrame?.strength === 'bold')
    add(
      'wish',
      'Bold face frame',
      `The brightest foils go in the first ${consult.faceFrame.behindMm} mm; leave one plain drop-out behind them.`,
    );
  if (consult.faceFrame?.strength === 'soft')
    add(
      'wish',
      'Soft face frame',
      `Fine weaves in the first ${consult.faceFrame.behindMm} mm, carried on round the back.`,
    );
  if (consult.hairlineBlend === 'sun-touched')
    add('wish', 'Sun-touched hairline', 'Finest weave first at the hairline, weaker mix, no slice on it.');
  if (consult.hairlineBlend === 'strong')
    add('wish', 'Strong hairline', 'The first stitch takes the hairline hair itself.');
}

const TONES = {
  warm: 'Stop at gold. One level less of lift may do.',
  neutral: 'Lift to the goal level. The toner keeps the balance.',
  cool: 'Lift past gold, or the toner goes flat.',
  bright: 'It needs a very clean 10, which takes several visits on a dark base.',
} as const;

function worn(consult: Consult, add: Add): void {
  const { wornUpShare: up, wornHalfUpShare: half } = consult;
  if (up !== null)
    add(
      'worn',
      `Tied up ${percent(up)} of the time`,
      up >= 0.5
        ? 'The hairline band carries the look: patterns from the perimeter are suggested first.'
        : 'Worn down most of the time: the part and the top carry the look.',
    );
  if (half !== null && half > 0)
    add(
      'worn',
      `Half up ${percent(half)} of the time`,
      'The crown’s underneath shows: do not leave it dark.',
    );
  const { offsetMm, none } = consult.head.part;
  add(
    'worn',
    none
      ? 'No part'
      : offsetMm === 0
        ? 'Part in the middle'
        : `Part ${offsetMm > 0 ? 'left' : 'right'}, ${Math.abs(offsetMm)} mm`,
    none
      ? 'The sides are divided in the middle.'
      : 'The sides are sectioned down from it, and the shallow side is foiled first.',
  );
  if (consult.partMoves === 'often')
    add(
      'worn',
      'The part moves often',
      'Patterns that light the whole part panel are suggested first. Look at it parted elsewhere, too.',
    );
  if (consult.partMoves === 'never')
    add('worn', 'The part never moves', 'Foils can lie closest within 25 mm of the part.');
  if (consult.cowlick === 'crown' || consult.cowlick === 'both')
    add('worn', 'Cowlick at the crown', 'It splits there: keep the crown’s triangle foiled.');
}

function upkeep({
  consult,
  house,
  growthRate: { mmPerWeek },
  lines,
  sayMoney,
  add,
}: {
  readonly consult: Consult;
  readonly house: House;
  readonly growthRate: GrowthRate;
  readonly lines: readonly RootLine[] | null;
  readonly sayMoney: (minor: number) => string;
  readonly add: Add;
}): void {
  const { weeksBetween: weeks, washesPerWeek: washes } = consult;
  if (weeks !== null) {
    add(
      'upkeep',
      `Every ${weeks} weeks`,
      `About ${Math.round(mmPerWeek * weeks)} mm will have grown. ${lineSaid(consult, mmPerWeek, weeks, lines)}`,
    );
  }
  if (washes !== null)
    add(
      'upkeep',
      `${washes} ${washes === 1 ? 'wash' : 'washes'} a week`,
      `A toner lasts about ${Math.round(tonerWeeks(washes))} weeks.`,
    );
  const minutes = timeThereIs(house, consult.minutesAtMost);
  if (minutes !== null)
    add(
      'upkeep',
      `${minutes} min for the foils`,
      'Suggestions are thinned to fit, and the checks say when the plan runs over.',
    );
  if (consult.budgetMinor !== null)
    add(
      'upkeep',
      `Budget ${sayMoney(consult.budgetMinor)}`,
      'The checks say when the estimate runs over. Fit cuts the plan to the budget.',
    );
}

/**
 * When the pattern's own line is seen, once there is one; before that when a fine weave to the scalp would
 * show.
 */
function lineSaid(
  { goalLevel, naturalLevel }: Consult,
  mmPerWeek: number,
  weeks: number,
  lines: readonly RootLine[] | null,
): string {
  const holds = ({ growMm }: Pick<RootLine, 'growMm'>) => growMm >= weeks * mmPerWeek;
  if (lines === null) {
    const usual = {
      growMm: visibleLine({ edge: 'soft', contrast: Math.max(1, goalLevel - naturalLevel), mmPerWeek: 1 })
        .atMm,
    };
    return `A fine weave to the scalp shows its line ${lineWeeks(usual, mmPerWeek)}${holds(usual) ? ', which holds.' : ': start off the scalp and feathered.'}`;
  }
  const [line] = [...lines].sort(bySoonest);
  if (!line) return 'This pattern grows out without a root line.';
  return `${lineWords(line, mmPerWeek)}${holds(line) ? '' : ' Start off the scalp, or feather more.'}`;
}

function history(consult: Consult, add: Add): void {
  const dyes = consult.history.some(({ what }) => what === 'metallic' || what === 'plant');
  if (dyes) add('history', 'Metal-salt or plant dye', 'Nothing begins until a strand test has passed.');
  if (consult.history.some(({ what }) => what === 'permanent'))
    add(
      'history',
      'Permanent colour',
      'It lifts more slowly and may stop short. A strand test says how far.',
    );
  if (consult.extensions === 'worn')
    add('history', 'Extensions worn', 'Take them out after foiling, while the face frame processes.');
  if (consult.extensions === 'planned')
    add('history', 'Extensions to be added', 'Allow time for them after the rinse.');
  for (const { what, on } of consult.occasions) add('history', what, `To be ready by ${on}.`);
}
