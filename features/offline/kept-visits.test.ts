import 'fake-indexeddb/auto';
import type { VisitBundle } from '../visit/types';
import { forgetVisits, keepVisit, keptVisits, newer, newestOf } from './kept-visits';

const bundle = (
  id: string,
  readAt: number,
  revisions: Partial<Record<'consult' | 'plan' | 'mix' | 'outcome', number>>,
  begunAt: string | null = null,
) => {
  const part = (name: keyof typeof revisions) => ({
    revision: revisions[name] ?? 1,
    document: `${name} ${revisions[name] ?? 1}`,
  });
  return {
    id,
    readAt,
    begunAt,
    consult: part('consult'),
    plan: part('plan'),
    mix: part('mix'),
    outcome: revisions.outcome ? part('outcome') : null,
  } as unknown as VisitBundle;
};

test('each document in its newest version, and the facts of the later reading', () => {
  const page = bundle('v', 100, { consult: 3, plan: 2 });
  const kept = bundle('v', 50, { consult: 2, plan: 5, outcome: 1 }, 'begun');
  expect(newer(page, kept)).toMatchObject({
    readAt: 100,
    begunAt: null,
    consult: { revision: 3 },
    plan: { revision: 5, document: 'plan 5' },
    outcome: { revision: 1 },
  });
  expect(newer({ ...page, readAt: 10 }, kept)).toMatchObject({
    readAt: 50,
    begunAt: 'begun',
    consult: { revision: 3 },
    plan: { revision: 5 },
  });
});

test('a page that is older than what was saved since is opened as it was saved; another visit is left alone', async () => {
  await keepVisit(bundle('one', 10, { plan: 7 }));
  await keepVisit(bundle('two', 20, { plan: 3 }));
  expect(await newestOf(bundle('one', 5, { plan: 2 }))).toMatchObject({ readAt: 10, plan: { revision: 7 } });
  expect(await newestOf(bundle('none', 5, { plan: 2 }))).toMatchObject({ readAt: 5, plan: { revision: 2 } });
  expect((await keptVisits()).map(({ id }) => id).sort()).toEqual(['one', 'two']);
});

test('what nobody opened for days goes, and all of it at signing out', async () => {
  const now = jest.spyOn(Date, 'now');
  now.mockReturnValue(1_000_000_000_000);
  await keepVisit(bundle('old', 10, {}));
  now.mockReturnValue(1_000_000_000_000 + 5 * 86_400_000);
  await keepVisit(bundle('fresh', 10, {}));
  await forgetVisits(false);
  const ids = (await keptVisits()).map(({ id }) => id);
  expect([ids.includes('old'), ids.includes('fresh')]).toEqual([false, true]);
  await forgetVisits(true);
  expect(await keptVisits()).toEqual([]);
  now.mockRestore();
});
