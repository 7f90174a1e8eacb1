import { connect, type Socket } from 'node:net';
import { LineBuffer, readScaleLine } from '@/core/scale';

/** What a scale tells those who listen. */
export type ScaleEvent =
  | { readonly kind: 'there'; readonly name: string; readonly simulated: boolean; readonly mostGrams: number }
  | { readonly kind: 'reading'; readonly grams: number; readonly settled: boolean }
  | { readonly kind: 'said'; readonly ok: boolean; readonly words: string }
  | { readonly kind: 'gone'; readonly words: string };

/** A scale, whatever it is connected by. */
export interface ScaleDriver {
  /** Calls back with the present state at once and with every event after it. @returns what ends it */
  listen(to: (event: ScaleEvent) => void): () => void;
  /** What is on the pan counts as nothing from now on. @returns whether the scale could be asked */
  tare(): boolean;
}

const RETRY_MS = 1000;
/**
 * A scale that is there speaks ten times a second: after this long without a reading it is taken for gone.
 */
const SILENCE_MS = 2500;

const NO_ANSWER =
  'The scale does not answer. Look at its plug; weigh by hand meanwhile, nothing entered is lost.';
const NO_READINGS =
  'The scale is connected and says no weight. Weigh by hand meanwhile, nothing entered is lost.';

/**
 * A scale that speaks the line protocol over TCP. Connected only while somebody listens; tries again for as
 * long as they do.
 */
export class LineScale implements ScaleDriver {
  private readonly listeners = new Set<(event: ScaleEvent) => void>();
  private socket: Socket | undefined;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private silence: ReturnType<typeof setTimeout> | undefined;
  private there: ScaleEvent | undefined;
  private state: ScaleEvent | undefined;

  constructor(
    private readonly host: string,
    private readonly port: number,
  ) {}

  listen(to: (event: ScaleEvent) => void): () => void {
    this.listeners.add(to);
    if (this.there) to(this.there);
    if (this.state) to(this.state);
    if (!this.socket && !this.retry) this.connect();
    return () => {
      this.listeners.delete(to);
      if (this.listeners.size === 0) this.stop();
    };
  }

  tare(): boolean {
    if (!this.socket || !this.there || this.socket.destroyed) return false;
    this.socket.write('TARE\n');
    return true;
  }

  private stop(): void {
    clearTimeout(this.retry);
    clearTimeout(this.silence);
    this.retry = this.silence = undefined;
    this.socket?.destroy();
    this.socket = this.there = this.state = undefined;
  }

  private tell(event: ScaleEvent): void {
    if (event.kind === 'gone' && this.state?.kind === 'gone' && this.state.words === event.words) return;
    if (event.kind === 'reading' || event.kind === 'gone') this.state = event;
    if (event.kind === 'there') this.there = event;
    for (const own of this.listeners) own(event);
  }

  private connect(): void {
    this.retry = undefined;
    const socket = connect(this.port, this.host);
    this.socket = socket;
    socket.setEncoding('ascii');
    const buffer = new LineBuffer();
    this.expectReading();
    socket.on('data', (piece) => {
      for (const line of buffer.take(String(piece))) this.read(line);
    });
    socket.on('error', () => socket.destroy());
    socket.on('close', () => {
      if (this.socket !== socket) return;
      clearTimeout(this.silence);
      this.socket = this.there = undefined;
      this.tell({ kind: 'gone', words: NO_ANSWER });
      if (this.listeners.size > 0) this.retry = setTimeout(() => this.connect(), RETRY_MS);
    });
  }

  private read(line: string): void {
    const said = readScaleLine(line);
    if (!said) return;
    if (said.kind === 'id')
      this.tell({ kind: 'there', name: said.name, simulated: said.simulated, mostGrams: said.mostGrams });
    else if (said.kind === 'reading') {
      this.expectReading();
      this.tell({ kind: 'reading', grams: said.grams, settled: said.settled });
    } else
      this.tell(
        said.kind === 'done'
          ? { kind: 'said', ok: true, words: said.command }
          : { kind: 'said', ok: false, words: said.words },
      );
  }

  private expectReading(): void {
    clearTimeout(this.silence);
    this.silence = setTimeout(() => this.tell({ kind: 'gone', words: NO_READINGS }), SILENCE_MS);
  }
}
