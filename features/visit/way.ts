/**
 * The way between steps. The framework writes the address of what it has drawn, a moment after it was asked:
 * of two quick moves the first
 * would write over the second. So one is under way at a time, and the newest of those that came meanwhile
 * follows it.
 */
export class Way {
  private underWay: string | undefined;
  private next: string | undefined;

  /** Where it will have led. */
  get end(): string {
    return this.next ?? this.underWay ?? window.location.pathname;
  }

  go(path: string): void {
    if (this.underWay !== undefined) {
      this.next = path;
      return;
    }
    if (path === window.location.pathname) return;
    this.underWay = path;
    window.history.pushState(null, '', path);
    window.scrollTo(0, 0);
  }

  /** The page of a path is drawn. */
  arrived(path: string): void {
    const { next } = this;
    this.underWay = this.next = undefined;
    if (next !== undefined && next !== path) this.go(next);
  }
}
