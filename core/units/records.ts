/*
 * Object.keys and its like answer with strings, since a value may have more keys than its type names. The records that
 * are taken apart here are written out in the code or were read by a schema, and have no others.
 */

/** Keys of a record, as its type names them. */
export const keysOf = <T extends object>(record: T): readonly (keyof T & string)[] =>
  Object.keys(record) as (keyof T & string)[];

/** Keys and values of a record; of one that may lack keys, those that are there. */
export const entriesOf = <K extends string, V>(record: Readonly<Partial<Record<K, V>>>): readonly [K, V][] =>
  Object.entries(record) as [K, V][];

/** Whether a value is one of a list: a word from outside becomes one of those that are known. */
export const isOneOf = <T>(list: readonly T[], value: unknown): value is T =>
  (list as readonly unknown[]).includes(value);

/** A record with the value of each key. */
export const byKey = <K extends string, V>(
  keys: readonly K[],
  valueOf: (key: K, index: number) => V,
): Record<K, V> => Object.fromEntries(keys.map((key, index) => [key, valueOf(key, index)])) as Record<K, V>;
