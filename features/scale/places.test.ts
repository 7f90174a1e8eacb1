import { placesIn } from './places';

test.each<[string | undefined, ReturnType<typeof placesIn>]>([
  [undefined, []],
  ['', []],
  ['127.0.0.1:4701', [{ name: 'Scale', host: '127.0.0.1', port: 4701 }]],
  [
    'Mixing bench=10.0.0.4:4701, Back bar=scale-2.local:80',
    [
      { name: 'Mixing bench', host: '10.0.0.4', port: 4701 },
      { name: 'Back bar', host: 'scale-2.local', port: 80 },
    ],
  ],
])('%j is read', (text, places) => expect(placesIn('LATTICE_SCALE', text)).toEqual(places));

test.each([
  ['10.0.0.4', /^LATTICE_SCALE must be host:port.*“10\.0\.0\.4” is none\.$/],
  ['a=1.2.3.4:5, b', /“b” is none/],
  ['a=1.2.3.4:99999', /is none/],
  ['a=1.2.3.4:5,a=1.2.3.5:5', /names two scales “a”/],
  ['1.2.3.4:5,1.2.3.5:5', /names two scales “Scale”/],
])('%j is refused', (text, problem) => expect(() => placesIn('LATTICE_SCALE', text)).toThrow(problem));
