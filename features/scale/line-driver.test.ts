import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { LineScale, type ScaleEvent } from './line-driver';

let server: Server | undefined;
const sockets: Socket[] = [];
const stops: (() => void)[] = [];

async function scaleAt(port: number, say: string): Promise<number> {
  server = createServer((socket) => {
    sockets.push(socket);
    socket.on('error', () => socket.destroy());
    socket.on('data', (piece) => String(piece).includes('TARE') && socket.write('OK TARE\n'));
    socket.write(say);
  });
  await new Promise<void>((resolve) => server!.listen(port, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
}

async function unplug(): Promise<void> {
  sockets.splice(0).forEach((socket) => socket.destroy());
  await new Promise((resolve) => server?.close(resolve));
}

afterEach(async () => {
  stops.splice(0).forEach((stop) => stop());
  await unplug().catch(() => undefined);
});

function listening(scale: LineScale) {
  const events: ScaleEvent[] = [];
  const waiting: { fits: (event: ScaleEvent) => boolean; done: (event: ScaleEvent) => void }[] = [];
  stops.push(
    scale.listen((event) => {
      events.push(event);
      for (const own of waiting) if (own.fits(event)) own.done(event);
    }),
  );
  return {
    events,
    next: (kind: ScaleEvent['kind']) =>
      new Promise<ScaleEvent>((done) => waiting.push({ fits: (event) => event.kind === kind, done })),
  };
}

test('through a fault: there, weighing, gone with a sentence, and there again by itself', async () => {
  const port = await scaleAt(0, 'ID bench 0.1 2000 Bench\nR 12.5 S\n');
  const scale = new LineScale('127.0.0.1', port);
  const { next } = listening(scale);
  expect(await next('there')).toEqual({ kind: 'there', name: 'Bench', simulated: false, mostGrams: 2000 });
  expect(scale.tare()).toBe(true);
  expect(await next('said')).toEqual({ kind: 'said', ok: true, words: 'TARE' });
  const gone = next('gone');
  await unplug();
  expect(await gone).toMatchObject({ words: expect.stringContaining('weigh by hand') });
  expect(scale.tare()).toBe(false);
  const again = next('reading');
  await scaleAt(port, 'ID bench 0.1 2000 Bench\nR 30.0 U\n');
  expect(await again).toEqual({ kind: 'reading', grams: 30, settled: false });
});

test('noise and silence are no weight: a connected scale that says none is said to be so', async () => {
  const port = await scaleAt(0, 'ID bench 0.1 2000 Bench\nR ##.# S\n');
  const { next, events } = listening(new LineScale('127.0.0.1', port));
  expect(await next('gone')).toMatchObject({ words: expect.stringContaining('says no weight') });
  expect(events.filter(({ kind }) => kind === 'reading')).toEqual([]);
});

test('one who listens later hears the present state at once', async () => {
  const port = await scaleAt(0, 'ID bench 0.1 2000 Bench\nR 7.0 S\n');
  const scale = new LineScale('127.0.0.1', port);
  await listening(scale).next('reading');
  expect(listening(scale).events).toMatchObject([{ kind: 'there' }, { kind: 'reading', grams: 7 }]);
});
