import { phoneKey } from '.';

test.each([
  '0700 900 139',
  '+44 700 900139',
  '+44 (0)700 900-139',
  '0044 700 900139',
  '(0700) 900139',
  '0700.900.139',
  '700900139',
])('%s is the same number', (written) => {
  expect(phoneKey(written)).toBe('700900139');
});

test.each(['Maren', '12 34', '2027-01-31', 'flat 12345', '+', '0000000', ''])(
  '“%s” is no phone number',
  (text) => {
    expect(phoneKey(text)).toBeUndefined();
  },
);

test('a part of a number finds it too', () => {
  expect(phoneKey('900 139')).toBe('900139');
});
