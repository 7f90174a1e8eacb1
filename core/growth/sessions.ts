/** A visit as far as levels go: what was reached in the foils. */
export interface LevelVisit {
  readonly on: string;
  readonly reached: number;
}

export interface Sessions {
  /** Levels still missing. */
  readonly missing: number;
  /** Levels that a further visit is expected to bring, by their own visits and the usual. */
  readonly gain: number;
  /** Visits still expected; 0 when the goal is reached. */
  readonly visits: number;
  /** How many of their own steps the gain rests on. */
  readonly steps: number;
}

/**
 * What a further visit brings on hair that is on its way, levels, and for how many steps of one's own it
 * counts. Working assumption.
 */
const USUAL_GAIN = 1.5;
const USUAL_WEIGHT = 2;
/** Nothing is forced: no visit counts for more. */
const MOST_GAIN = 3;
const LEAST_GAIN = 0.5;
/** As near as an eye reads a level. */
export const NEAR = 0.25;

/**
 * Visits still expected until a level is reached: what is missing by what a visit brings, which is the usual
 * gain drawn towards
 * their own steps. A step counts from one visit to a later one that was still short of the goal. An estimate.
 * @param visits oldest first
 * @param from level to start from without a visit: that of the hair
 */
export function sessionsToGoal(visits: readonly LevelVisit[], goal: number, from: number): Sessions {
  const best = visits.reduce((most, { reached }) => Math.max(most, reached), from);
  const gains = visits
    .slice(1)
    .flatMap(({ reached }, i) =>
      visits[i].reached < goal - NEAR ? [Math.min(MOST_GAIN, Math.max(0, reached - visits[i].reached))] : [],
    );
  const gain = Math.max(
    LEAST_GAIN,
    (USUAL_GAIN * USUAL_WEIGHT + gains.reduce((sum, own) => sum + own, 0)) / (USUAL_WEIGHT + gains.length),
  );
  const missing = Math.max(0, goal - best);
  return {
    missing,
    gain,
    steps: gains.length,
    visits: missing <= NEAR ? 0 : Math.ceil((missing - NEAR) / gain),
  };
}
