import type { WearAnswer, WearMessage } from '@/workers/wear';
import type { WearAsks, WearKind } from '@/workers/wear-asks';

/** What has come of a question so far. */
type Heard<A> = Pick<WearAnswer, 'done' | 'progress' | 'problem'> & { readonly answer?: A };

interface Open {
  readonly id: number;
  take(heard: Heard<unknown>): void;
}

/**
 * Questions to the wear worker. Each goes on a channel: asking again on the same one gives the older question
 * up. One worker
 * serves the page, since it remembers heads and ways of wearing.
 */
class WearWorker {
  private worker: Worker | undefined;
  private readonly open = new Map<string, Open>();
  private next = 1;

  ask<K extends WearKind>(
    channel: string,
    order: number,
    kind: K,
    ask: WearAsks[K]['ask'],
    take: (heard: Heard<WearAsks[K]['answer']>) => void,
  ): () => void {
    const id = this.next;
    this.next += 1;
    this.open.set(channel, { id, take: take as Open['take'] });
    this.post({ channel, id, order, kind, ask });
    return () => {
      if (this.open.get(channel)?.id !== id) return;
      this.open.delete(channel);
      this.post({ channel, id, order, kind, ask: undefined });
    };
  }

  private post(message: WearMessage): void {
    this.worker ??= this.begin();
    this.worker.postMessage(message);
  }

  private begin(): Worker {
    const worker = new Worker(new URL('../../workers/wear.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<WearAnswer>) => {
      const open = this.open.get(data.channel);
      if (open?.id === data.id) open.take(data);
    };
    worker.onerror = (event) => {
      for (const open of this.open.values()) open.take({ done: true, problem: event.message });
    };
    return worker;
  }
}

export const wearWorker = new WearWorker();
