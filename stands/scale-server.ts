import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { LineBuffer, scaleLine } from '@/core/scale';
import { FAULTS, MOST_GRAMS, Pan, STEP_GRAMS, type Fault } from './pan';

const EVERY_MS = 100;

export interface ScaleStand {
  /** Where the scale is read. */
  readonly port: number;
  /** Where its pan is loaded and its faults are switched. */
  readonly controlPort: number;
  close(): Promise<void>;
}

/**
 * A bench scale that is simulated: it speaks the line protocol on one port of loopback and is handled on
 * another. Handling
 * lines: POUR <g>, CLEAR, DRIFT <g a minute>, FAULT off|unplugged|silent|garbled; each is answered OK or ERR.
 */
export async function startScale(port: number, controlPort: number): Promise<ScaleStand> {
  const pan = new Pan();
  let fault: Fault = 'off';
  const readers = new Set<Socket>();

  const scale = createServer((socket) => {
    // Unplugged: nobody answers.
    if (fault === 'unplugged') return void socket.destroy();
    readers.add(socket);
    socket.setEncoding('ascii');
    socket.on('error', () => socket.destroy());
    socket.on('close', () => readers.delete(socket));
    send(
      socket,
      scaleLine({
        kind: 'id',
        simulated: true,
        stepGrams: STEP_GRAMS,
        mostGrams: MOST_GRAMS,
        name: 'Simulated bench scale',
      }),
    );
    const buffer = new LineBuffer();
    socket.on('data', (piece) => {
      for (const line of buffer.take(String(piece))) {
        if (line !== 'TARE')
          send(socket, scaleLine({ kind: 'refused', words: `unknown command ${line.slice(0, 20)}` }));
        else
          send(
            socket,
            scaleLine(
              pan.tare() ? { kind: 'done', command: 'TARE' } : { kind: 'refused', words: 'the pan moves' },
            ),
          );
      }
    });
  });

  const control = createServer((socket) => {
    socket.setEncoding('ascii');
    socket.on('error', () => socket.destroy());
    const buffer = new LineBuffer();
    socket.on('data', (piece) => {
      for (const line of buffer.take(String(piece)))
        send(socket, handle(line) ? `OK ${line}` : `ERR ${line}`);
    });
  });

  function handle(line: string): boolean {
    const [command, given = ''] = line.split(' ');
    const grams = Number(given);
    if (command === 'CLEAR') pan.clear();
    else if (command === 'POUR' && given !== '' && Number.isFinite(grams)) pan.pour(grams);
    else if (command === 'DRIFT' && given !== '' && Number.isFinite(grams)) pan.driftPerMinute = grams;
    else if (command === 'FAULT' && (FAULTS as readonly string[]).includes(given)) {
      fault = given as Fault;
      if (fault === 'unplugged') for (const reader of readers) reader.destroy();
    } else return false;
    return true;
  }

  const beat = setInterval(() => {
    pan.pass(EVERY_MS / 1000);
    if (fault === 'silent' || fault === 'unplugged') return;
    const line = scaleLine({ kind: 'reading', ...pan.reading });
    for (const reader of readers) send(reader, fault === 'garbled' ? line.replace(/\d/g, '#') : line);
  }, EVERY_MS);

  await Promise.all([listen(scale, port), listen(control, controlPort)]);
  return {
    port: (scale.address() as AddressInfo).port,
    controlPort: (control.address() as AddressInfo).port,
    close: async () => {
      clearInterval(beat);
      for (const reader of readers) reader.destroy();
      await Promise.all([scale, control].map((server) => new Promise((resolve) => server.close(resolve))));
    },
  };
}

function send(socket: Socket, line: string): void {
  if (!socket.destroyed) socket.write(`${line}\n`);
}

function listen(server: Server, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve());
  });
}
