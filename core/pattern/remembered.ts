/** A small memory that forgets what was longest unused. */
export class Remembered<T> {
  private readonly known = new Map<string, T>();
  constructor(private readonly size: number) {}

  get(key: string, make: () => T): T {
    const had = this.known.has(key);
    // What was kept may be undefined itself.
    const value = had ? (this.known.get(key) as T) : make();
    this.known.delete(key);
    this.known.set(key, value);
    const [oldest] = this.known.keys();
    if (this.known.size > this.size) this.known.delete(oldest);
    return value;
  }
}
