import 'server-only';
import { watch } from './queries';

/** What is told to whoever listens, for as long as they do. */
export interface EventStream {
  /** Whether somebody listens still. */
  isOpen(): boolean;
  write(text: string): void;
  close(): void;
  /** What ends with the stream, or at once where that is over already. */
  until(end: () => void): void;
}

/**
 * Server-sent events as an answer.
 * @param of what they tell, for the count of open streams
 * @param begin tells what there is, and arranges for the rest
 */
export function eventStream(
  of: string,
  signal: AbortSignal,
  begin: (stream: EventStream) => Promise<void>,
): Response {
  const encoder = new TextEncoder();
  let stop: () => void = () => undefined;
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      let open = true;
      const endings: (() => void)[] = [];
      const close = () => {
        if (!open) return;
        open = false;
        for (const end of endings) end();
        try {
          controller.close();
        } catch {
          // Closed by the reader already.
        }
      };
      const until = (end: () => void) => void (open ? endings.push(end) : end());
      stop = close;
      signal.addEventListener('abort', close);
      watch().streams.inc({ of });
      until(() => watch().streams.dec({ of }));
      // Whoever asked may have gone before this.
      if (signal.aborted) close();
      await begin({
        isOpen: () => open,
        write: (text) => void (open && controller.enqueue(encoder.encode(text))),
        close,
        until,
      });
    },
    cancel: () => stop(),
  });
  return new Response(body, {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    },
  });
}
