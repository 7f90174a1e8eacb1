import type { PatternMessage } from '@/workers/pattern';
import type { PatternAsks, PatternVerb } from '@/workers/pattern-asks';

/** Questions to the pattern worker: long computation off the page's own thread. */
export class PatternWorker {
  private readonly worker = new Worker(new URL('../../workers/pattern.ts', import.meta.url), {
    type: 'module',
  });
  private readonly open = new Map<number, { resolve(answer: unknown): void; reject(error: Error): void }>();
  private next = 1;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<{ id: number; answer: unknown }>) => {
      this.open.get(data.id)?.resolve(data.answer);
      this.open.delete(data.id);
    };
    this.worker.onerror = (event) => {
      for (const { reject } of this.open.values()) reject(new Error(event.message));
      this.open.clear();
    };
  }

  ask<V extends PatternVerb>(verb: V, ask: PatternAsks[V]['ask']): Promise<PatternAsks[V]['answer']> {
    const id = this.next;
    this.next += 1;
    return new Promise((resolve, reject) => {
      this.open.set(id, { resolve: resolve as (answer: unknown) => void, reject });
      this.worker.postMessage({ id, verb, ask } satisfies PatternMessage);
    });
  }

  /** Stops what is under way; nothing that was asked is answered any more. */
  stop(): void {
    this.worker.terminate();
    this.open.clear();
  }
}
