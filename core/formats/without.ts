/** An object without some of its fields. */
export function without<T extends object, K extends keyof T>(value: T, ...keys: readonly K[]): Omit<T, K> {
  return Object.fromEntries(Object.entries(value).filter(([key]) => !keys.includes(key as K))) as Omit<T, K>;
}
