/** A type as a reader sees it: nothing in it can be written. */
type DeepReadonly<T> = T extends object ? { readonly [K in keyof T]: DeepReadonly<T[K]> } : T;

/**
 * True when each of two shapes fits the other; otherwise never, so that a constant of this type fails to
 * compile.
 */
type SameShape<A, B> = DeepReadonly<A> extends B ? (B extends DeepReadonly<A> ? true : never) : never;

/** Does nothing where two shapes are the same, and does not compile where they have drifted apart. */
export function sameShape<A, B>(_: SameShape<A, B>): void {}
