import type { ClientAnswers } from '@/core/consult';
import { mergeEdits } from '@/core/formats';

type AnswersState = 'saved' | 'saving' | 'away' | 'refused';

export interface AnswersSnapshot {
  readonly answers: ClientAnswers;
  readonly state: AnswersState;
  /** What is wrong, in a sentence. */
  readonly problem: string | undefined;
  /** They said that they are done. */
  readonly sent: boolean;
}

const WAIT_MS = 700;
const AGAIN_MS = 4000;
/** Only the beginning of the secret: what lies on a phone opens no page. */
const keyOf = (secret: string) => `lattice/p/${secret.slice(0, 12)}`;

interface Kept {
  readonly base: ClientAnswers;
  readonly document: ClientAnswers;
}

/**
 * The answers on a client's page: kept on the phone at once, on the server a moment later, and again until it
 * has them.
 */
export class AnswersKeeper {
  private base: ClientAnswers;
  private shown: AnswersSnapshot;
  private busy = false;
  private waits = false;
  private done = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly secret: string,
    initial: ClientAnswers,
    sent: boolean,
  ) {
    this.base = initial;
    this.shown = { answers: initial, state: 'saved', problem: undefined, sent };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  read = (): AnswersSnapshot => this.shown;

  /** Goes on with what was left over when the page was closed without a network. */
  resume(): void {
    const kept = this.leftOver();
    if (kept) this.change((now) => mergeEdits(kept.base, kept.document, now, 'mine').document);
  }

  change(next: (before: ClientAnswers) => ClientAnswers): void {
    this.show({ answers: next(this.shown.answers) });
    try {
      localStorage.setItem(
        keyOf(this.secret),
        JSON.stringify({ base: this.base, document: this.shown.answers } satisfies Kept),
      );
    } catch {
      // A phone that keeps nothing sends all the same.
    }
    this.waits = true;
    this.schedule(WAIT_MS);
  }

  /** They are done: what waits goes at once. */
  send(): void {
    this.done = true;
    this.waits = true;
    this.schedule(0);
  }

  stop(): void {
    clearTimeout(this.timer);
  }

  private leftOver(): Kept | undefined {
    try {
      return (JSON.parse(localStorage.getItem(keyOf(this.secret)) ?? 'null') as Kept | null) ?? undefined;
    } catch {
      return undefined;
    }
  }

  private schedule(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.save(), ms);
  }

  private async save(): Promise<void> {
    if (this.busy || !this.waits) return;
    this.busy = true;
    this.waits = false;
    const { done } = this;
    const document = this.shown.answers;
    this.show({ state: 'saving' });
    try {
      const response = await fetch(`/api/p/${this.secret}/answers`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ base: this.base, document, sent: done }),
      });
      const answer = (await response.json()) as { ok: boolean; problem?: string; document: ClientAnswers };
      if (response.status >= 500) throw new Error(answer.problem);
      if (answer.ok) this.saved(document, answer.document, done);
      else this.show({ state: 'refused', problem: answer.problem });
    } catch {
      this.waits = true;
      this.show({ state: 'away' });
      this.schedule(AGAIN_MS);
    } finally {
      this.busy = false;
    }
    if (this.waits && this.shown.state === 'saved') this.schedule(0);
  }

  /** What somebody answered on another phone meanwhile is shown here, too. */
  private saved(document: ClientAnswers, kept: ClientAnswers, done: boolean): void {
    this.base = kept;
    if (done) this.done = false;
    this.show({
      answers: mergeEdits(document, this.shown.answers, kept, 'mine').document,
      state: 'saved',
      problem: undefined,
      sent: this.shown.sent || done,
    });
    if (!this.waits) localStorage.removeItem(keyOf(this.secret));
  }

  private show(change: Partial<AnswersSnapshot>): void {
    this.shown = { ...this.shown, ...change };
    this.listeners.forEach((listener) => listener());
  }
}
