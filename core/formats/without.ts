import { isOneOf } from '../units';

/** An object without some of its fields. */
export function without<T extends object, K extends keyof T>(value: T, ...keys: readonly K[]): Omit<T, K> {
  // What is filtered by its keys has lost their types.
  return Object.fromEntries(Object.entries(value).filter(([key]) => !isOneOf(keys, key))) as Omit<T, K>;
}
