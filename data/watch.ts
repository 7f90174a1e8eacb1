import { pino, type Logger } from 'pino';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { connectionsNow } from './database';

/**
 * What is counted of this process, and where it writes down what happens. Neither holds a word of a client or
 * a person.
 */
interface Watch {
  readonly registry: Registry;
  readonly log: Logger;
  /** Seconds of requests by method, route and status. */
  readonly requests: Histogram<'method' | 'route' | 'status'>;
  /** Edits of documents by part and what came of them. */
  readonly saves: Counter<'part' | 'came'>;
  /** Streams that are open, by what they tell. */
  readonly streams: Gauge<'of'>;
  /** What waits to be computed or is. */
  readonly computing: Gauge;
  /** Seconds in a thread by task and what came of it. */
  readonly computed: Histogram<'task' | 'came'>;
}

const SECONDS = [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 20];

function begin(): Watch {
  const registry = new Registry();
  const registers = [registry];
  // The process itself: memory, processor time, and how late its timers are, which is how long tasks hold it
  // up.
  collectDefaultMetrics({ register: registry });
  new Gauge({
    name: 'lattice_pool_connections',
    help: 'Connections to the database by what they do',
    labelNames: ['state'],
    registers,
    collect() {
      const { used, free, waitedFor } = connectionsNow();
      this.set({ state: 'used' }, used);
      this.set({ state: 'free' }, free);
      this.set({ state: 'waited for' }, waitedFor);
    },
  });
  return {
    registry,
    log: pino({
      level: process.env.LATTICE_LOG ?? 'info',
      base: null,
      timestamp: () => `,"at":"${new Date().toISOString()}"`,
    }),
    requests: new Histogram({
      name: 'lattice_request_seconds',
      help: 'Seconds of requests',
      labelNames: ['method', 'route', 'status'],
      buckets: SECONDS,
      registers,
    }),
    saves: new Counter({
      name: 'lattice_saves_total',
      help: 'Edits of documents',
      labelNames: ['part', 'came'],
      registers,
    }),
    streams: new Gauge({
      name: 'lattice_streams',
      help: 'Streams that are open',
      labelNames: ['of'],
      registers,
    }),
    computing: new Gauge({
      name: 'lattice_computing',
      help: 'Tasks that wait for a thread or are in one',
      registers,
    }),
    computed: new Histogram({
      name: 'lattice_computed_seconds',
      help: 'Seconds of tasks in threads',
      labelNames: ['task', 'came'],
      buckets: SECONDS,
      registers,
    }),
  };
}

// One for the process: the framework loads this module more than once.
const kept = globalThis as typeof globalThis & { latticeWatch?: Watch };

export const watch = (): Watch => (kept.latticeWatch ??= begin());

/**
 * An error as it may be written down: of what the database says only codes and names, since its words quote
 * what was sent.
 */
export function errorFacts(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { error: typeof error };
  const { code, table, constraint } = error as { code?: string; table?: string; constraint?: string };
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 8)
    .map((line) => line.trim());
  return code === undefined
    ? { error: error.name, message: error.message.slice(0, 300), frames }
    : { error: error.name, code, table, constraint, frames };
}

/** A path without what it tells of anybody: ids, secrets and file names of their own. */
export const routeOf = (pathname: string): string =>
  pathname
    .split('/')
    .map((part) =>
      /^[0-9a-f]{8}-[0-9a-f-]{27}$/.test(part)
        ? ':id'
        : /^[\w-]{24,}(\.ics)?$/.test(part) || part.includes('%')
          ? ':secret'
          : part.slice(0, 40),
    )
    .join('/');

/** Counts an edit of a document by what came of it. */
export const countSave = (part: string, came: string): void => watch().saves.inc({ part, came });
