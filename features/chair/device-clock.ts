const KEY = 'lattice/chair/clock';

/**
 * The server's time as far as this device knows it: its own clock, right or wrong, and how far that was off
 * when it last heard.
 */
export class DeviceClock {
  private offset: number;

  constructor(
    private readonly storage: Pick<Storage, 'getItem' | 'setItem'> | null,
    private readonly own: () => number = () => Date.now(),
  ) {
    const kept = Number(storage?.getItem(KEY) ?? 0);
    this.offset = Number.isFinite(kept) ? kept : 0;
  }

  /** Milliseconds since 1970 by the server. */
  now(): number {
    return this.own() + this.offset;
  }

  /** The device's own moment, to measure an answer from. */
  mark(): number {
    return this.own();
  }

  /** Takes the server's time out of an answer: it was so in the middle of the waiting. */
  heard(serverNow: number, askedAt: number): void {
    const offset = serverNow - (askedAt + this.own()) / 2;
    // A heartbeat's delay is no news.
    if (Math.abs(offset - this.offset) < 100) return;
    this.offset = offset;
    try {
      this.storage?.setItem(KEY, String(offset));
    } catch {
      // Kept in memory then.
    }
  }
}
