import { mergeEdits } from '@/core/formats';
import { setReached } from '@/ui/away';
import { clearBackup, readBackup, writeBackup, type Backup } from './backup';
import type { SaveAnswer } from './edits';
import type { VisitPart } from './types';

export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused';

interface Handlers {
  /** The state to show, with a sentence where something is wrong. */
  onState(state: SaveState, problem?: string): void;
  /** An edit was refused and kept as a draft; the saved version must be fetched. */
  onRefused(refused: Refused): void;
  /** An edit was saved together with somebody else's: from what was sent to what is saved now. */
  onMerged(sent: unknown, saved: unknown, draft: Refused | undefined): void;
}

interface Refused {
  readonly document: unknown;
  readonly editId: string;
}

const WAIT_MS = 350;
const SETTLE_MS = 4000;
const RETRY_MS = [1000, 2000, 4000, 8000, 15_000];

/**
 * Saves one part of a visit by itself: the newest edit a moment after the last change, one request at a time,
 * again and
 * again while the network is down. Each edit has an id of its own, so an edit whose answer was lost is never
 * taken twice.
 */
export class PartSaver {
  private pending: Backup | undefined;
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private failures = 0;
  /** Edits sent since the last answer: each may or may not have been taken. */
  private unanswered: string[] = [];

  constructor(
    private readonly visitId: string,
    readonly part: VisitPart,
    private saved: { readonly revision: number; readonly document: unknown },
    private readonly handlers: Handlers,
  ) {}

  get baseRevision(): number {
    return this.saved.revision;
  }

  /** The version that the next edit is based on. */
  get base(): unknown {
    return this.saved.document;
  }

  get dirty(): boolean {
    return this.pending !== undefined || this.sending;
  }

  /** An edit left over from a window that closed before it was answered. */
  leftOver(): Backup | undefined {
    return readBackup(this.visitId, this.part);
  }

  /** Takes the saved version as the base of the next edit. */
  rebase(saved: { readonly revision: number; readonly document: unknown }): void {
    this.saved = saved;
  }

  /** Hands an edit over for saving. */
  put(document: unknown): void {
    this.wait(
      {
        baseRevision: this.saved.revision,
        editId: crypto.randomUUID(),
        base: this.saved.document,
        document,
        following: this.unanswered,
      },
      WAIT_MS,
    );
  }

  /** Goes on with an edit left over from a window that closed. */
  resume(left: Backup): void {
    this.unanswered = [...left.following, left.editId];
    this.wait(left, 0);
  }

  private wait(edit: Backup, ms: number): void {
    this.pending = edit;
    writeBackup(this.visitId, this.part, edit);
    this.handlers.onState('waiting');
    this.schedule(ms);
  }

  /** Sends at once what waits, in a request that outlives the page. */
  flush(): void {
    if (this.pending && !this.sending) void this.send(true);
  }

  /**
   * Sends what waits; settles when it has been answered, whatever the answer, or after a while without one.
   */
  async settled(): Promise<void> {
    this.retryNow();
    const until = Date.now() + SETTLE_MS;
    while (this.dirty && this.failures === 0 && Date.now() < until)
      await new Promise((again) => setTimeout(again, 30));
  }

  retryNow(): void {
    if (this.pending) this.schedule(0);
  }

  stop(): void {
    clearTimeout(this.timer);
  }

  private schedule(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(false), ms);
  }

  private async send(keepalive: boolean): Promise<void> {
    if (this.sending || !this.pending) return;
    const edit = this.pending;
    this.sending = true;
    this.unanswered = [...this.unanswered.filter((id) => id !== edit.editId), edit.editId].slice(-20);
    this.handlers.onState('saving');
    let answer: SaveAnswer | undefined;
    let away: string | undefined;
    try {
      const response = await fetch(`/api/visits/${this.visitId}/${this.part}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        // A request that outlives the page may only be small: without its base an edit that comes late is
        // kept as a draft.
        body: JSON.stringify(keepalive ? { ...edit, base: undefined } : edit),
        keepalive,
      });
      const said = (await response.json()) as SaveAnswer & { problem?: string };
      if (response.status >= 500) away = said.problem;
      else answer = said;
    } catch {
      answer = undefined;
    }
    this.sending = false;
    setReached(answer !== undefined);
    this.settle(edit, answer, away);
  }

  private settle(edit: Backup, answer: SaveAnswer | undefined, away?: string): void {
    if (!answer) {
      this.handlers.onState(
        'offline',
        away ?? 'No connection: your work is kept on this device and saved when it is back.',
      );
      this.schedule(RETRY_MS[Math.min(this.failures, RETRY_MS.length - 1)]);
      this.failures += 1;
      return;
    }
    this.failures = 0;
    const newer = this.pending !== edit ? this.pending : undefined;
    if (answer.ok) {
      const { merged } = answer;
      this.saved = { revision: answer.revision, document: merged ? merged.document : edit.document };
      this.unanswered = [];
      this.pending = newer && {
        ...newer,
        baseRevision: answer.revision,
        following: [],
        base: this.saved.document,
        document: merged
          ? mergeEdits(edit.document, newer.document, merged.document, 'mine').document
          : newer.document,
      };
      if (this.pending) {
        writeBackup(this.visitId, this.part, this.pending);
        this.schedule(0);
      } else {
        clearBackup(this.visitId, this.part);
        this.handlers.onState('saved');
      }
      if (merged)
        this.handlers.onMerged(
          edit.document,
          merged.document,
          merged.draft === null ? undefined : { document: merged.draft, editId: edit.editId },
        );
      return;
    }
    if (answer.reason === 'stale' || answer.reason === 'signed') {
      const refused = newer ?? edit;
      if (newer) {
        // The draft must hold the newest edit: send it too, on the same old base, then report.
        this.schedule(0);
        return;
      }
      this.pending = undefined;
      this.unanswered = [];
      clearBackup(this.visitId, this.part);
      this.handlers.onRefused(refused);
      return;
    }
    this.handlers.onState('refused', answer.problem);
    if (answer.reason === 'signed-out') this.schedule(RETRY_MS[3]);
    else if (newer) this.schedule(0);
  }
}
