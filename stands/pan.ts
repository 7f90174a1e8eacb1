/** Faults that a stand can be put into. */
export const FAULTS = ['off', 'unplugged', 'silent', 'garbled'] as const;
export type Fault = (typeof FAULTS)[number];

/** Time in which a reading comes most of the way to a new weight, seconds. */
const SETTLING_SECONDS = 0.35;
/** A reading counts as settled when it lies this near to what is on the pan, g. */
const SETTLED_WITHIN = 0.15;
export const STEP_GRAMS = 0.1;
export const MOST_GRAMS = 2000;

/**
 * The pan of a simulated scale: what lies on it, how its reading settles and drifts. No clock of its own:
 * time is handed to it.
 */
export class Pan {
  private load = 0;
  private shown = 0;
  private zero = 0;
  private drifted = 0;
  /** Grams a minute that the zero wanders by. */
  driftPerMinute = 0;

  /** Puts something on, or takes it off (< 0). Never under nothing, never over what the scale bears. */
  pour(grams: number): void {
    this.load = Math.min(MOST_GRAMS, Math.max(0, this.load + grams));
  }

  clear(): void {
    this.load = 0;
  }

  /** What is on the pan counts as nothing from now on. @returns whether the reading stood still enough */
  tare(): boolean {
    if (!this.settled) return false;
    this.zero = this.shown;
    this.drifted = 0;
    return true;
  }

  /** Lets time pass. */
  pass(seconds: number): void {
    this.shown += (this.load - this.shown) * (1 - Math.exp(-seconds / SETTLING_SECONDS));
    this.drifted += (this.driftPerMinute * seconds) / 60;
  }

  private get settled(): boolean {
    return Math.abs(this.load - this.shown) <= SETTLED_WITHIN;
  }

  /** What the scale says, to its own step. */
  get reading(): { readonly grams: number; readonly settled: boolean } {
    const grams = this.shown - this.zero + this.drifted;
    return { grams: Math.round(grams / STEP_GRAMS) * STEP_GRAMS, settled: this.settled };
  }
}
