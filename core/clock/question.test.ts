import { Question, USUAL_RULES, type BlockFoil } from '.';
import { blockOf } from './testing';

const FOIL: BlockFoil = { seconds: 60, mixes: ['A'], readyMinutes: 20, limitMinutes: 45 };
const questionOf = (part: Partial<BlockFoil>, margin = 3) =>
  new Question([blockOf(0, { foils: [{ ...FOIL, ...part }] })], { ...USUAL_RULES, margin });

test.each<[string, Partial<BlockFoil>, number, number, number]>([
  ['comes off from when it is ready to three minutes before its limit', {}, 3, 20, 42],
  ['has as many minutes in hand as the house keeps', {}, 10, 20, 35],
  ['may go to its limit where the house keeps none', {}, 0, 20, 45],
  ['has two minutes at least, though they are among those in hand', { readyMinutes: 39 }, 10, 39, 41],
  ['ready in the last five minutes, keeps nothing in hand', { readyMinutes: 40 }, 3, 40, 45],
  ['not expected, comes off in the last five minutes', { readyMinutes: Infinity }, 3, 40, 45],
  ['has no minute before it was closed', { readyMinutes: 9, limitMinutes: 4 }, 3, 0, 4],
  ['pulled at a set minute, is clear two minutes later', { pullAfter: 30 }, 3, 30, 32],
])('a foil %s', (_, part, margin, release, deadline) => {
  const question = questionOf(part, margin);
  expect([question.release, question.deadline]).toEqual([[release], [deadline]]);
});

test.each<[string, number, number, number, number]>([
  ['at its time, within ten minutes', 20, 45, 20, 30],
  ['no later than the minutes in hand, and eight before that', 40, 45, 34, 42],
  ['within its limit, however short that is', 20, 2, 0, 1],
])('a second application is begun %s', (_, afterMinutes, limitMinutes, release, deadline) => {
  const { again } = questionOf({ again: { afterMinutes, limitMinutes, minutes: 1.5, mixes: ['B'] } });
  expect(again).toEqual([{ release, deadline, minutes: 1.5, mixes: ['B'] }]);
});

test('what is painted once is not painted again', () =>
  expect([questionOf({}).again, questionOf({}).paintsAgain]).toEqual([[null], false]));
