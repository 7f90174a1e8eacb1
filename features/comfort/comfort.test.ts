import { comfortCookie, readComfort, type Comfort } from './comfort';

test.each([
  [{ theme: 'dim', hand: 'left' }],
  [{ theme: 'day', hand: 'right' }],
  [{ theme: 'dim', hand: 'right' }],
] as [Comfort][])('%j is read back from its cookie, beside others', (comfort) => {
  expect(readComfort(`a=1; ${comfortCookie(comfort).split(';')[0]}; b=dim`)).toEqual(comfort);
});

test.each(['', 'lattice-comfort=', 'lattice-comfort=<script>', 'other=dim.left'])(
  '%j is the usual',
  (cookies) => {
    expect(readComfort(cookies)).toEqual({ theme: 'day', hand: 'right' });
  },
);
