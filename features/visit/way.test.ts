import { Way } from './way';

let path: string;
let pushed: string[];
const real = Object.getOwnPropertyDescriptor(globalThis, 'window');
beforeEach(() => {
  path = '/visits/v/consult';
  pushed = [];
  const window = {
    get location() {
      return { pathname: path };
    },
    history: {
      pushState: (_: unknown, __: string, to: string) => {
        pushed.push(to);
        path = to;
      },
    },
    scrollTo: () => undefined,
  };
  Object.defineProperty(globalThis, 'window', { configurable: true, value: window });
});
afterEach(() => {
  if (real) Object.defineProperty(globalThis, 'window', real);
  else delete (globalThis as { window?: unknown }).window;
});

test('one move at a time; the newest of those that came meanwhile follows once the first is drawn', () => {
  const way = new Way();
  way.go('/visits/v/pattern');
  way.go('/visits/v/wear');
  way.go('/visits/v/mix');
  expect([pushed, way.end]).toEqual([['/visits/v/pattern'], '/visits/v/mix']);
  way.arrived('/visits/v/pattern');
  expect(pushed).toEqual(['/visits/v/pattern', '/visits/v/mix']);
  way.arrived('/visits/v/mix');
  expect([pushed.length, way.end]).toEqual([2, '/visits/v/mix']);
});

test('where it is already it goes nowhere; back to the first of two it makes no second entry', () => {
  const way = new Way();
  way.go('/visits/v/consult');
  expect(pushed).toEqual([]);
  way.go('/visits/v/pattern');
  way.go('/visits/v/wear');
  way.go('/visits/v/pattern');
  way.arrived('/visits/v/pattern');
  expect(pushed).toEqual(['/visits/v/pattern']);
});

test('the browser’s own Back ends what was under way', () => {
  const way = new Way();
  way.go('/visits/v/pattern');
  path = '/visits/v/consult';
  way.arrived('/visits/v/consult');
  way.go('/visits/v/wear');
  expect(pushed).toEqual(['/visits/v/pattern', '/visits/v/wear']);
});
