/** A type with all of its fields there and none that can be written: what is left is which fields it has. */
type Complete<T> = T extends object ? { readonly [K in keyof T]-?: Complete<Exclude<T[K], undefined>> } : T;

/**
 * True when two shapes have the same fields, optional ones too; otherwise never, so that a call with true fails to
 * compile.
 */
type SameShape<A, B> =
  Complete<A> extends Complete<B> ? (Complete<B> extends Complete<A> ? true : never) : never;

/**
 * Does nothing where a schema and the type that is read with it are the same, and does not compile where one has a
 * field that the other lacks.
 */
export function sameShape<A, B>(_: SameShape<A, B>): void {}
