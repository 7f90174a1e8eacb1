import type { ItemsRead } from '../bowl';
import type { CorrectionResult, RootResult, TonerResult } from '../mix';
import { HAIR_STATE_WORDS, TONER_PLACE_WORDS, type Correction, type VisitMix } from '../visit';

/** What a step is done with and where. */
export interface StepDetail {
  /** What is weighed into its bowl; a problem where it cannot be mixed. */
  readonly items: ItemsRead;
  /** On what hair: dry, damp, under a treatment; in words. */
  readonly hair: string;
  /** Where, in words. */
  readonly where: string;
}

/** A step of a visit once the foils are out; minutes from the end of the last rinse. */
export interface AfterStep {
  readonly id: string;
  readonly kind: 'wash' | 'correction' | 'root' | 'toner' | 'rinse' | 'dry';
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** null for steps without a bowl: wash, rinse, dry. */
  readonly detail: StepDetail | null;
}

/** What the colours of a visit are mixed of. */
export interface ColourResults {
  readonly toners: readonly {
    readonly id: string;
    readonly result: TonerResult | { readonly ok: false; readonly problem: string };
  }[];
  readonly root: RootResult | { readonly ok: false; readonly problem: string } | null;
  readonly corrections: readonly { readonly id: string; readonly result: CorrectionResult }[];
}

/** Minutes: washing and treating, putting one colour on, rinsing colour, drying. Working assumptions until a house has measured its own. */
export const AFTER_MINUTES = { wash: 8, putOn: 4, rinse: 5, dry: 25 } as const;

const CORRECTION_WORDS = { 'bleach-wash': 'Bleach wash', spot: 'Spot repair' } as const;

/**
 * What follows the foils: wash, corrections, root colour and toners, rinse, dry. Colours that stay on for different times are
 * put on one after the other, the longest first, so that they are done together.
 */
export function afterSteps(
  { corrections, root, toners }: Pick<VisitMix, 'corrections' | 'root' | 'toners'>,
  results: ColourResults,
): AfterStep[] {
  const steps: AfterStep[] = [];
  let at = 0;
  const add = (
    id: string,
    kind: AfterStep['kind'],
    name: string,
    minutes: number,
    detail: StepDetail | null = null,
  ) => {
    steps.push({ id, kind, name, from: at, to: at + minutes, detail });
    at += minutes;
  };
  const itemsOf = (
    result:
      | { readonly ok: true; readonly items: ItemsRead }
      | { readonly ok: false; readonly problem: string }
      | null
      | undefined,
  ): ItemsRead => (result?.ok ? result.items : { ok: false, problem: result?.problem ?? 'it is not mixed yet' });
  add('wash', 'wash', 'Wash and treat', AFTER_MINUTES.wash);
  for (const own of corrections)
    add(
      `correction ${own.id}`,
      'correction',
      `${CORRECTION_WORDS[own.kind]}${own.where ? `, ${own.where}` : ''}`,
      own.minutes,
      correctionDetail(own, results),
    );
  const colours = [
    ...(root
      ? [
          {
            id: 'root',
            kind: 'root' as const,
            name: 'Root colour',
            minutes: root.minutes,
            detail: { items: itemsOf(results.root), hair: HAIR_STATE_WORDS.damp, where: 'roots' },
          },
        ]
      : []),
    ...toners.map((own) => ({
      id: `toner ${own.id}`,
      kind: 'toner' as const,
      name: `Toner, ${TONER_PLACE_WORDS[own.where]}`,
      minutes: own.minutes,
      detail: {
        items: itemsOf(results.toners.find(({ id }) => id === own.id)?.result),
        hair: HAIR_STATE_WORDS[own.state],
        where: TONER_PLACE_WORDS[own.where],
      },
    })),
  ].sort((a, b) => b.minutes - a.minutes);
  if (colours.length > 0) {
    const begun = at;
    const done = Math.max(...colours.map(({ minutes }, i) => i * AFTER_MINUTES.putOn + minutes));
    let next = begun;
    for (const { id, kind, name, minutes, detail } of colours) {
      const from = Math.max(next, begun + done - minutes);
      steps.push({ id, kind, name, from, to: from + minutes, detail });
      next = from + AFTER_MINUTES.putOn;
    }
    at = Math.max(...steps.map(({ to }) => to));
    add('rinse', 'rinse', 'Rinse the colour', AFTER_MINUTES.rinse);
  }
  add('dry', 'dry', 'Dry', AFTER_MINUTES.dry);
  return steps;
}

function correctionDetail({ id, kind, where }: Correction, { corrections }: ColourResults): StepDetail {
  const items =
    corrections.find((own) => own.id === id)?.result.items ?? ({ ok: false, problem: 'it is not mixed yet' } as const);
  return { items, hair: kind === 'spot' ? HAIR_STATE_WORDS.dry : 'on wet hair', where };
}
