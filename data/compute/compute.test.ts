import { EMPTY_CONSULT, EMPTY_MIX, parsePlan, startPlan } from '../../core/formats';
import { createVisitEngine } from '../../core/visit/computed';
import { visitOf } from '../../core/visit/computed/testing';
import { closeThreads, computedOf, inThread } from '.';

afterAll(closeThreads);

/** Where a test is not about the limit, it is out of reach of the slowest machine, ms. */
const AMPLE_MS = 300_000;
const { documents, facts } = visitOf({ plan: startPlan(), consult: EMPTY_CONSULT, mix: EMPTY_MIX });

test('a thread answers what the engine answers here', async () => {
  const here = createVisitEngine().compute(documents, facts);
  const keys = [
    'work',
    'clock',
    'timed',
    'script',
    'needs',
    'cautions',
    'estimate',
    'colours',
    'steps',
    'after',
  ] as const;
  // The first thread starts and reads its code: that is not what ends here, however slow the machine.
  await inThread('salon', 'sheet', startPlan(), AMPLE_MS);
  const there = await computedOf('salon', { documents, facts }, keys);
  for (const key of keys) expect(JSON.stringify(there[key])).toBe(JSON.stringify(here[key]));
  expect((await computedOf('salon', { documents, facts }, ['sheet'])).sheet).toEqual(here.pattern.sheet);
  expect(await inThread('salon', 'next', { documents, facts })).toEqual(here.next());
});

test('what takes too long is ended with a sentence, and the thread after it works', async () => {
  const many = Array.from({ length: 40 }, (_, i) => ({
    ...startPlan().panels[i % 3],
    id: `p${i}`,
    name: `P${i}`,
  }));
  const plan = parsePlan({ ...startPlan(), sectioning: [], panels: many });
  if (!plan.ok) throw new Error(plan.problem);
  await expect(inThread('salon', 'sheet', plan.value, 300)).rejects.toThrow(
    /^This pattern takes too long to work out/,
  );
  expect((await inThread('salon', 'sheet', startPlan(), AMPLE_MS)).totals.foils).toBeGreaterThan(90);
}, 60_000);

test('a salon that asks for too much waits for itself, and others do not wait for it', async () => {
  // Both threads run.
  await Promise.all(['one', 'other'].map((salon) => inThread(salon, 'sheet', startPlan(), AMPLE_MS)));
  const heavy = {
    ...startPlan(),
    panels: startPlan().panels.map((panel) => ({
      ...panel,
      variation: { seed: 1, dropoutMm: 1, angleDeg: 1, side: 'both' as const },
    })),
  };
  const asked = Array.from({ length: 40 }, (_, i) =>
    inThread(
      'greedy',
      'sheet',
      { ...heavy, name: `${i}`, head: { ...heavy.head, circumferenceMm: 540 + i } },
      AMPLE_MS,
    ).then(
      () => 'done',
      (error: Error) => error.message,
    ),
  );
  const from = performance.now();
  await inThread('modest', 'sheet', startPlan(), AMPLE_MS);
  const waited = performance.now() - from;
  const answers = await Promise.all(asked);
  expect(answers.filter((answer) => answer === 'done')).toHaveLength(24);
  expect(answers.filter((answer) => /asks for too much at once/.test(answer))).toHaveLength(16);
  expect(waited).toBeLessThan(0.7 * (performance.now() - from));
});
