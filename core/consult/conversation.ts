import type { Consult } from '../visit';

/** The consultation in the order in which it is held. */
export const CHAPTERS = ['wish', 'worn', 'upkeep', 'history', 'map', 'head', 'safety', 'goals'] as const;
export type Chapter = (typeof CHAPTERS)[number];

export const CHAPTER_WORDS: Record<Chapter, string> = {
  wish: 'Wish',
  worn: 'How it is worn',
  upkeep: 'Upkeep',
  history: 'History',
  map: 'Hair map',
  head: 'Hairline and head',
  safety: 'Tests and cautions',
  goals: 'Goals',
};

/** How much of a chapter is answered: what was asked of what there is to ask. */
export interface Progress {
  readonly asked: number;
  readonly of: number;
}

const count = (answers: readonly unknown[]): Progress => ({
  asked: answers.filter((answer) => answer !== null && answer !== false).length,
  of: answers.length,
});

/**
 * How far the conversation has come, chapter by chapter. Brightness, levels and the head always hold
 * something, so they are not counted.
 */
export function progressOf(consult: Consult): Record<Chapter, Progress> {
  return {
    wish: count([consult.contrast, consult.tone, consult.faceFrame, consult.hairlineBlend]),
    worn: count([
      consult.wornUpShare,
      consult.wornHalfUpShare,
      consult.partMoves,
      consult.cowlick,
      consult.curl,
      consult.cut,
    ]),
    upkeep: count([consult.weeksBetween, consult.washesPerWeek]),
    history: count([consult.history.length > 0, consult.extensions]),
    map: count([Object.keys(consult.regrowthMm).length > 0, Object.keys(consult.map).length > 0]),
    head: count([]),
    safety: count([
      consult.health.allergy,
      consult.health.dyes,
      consult.health.scalp,
      consult.health.strandFeel,
    ]),
    goals: count([]),
  };
}
