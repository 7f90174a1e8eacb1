import { connect, type Socket } from 'node:net';
import { LineBuffer, readScaleLine, type ScaleLine } from '@/core/scale';
import { Pan } from './pan';
import { startScale, type ScaleStand } from './scale-server';

const pass = (pan: Pan, seconds: number) => {
  for (let i = 0; i < seconds * 10; i += 1) pan.pass(0.1);
};

describe('the pan', () => {
  test('a reading settles to what was poured, and says so', () => {
    const pan = new Pan();
    pan.pour(30);
    pass(pan, 0.2);
    expect(pan.reading.settled).toBe(false);
    expect(pan.reading.grams).toBeLessThan(20);
    pass(pan, 3);
    expect(pan.reading).toEqual({ grams: expect.closeTo(30, 5), settled: true });
  });

  test('tare is refused while the pan moves; then what lies there counts as nothing', () => {
    const pan = new Pan();
    pan.pour(120);
    expect(pan.tare()).toBe(false);
    pass(pan, 4);
    expect(pan.tare()).toBe(true);
    pan.pour(45);
    pass(pan, 4);
    expect(pan.reading.grams).toBeCloseTo(45, 1);
    pan.clear();
    pass(pan, 4);
    expect(pan.reading.grams).toBeCloseTo(-120, 1);
  });

  test('drift wanders by so much a minute, and taring takes it back', () => {
    const pan = new Pan();
    pan.driftPerMinute = 2;
    pass(pan, 60);
    expect(pan.reading.grams).toBeCloseTo(2, 1);
    pan.tare();
    expect(pan.reading.grams).toBeCloseTo(0, 5);
  });
});

describe('the stand', () => {
  let stand: ScaleStand;
  const open: Socket[] = [];
  beforeAll(async () => {
    stand = await startScale(0, 0);
  });
  afterAll(() => stand.close());
  afterEach(() => open.splice(0).forEach((socket) => socket.destroy()));

  /** Waits for a line that fits. */
  function next(port: number, fits: (line: ScaleLine) => boolean, say?: string): Promise<ScaleLine> {
    return new Promise((resolve, reject) => {
      const socket = connect(port, '127.0.0.1', () => say && socket.write(`${say}\n`));
      open.push(socket);
      const buffer = new LineBuffer();
      socket.on('data', (piece) => {
        const found = buffer
          .take(String(piece))
          .map(readScaleLine)
          .find((line) => line !== undefined && fits(line));
        if (found) resolve(found);
      });
      socket.on('close', () => reject(new Error('closed')));
      socket.on('error', reject);
    });
  }
  const handle = (line: string) =>
    next(stand.controlPort, (scaleLine) => scaleLine.kind === 'done' || scaleLine.kind === 'refused', line);

  test('names itself, weighs what is poured, tares', async () => {
    expect(await next(stand.port, ({ kind }) => kind === 'id')).toMatchObject({
      simulated: true,
      mostGrams: 2000,
    });
    expect(await handle('POUR 30')).toEqual({ kind: 'done', command: 'POUR 30' });
    expect(
      await next(stand.port, (line) => line.kind === 'reading' && line.settled && line.grams > 29),
    ).toMatchObject({ grams: expect.closeTo(30, 0) });
    expect(await next(stand.port, (line) => line.kind === 'done', 'TARE')).toEqual({
      kind: 'done',
      command: 'TARE',
    });
    expect(await next(stand.port, (line) => line.kind === 'reading' && line.settled)).toMatchObject({
      grams: expect.closeTo(0, 0),
    });
  });

  test.each(['POUR', 'POUR much', 'FAULT fire', 'HELLO'])('%s is refused', async (line) =>
    expect(await handle(line)).toEqual({ kind: 'refused', words: line }),
  );

  test('unplugged it is gone, garbled it says no weight, plugged in again it weighs', async () => {
    await handle('FAULT unplugged');
    await expect(next(stand.port, () => true)).rejects.toThrow();
    await handle('FAULT garbled');
    const socket = connect(stand.port, '127.0.0.1');
    open.push(socket);
    const garbled = await new Promise<string>((resolve) =>
      socket.on('data', (piece) => String(piece).includes('#') && resolve(String(piece))),
    );
    expect(
      new LineBuffer()
        .take(garbled)
        .map(readScaleLine)
        .filter((line) => line?.kind === 'reading'),
    ).toEqual([]);
    await handle('FAULT off');
    expect(await next(stand.port, (line) => line.kind === 'reading')).toMatchObject({ kind: 'reading' });
  });
});
