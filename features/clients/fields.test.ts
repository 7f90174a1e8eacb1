import { clientForm } from './fields';

const read = (part: object) => {
  const parsed = clientForm('2026-11-25').safeParse({
    name: 'A',
    phone: '',
    email: '',
    bornOn: '',
    note: '',
    ...part,
  });
  return parsed.success ? parsed.data : parsed.error.issues[0].message;
};

test.each(['王小明', 'Åsa Lindqvist-Øye', 'محمد علي', 'Ольга', 'O’Neil-Şahin'])('%s is a name', (name) =>
  expect(read({ name })).toMatchObject({ name }),
);
test('letters and their marks are one letter', () =>
  expect(read({ name: 'A\u030Asa' })).toMatchObject({ name: 'Åsa' }));
test.each([
  [{ name: '  ' }, 'Name: it is empty.'],
  [{ name: 'x'.repeat(121) }, 'Name: it is longer than 120 characters.'],
  [{ phone: 'call me' }, /^Phone: it holds something other/],
  [{ bornOn: '2026-11-26' }, 'Birthday: it lies in the future.'],
  [{ bornOn: '1990-02-30' }, /^Birthday: write a day/],
  [{ bornOn: '1890-01-01' }, 'Birthday: it lies before 1900.'],
  [{ note: 'x'.repeat(2001) }, 'Note: it is longer than 2000 characters.'],
])('%j is refused', (part, problem) =>
  expect(read(part)).toEqual(typeof problem === 'string' ? problem : expect.stringMatching(problem)),
);
test('born today is a client; no birthday is none', () => {
  expect(read({ bornOn: '2026-11-25' })).toMatchObject({ bornOn: '2026-11-25' });
  expect(read({})).toMatchObject({ bornOn: null });
});
