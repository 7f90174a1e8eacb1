import {
  follow,
  planFollowed,
  plansOf,
  Question,
  Search,
  USUAL_FRAME,
  USUAL_RULES,
  type Block,
  type ClockQuestion,
} from '../core/clock';
import { median, type Measure } from './measure';

/** So many foils in eight panels, ready after so many minutes. */
function eightPanels(foils: number, readyMinutes: number): Block[] {
  const parts = ['back', 'back', 'side-l', 'side-r', 'top-l', 'top-r', 'face-l', 'face-r'] as const;
  return parts.map((part, b): Block => ({
    id: `p${b}`,
    panel: `p${b}`,
    name: `Panel ${b + 1}`,
    foils: Array.from({ length: Math.floor(((b + 1) * foils) / 8) - Math.floor((b * foils) / 8) }, () => ({
      seconds: 62,
      mixes: ['A'],
      readyMinutes,
      limitMinutes: 45,
      part,
    })),
  }));
}

/**
 * The clock of 130 foils in eight panels: the plan to follow, all of them, and the rest of a service at its
 * middle.
 */
export function clockMeasures(baselineMs: number): Measure[] {
  let turn = 0;
  const next = (): ClockQuestion => ({
    blocks: eightPanels(130, 28 + (turn++ % 8)),
    rules: USUAL_RULES,
    frame: USUAL_FRAME,
    fixed: {},
    strengths: false,
    chosen: null,
  });
  const first = (question: ClockQuestion) =>
    new Search(question.blocks, question.rules).find({ visits: 1, pulling: 'own', order: 'own' });
  const line = (name: string, medianMs: number, budgetMs: number): Measure => ({
    name,
    medianMs,
    ratio: medianMs / baselineMs,
    budgetMs,
  });
  const small: ClockQuestion = { ...next(), blocks: eightPanels(6, 30) };
  const exact = new Search(small.blocks, small.rules).find({ visits: 1, pulling: 'own', order: 'own' });
  const gap = planFollowed(next()).gapMinutes;
  const gapWords = `may be ${Math.round(gap)} min from the best; 6 foils: ${exact.head.free.toFixed(1)} min, exact`;
  return [
    line('clock, 130 foils in 8 panels: first plan', median(next, first), 100),
    line(`clock, all plans (${gapWords})`, median(next, plansOf), 1000),
    line(
      'clock at the chair: the rest, followed',
      median(next, ({ blocks, rules }) =>
        follow(new Question(blocks, rules), {
          order: blocks.map((_, b) => b),
          rinses: [],
          pulling: 'own',
          by: [],
          strengths: [],
        }),
      ),
      150,
    ),
  ];
}
