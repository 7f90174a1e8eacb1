/** A document with the revision that the next edit must be based on. */
export interface Revised<T> {
  readonly revision: number;
  readonly document: T;
}
