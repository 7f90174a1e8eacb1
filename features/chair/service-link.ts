import {
  serviceState,
  type EventBody,
  type ServiceEvent,
  type ServiceScript,
  type ServiceState,
} from '@/core/chair';
import type { DeviceClock } from './device-clock';
import type { DeviceDb, KeptEvent, KeptService } from './device-db';
import type { DeviceFacts } from './types';

/** How a device and the server stand with each other. */
export type LinkStatus = 'opening' | 'live' | 'offline' | 'signed-out';

export interface LinkSnapshot {
  readonly visitId: string;
  readonly status: LinkStatus;
  /** Why there is nothing to show, in a sentence. */
  readonly problem: string | null;
  readonly service: KeptService | null;
  readonly events: readonly ServiceEvent[];
  readonly state: ServiceState | null;
  /** Events that the server has not taken yet. */
  readonly unsent: number;
  /** Nothing more can be kept on this device. */
  readonly full: boolean;
}

/** The world outside, so that tests can stand in for it. */
export interface LinkPorts {
  fetch(url: string, init?: RequestInit): Promise<Response>;
  /**
   * Listens to a stream; `onEvent` with each event's name and data, `onDown` when it broke.
   * @returns ends it
   */
  listen(url: string, onEvent: (name: string, data: string) => void, onDown: () => void): () => void;
  randomId(): string;
}

const RETRY_MS = [500, 1000, 2000, 4000];
const MOST_AT_ONCE = 200;
/**
 * The server's stream has a pulse every ten seconds; one that says nothing for so long has died without
 * saying so.
 */
const SILENCE_MS = 25_000;

type Taken = ServiceEvent & { readonly position: number };

/**
 * One service on one device: what happens is kept here first, shown at once, and sent when possible, in order
 * and exactly
 * once; what others do comes in over a stream.
 */
export class ServiceLink {
  private readonly listeners = new Set<() => void>();
  private readonly known = new Map<string, KeptEvent>();
  private service: KeptService | null = null;
  private status: LinkStatus = 'opening';
  private problem: string | null = null;
  private full = false;
  private snapshot: LinkSnapshot;
  private sending = false;
  private oneByOne = false;
  private readonly rejected = new Set<string>();
  private tries = 0;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private unlisten: (() => void) | undefined;
  private silence: ReturnType<typeof setTimeout> | undefined;
  private closed = false;
  /** Kept one after the other, so that what is sent was kept before. */
  private keeping: Promise<void> = Promise.resolve();

  // oxlint-disable-next-line max-params -- they are its fields
  constructor(
    readonly visitId: string,
    readonly device: string,
    private readonly db: DeviceDb | null,
    private readonly clock: DeviceClock,
    private readonly ports: LinkPorts,
  ) {
    this.snapshot = this.take();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  read = (): LinkSnapshot => this.snapshot;

  /** Shows what this device keeps, then what the server has. */
  async open(): Promise<void> {
    try {
      this.service = (await this.db?.service(this.visitId)) ?? null;
      for (const keptEvent of (await this.db?.events(this.visitId)) ?? [])
        this.known.set(keptEvent.id, keptEvent);
    } catch {
      this.full = true;
    }
    this.changed();
    await this.refresh();
  }

  /** Reads the service anew, listens, and sends what waits. */
  async refresh(): Promise<void> {
    if (this.closed) return;
    const askedAt = this.clock.mark();
    try {
      const response = await this.ports.fetch(`/api/services/${this.visitId}`, { cache: 'no-store' });
      const answer = (await response.json()) as { ok: boolean; problem?: string } & KeptService &
        DeviceFacts & { events: Taken[] };
      if (response.status >= 500) return this.down();
      if (!answer.ok) return this.refused(response.status, answer.problem ?? 'The service cannot be opened.');
      const {
        visitId,
        clientId,
        clientName,
        script,
        salonId,
        person,
        tapAnywhere,
        measures,
        written,
        events,
        serverNow,
      } = answer;
      this.clock.heard(serverNow, askedAt);
      this.service = {
        visitId,
        clientId,
        clientName,
        script,
        salonId,
        person,
        tapAnywhere,
        measures,
        written,
      };
      this.problem = null;
      this.status = 'live';
      this.tries = 0;
      this.merge(events);
      await this.keep(() => this.db?.putService(this.service!));
      this.listen();
      void this.send();
    } catch {
      this.down();
    }
  }

  /** Something happened here: shown at once, kept, then sent. @returns the event, for taking it back */
  act(body: EventBody): ServiceEvent {
    const event: ServiceEvent = {
      id: this.ports.randomId(),
      device: this.device,
      at: this.clock.now(),
      by: this.service?.person ?? '',
      body,
    };
    const kept: KeptEvent = { id: event.id, visitId: this.visitId, event, position: null };
    this.known.set(event.id, kept);
    this.changed();
    void this.keep(() => this.db?.putEvents([kept])).then(() => this.send());
    return event;
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.retry);
    this.deaf();
    this.listeners.clear();
  }

