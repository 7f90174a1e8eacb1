import { placeAfter } from './place-after';

test.each([
  '/clients',
  '/clients?find=jo',
  '/visits/0d9f/pattern',
  '/house/people',
  '/me',
  '/chair?visit=0d9f',
])('%s is gone back to', (to) => expect(placeAfter(to)).toBe(to));
test.each([
  '//elsewhere.example',
  'https://elsewhere.example',
  '/clients/../../x',
  '/\\elsewhere',
  'javascript:alert(1)',
  '/locked',
  '',
  '/clientsx',
])('%s is not', (to) => expect(placeAfter(to)).toBe('/clients'));
