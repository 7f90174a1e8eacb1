import {
  canBeTexted,
  fillReminder,
  goesOutNow,
  reminderProblem,
  reminderStanding,
  textsNeeded,
  USUAL_REMINDER_WORDS,
  withPage,
} from '.';

test('the usual words say when and with whom, by her first name, and nothing of what is done', () => {
  const said = fillReminder(USUAL_REMINDER_WORDS.appointment, {
    name: 'Maren Ashdown',
    day: 'Fri 27 Nov',
    time: '09:30',
    colourist: 'Ottilie',
    salon: 'Fernhollow',
  });
  expect(said).toBe(
    'Hello Maren, we look forward to seeing you on Fri 27 Nov at 09:30, with Ottilie. Tell us beforehand what you wish for: {page} If anything has changed, please ring us. Fernhollow',
  );
  expect(withPage(said, 'https://a.example/p/x')).toContain('wish for: https://a.example/p/x If');
  expect(textsNeeded(withPage(said, `https://salon.example/p/${'x'.repeat(32)}`))).toBe(2);
  expect(reminderProblem('appointment', USUAL_REMINDER_WORDS.appointment)).toBeUndefined();
  expect(reminderProblem('due', USUAL_REMINDER_WORDS.due)).toBeUndefined();
});

test.each([
  ['appointment', 'On {date} at {time}', /cannot fill in \{date\}: it knows \{name\}, \{day\}/],
  ['due', 'Due {day}, at {time}', /cannot fill in \{time\}/],
  ['appointment', 'See you on {day}', /must say \{day\} and \{time\}/],
  ['appointment', '{day} {time} {', /brace/],
  ['due', 'name} is due', /brace/],
] as const)('%s: “%s” is refused', (kind, words, problem) =>
  expect(reminderProblem(kind, words)).toMatch(problem),
);

test('a name that looks like a field is not filled in again', () => {
  expect(fillReminder('{name}, {day}', { name: '{day} Sedge', day: 'Friday' })).toBe('{day}, Friday');
});

test.each([
  ['a'.repeat(160), 1],
  ['a'.repeat(161), 2],
  ['a'.repeat(306), 2],
  ['a'.repeat(307), 3],
  // A euro sign counts twice; one letter outside the alphabet makes all of it sixteen bits wide.
  [`${'a'.repeat(158)}€`, 1],
  [`${'a'.repeat(159)}€`, 2],
  [`${'a'.repeat(69)}ő`, 1],
  [`${'a'.repeat(70)}ő`, 2],
  ['ő'.repeat(135), 3],
])('%s takes %i', (words, texts) => expect(textsNeeded(words)).toBe(texts));

test('a phone that is none cannot be texted', () => {
  expect(['0700 900 101', '+44 (0)700 900 101', '', '12 34', '1'.repeat(16)].map(canBeTexted)).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
});

const facts = { phone: '0700 900 101', consent: true, kept: null };
test.each([
  [{}, 'to-send'],
  [{ consent: false }, 'no-consent'],
  [{ phone: '' }, 'no-phone'],
  [{ phone: '', consent: false }, 'no-phone'],
  [{ kept: 'failed' as const }, 'failed'],
  [{ kept: 'queued' as const }, 'underway'],
  [{ kept: 'sent' as const, consent: false }, 'sent'],
  [{ kept: 'failed' as const, consent: false }, 'no-consent'],
])('%j stands as %s', (part, standing) => expect(reminderStanding({ ...facts, ...part })).toBe(standing));

describe('by itself', () => {
  const appointment = { on: '2027-03-05', from: 570 };
  const set = { daysBefore: 2, fromMinute: 600 };
  test.each([
    ['2027-03-02', 700, false],
    ['2027-03-03', 599, false],
    ['2027-03-03', 600, true],
    ['2027-03-03', 1259, true],
    ['2027-03-03', 1260, false],
    // The server was away at its time: the day after still helps, the last hour does not.
    ['2027-03-04', 601, true],
    ['2027-03-05', 600, false],
    ['2027-03-06', 600, false],
  ])('on %s at minute %i: %s', (day, minute, goes) =>
    expect(goesOutNow(appointment, set, day, minute)).toBe(goes),
  );

  test('on the same day no nearer than an hour; never where the house sends by hand', () => {
    const late = { on: '2027-03-05', from: 700 };
    expect(
      [640, 641].map((minute) => goesOutNow(late, { daysBefore: 0, fromMinute: 600 }, '2027-03-05', minute)),
    ).toEqual([true, false]);
    expect(goesOutNow(appointment, { daysBefore: 2, fromMinute: null }, '2027-03-03', 700)).toBe(false);
  });
});
