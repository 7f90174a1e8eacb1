import { conditionLines, worstCondition } from '.';

const looked = (on: string, map: Parameters<typeof worstCondition>[0]['map']) => ({ on, consult: { map } });

test('condition through the visits, the worse side of a zone; what was not looked at is left out', () => {
  const lines = conditionLines([
    looked('2027-03-01', { 'temple-l': { condition: 'porous' }, 'temple-r': { condition: 'dry' } }),
    looked('2027-01-04', { 'temple-l': { condition: 'sound' }, crown: { condition: 'fragile' } }),
    looked('2026-11-01', {}),
  ]);
  expect(lines).toEqual([
    {
      families: ['temple'],
      name: 'Temple',
      points: [
        { on: '2027-01-04', value: 0 },
        { on: '2027-03-01', value: 2 },
      ],
    },
    { families: ['crown'], name: 'Crown', points: [{ on: '2027-01-04', value: 3 }] },
  ]);
});

test('the worst is named with its places, and sound hair is not', () => {
  expect(
    worstCondition({ map: { 'temple-l': { condition: 'porous' }, crown: { condition: 'dry' } } }),
  ).toMatchObject({ condition: 'porous', families: ['temple'] });
  expect(worstCondition({ map: { crown: { condition: 'sound' } } })).toBeNull();
});