  /** The network is back, or somebody has signed in: at once, not after a wait. */
  retryNow(): void {
    this.tries = 0;
    clearTimeout(this.retry);
    this.retry = undefined;
    void this.refresh();
  }

  private refused(status: number, problem: string): void {
    this.status = status === 401 ? 'signed-out' : 'offline';
    // What is kept here goes on being shown.
    this.problem = problem;
    this.changed();
    if (status === 401) this.again();
  }

  private down(): void {
    if (this.closed) return;
    this.status = this.status === 'signed-out' ? 'signed-out' : 'offline';
    this.deaf();
    this.changed();
    this.again();
  }

  private again(): void {
    if (this.retry !== undefined || this.closed) return;
    const wait = RETRY_MS[Math.min(this.tries, RETRY_MS.length - 1)];
    this.tries += 1;
    this.retry = setTimeout(() => {
      this.retry = undefined;
      void this.refresh();
    }, wait);
  }

  private listen(): void {
    if (this.unlisten || this.closed) return;
    const last = Math.max(0, ...[...this.known.values()].map(({ position }) => position ?? 0));
    this.unlisten = this.ports.listen(
      `/api/services/${this.visitId}/stream?after=${last}`,
      (name, data) => {
        this.heard();
        if (name === 'now') this.clock.heard(Number(data), this.clock.mark());
        else if (name === 'happened') this.merge([JSON.parse(data) as Taken]);
      },
      () => this.down(),
    );
    this.heard();
  }

  private deaf(): void {
    clearTimeout(this.silence);
    this.unlisten?.();
    this.unlisten = undefined;
  }

  private heard(): void {
    clearTimeout(this.silence);
    this.silence = setTimeout(() => this.down(), SILENCE_MS);
  }

  /** Sends what the server has not taken, in order; the same again after a broken answer does no harm. */
  private async send(): Promise<void> {
    if (this.sending || this.closed || this.status !== 'live') return;
    this.sending = true;
    try {
      for (;;) {
        const waiting = this.waiting();
        if (waiting.length === 0) break;
        // In one batch the events of one device: after a reload those of the page before go first.
        const { device } = waiting[0].event;
        const batch = waiting
          .filter(({ event }) => event.device === device)
          .slice(0, this.oneByOne ? 1 : MOST_AT_ONCE)
          .map(({ event: { id, at, body } }) => ({ id, at, body }));
        const askedAt = this.clock.mark();
        const response = await this.ports.fetch(`/api/services/${this.visitId}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ device, deviceNow: this.clock.now(), events: batch }),
        });
        const answer = (await response.json()) as {
          ok: boolean;
          problem?: string;
          events: Taken[];
          serverNow: number;
        };
        if (response.status === 400) {
          // Something in it cannot be taken: found out one by one, said, and kept here; the rest goes on.
          if (this.oneByOne) {
            this.rejected.add(batch[0].id);
            this.problem = answer.problem ?? 'The server did not take one of the things that were done.';
            this.changed();
          }
          this.oneByOne = true;
          continue;
        }
        if (response.status >= 500) return this.down();
        if (!answer.ok) {
          this.refused(response.status, answer.problem ?? 'The server did not take what was done.');
          return;
        }
        this.clock.heard(answer.serverNow, askedAt);
        this.merge(answer.events);
      }
      this.tries = 0;
      this.oneByOne = false;
    } catch {
      this.down();
    } finally {
      this.sending = false;
    }
  }

  private waiting(): KeptEvent[] {
    return [...this.known.values()].filter(({ id, position }) => position === null && !this.rejected.has(id));
  }

  private merge(events: readonly Taken[]): void {
    const fresh: KeptEvent[] = [];
    for (const { position, ...event } of events) {
      const before = this.known.get(event.id);
      if (before?.position !== null && before !== undefined) continue;
      const keptEvent: KeptEvent = { id: event.id, visitId: this.visitId, event, position };
      this.known.set(event.id, keptEvent);
      fresh.push(keptEvent);
    }
    if (fresh.length > 0) void this.keep(() => this.db?.putEvents(fresh));
    this.changed();
  }

  /** Keeps something on the device; where nothing more can be kept it says so, and goes on. */
  private keep(write: () => Promise<void> | undefined): Promise<void> {
    this.keeping = this.keeping.then(async () => {
      try {
        await write();
        if (this.full) {
          this.full = false;
          this.changed();
        }
      } catch {
        this.full = true;
        this.changed();
      }
    });
    return this.keeping;
  }

  private changed(): void {
    this.snapshot = this.take();
    this.listeners.forEach((listener) => listener());
  }

  private take(): LinkSnapshot {
    const events = [...this.known.values()].map(({ event, position }) =>
      position === null ? event : { ...event, position },
    );
    const script: ServiceScript | undefined = this.service?.script;
    return {
      visitId: this.visitId,
      status: this.status,
      problem: this.problem,
      service: this.service,
      events,
      full: this.full,
      state: script ? serviceState(script, events) : null,
      unsent: [...this.known.values()].filter(({ position }) => position === null).length,
    };
  }
}
