import { NO_ANSWERS } from '@/core/formats';
import { AnswersKeeper } from './answers-keeper';
import { storageInMemory } from '../testing/storage';

const SECRET = 's'.repeat(32);
const stored = storageInMemory();
let sent: {
  readonly body: {
    readonly base: typeof NO_ANSWERS;
    readonly document: typeof NO_ANSWERS;
    readonly sent: boolean;
  };
  answer(own: object | 'lost', status?: number): Promise<void>;
}[];
const realFetch = globalThis.fetch;
beforeEach(() => {
  jest.useFakeTimers();
  sent = [];
  globalThis.fetch = ((_: string, { body }: { body: string }) =>
    new Promise((resolve, reject) => {
      sent.push({
        body: JSON.parse(body),
        answer: async (own, status = 200) => {
          if (own === 'lost') reject(new TypeError('network'));
          else resolve({ status, json: async () => own });
          await jest.advanceTimersByTimeAsync(0);
        },
      });
    })) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = realFetch;
});

const bright = (brightness: number) => (before: typeof NO_ANSWERS) => ({
  ...before,
  wish: { ...before.wish, brightness },
});

test('an answer is kept on the phone at once and on the server a moment later', async () => {
  const keeper = new AnswersKeeper(SECRET, NO_ANSWERS, false);
  keeper.change(bright(2));
  expect([...stored().values()].map((text) => JSON.parse(text).document.wish.brightness)).toEqual([2]);
  // What lies on the phone does not hold the address.
  expect([...stored().entries()].flat().join().includes(SECRET)).toBe(false);
  keeper.change(bright(4));
  await jest.advanceTimersByTimeAsync(700);
  expect(
    sent.map(({ body }) => [body.base.wish.brightness, body.document.wish.brightness, body.sent]),
  ).toEqual([[null, 4, false]]);
  await sent[0].answer({ ok: true, document: sent[0].body.document });
  expect([keeper.read().state, keeper.read().sent, stored().size]).toEqual(['saved', false, 0]);
});

test('without a network it stays on the phone, is tried again, and goes on after the page was closed', async () => {
  const keeper = new AnswersKeeper(SECRET, NO_ANSWERS, false);
  keeper.change(bright(2));
  keeper.send();
  await jest.advanceTimersByTimeAsync(0);
  await sent[0].answer('lost');
  expect([keeper.read().state, stored().size]).toEqual(['away', 1]);
  await jest.advanceTimersByTimeAsync(4000);
  await sent[1].answer({ ok: false, problem: 'away' }, 503);
  keeper.stop();
  const next = new AnswersKeeper(
    SECRET,
    { ...NO_ANSWERS, wish: { ...NO_ANSWERS.wish, tone: 'warm' } },
    false,
  );
  next.resume();
  await jest.advanceTimersByTimeAsync(700);
  // What was answered on another phone meanwhile stays.
  expect(sent[2].body.document.wish).toMatchObject({ brightness: 2, tone: 'warm' });
});

test('what was answered on another phone is shown; what is changed meanwhile goes after it', async () => {
  const keeper = new AnswersKeeper(SECRET, NO_ANSWERS, false);
  keeper.change(bright(2));
  await jest.advanceTimersByTimeAsync(700);
  keeper.change(bright(5));
  await sent[0].answer({
    ok: true,
    document: { ...sent[0].body.document, wish: { ...sent[0].body.document.wish, tone: 'cool' } },
  });
  expect(keeper.read().answers.wish).toMatchObject({ brightness: 5, tone: 'cool' });
  await jest.advanceTimersByTimeAsync(0);
  expect(sent[1].body).toMatchObject({
    base: { wish: { brightness: 2, tone: 'cool' } },
    document: { wish: { brightness: 5, tone: 'cool' } },
  });
});

test('done is said once; a refusal says why and keeps what was typed', async () => {
  const keeper = new AnswersKeeper(SECRET, NO_ANSWERS, false);
  keeper.send();
  await jest.advanceTimersByTimeAsync(0);
  expect(sent[0].body.sent).toBe(true);
  await sent[0].answer({ ok: true, document: NO_ANSWERS });
  expect(keeper.read().sent).toBe(true);
  keeper.change(bright(3));
  await jest.advanceTimersByTimeAsync(700);
  expect(sent[1].body.sent).toBe(false);
  await sent[1].answer({ ok: false, problem: 'This page is not open any more.' }, 404);
  expect(keeper.read()).toMatchObject({
    state: 'refused',
    problem: 'This page is not open any more.',
    answers: { wish: { brightness: 3 } },
  });
  expect(stored().size).toBe(1);
});
