import { EMPTY_CONSULT } from '../formats';
import { ZONES } from '../head';
import { worstCondition } from '.';

const seen = (map: (typeof EMPTY_CONSULT)['map']) => worstCondition({ ...EMPTY_CONSULT, map });

test('the worst that was seen, with where it is', () => {
  expect(seen({})).toBeNull();
  expect(seen({ crown: { condition: 'sound' } })).toBeNull();
  expect(seen({ crown: { condition: 'dry' }, 'temple-r': { condition: 'porous' } })).toMatchObject({ condition: 'porous', words: 'porous (temple)' });
  expect(seen(Object.fromEntries(ZONES.map((zone) => [zone, { condition: 'dry' as const }])))!.words).toBe('dry (all over)');
  expect(seen({ crown: { condition: 'dry' }, 'temple-r': { condition: 'dry' }, 'nape-l': { condition: 'dry' }, 'top-l': { condition: 'dry' } })!.words).toBe('dry (temple, top, crown and 1 more)');
});
