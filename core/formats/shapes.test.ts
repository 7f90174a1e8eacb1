import { svgOf } from './shapes';

const box = { x: -10, y: 0, width: 100, height: 50.126 };

test('a drawing of real size: millimetres, box, title and ground', () => {
  const svg = svgOf(box, 'Six & seven', '#fff', []);
  expect(svg).toContain('width="100mm" height="50.13mm" viewBox="-10 0 100 50.13"');
  expect(svg).toContain('<title>Six &amp; seven</title>');
  expect(svg).toContain('<rect x="-10" y="0" width="100" height="50.13" fill="#fff"/>');
});

test('a path says only what is given, text stands where and as it is told', () => {
  const svg = svgOf(box, '', '#fff', [
    { kind: 'path', d: 'M0 0L1 1', stroke: '#000', width: 0.5, dash: [4, 3] },
    { kind: 'path', d: 'M0 0Z', fill: 'red', fillOpacity: 0.4, id: 'back.1.1' },
    { kind: 'text', x: 3, y: 4.005, size: 2, words: '<Ada>', fill: '#111', weight: 700, anchor: 'end' },
  ]);
  expect(svg).toContain(
    '<path d="M0 0L1 1" fill="none" stroke="#000" stroke-width="0.5" stroke-dasharray="4 3"/>',
  );
  expect(svg).toContain('<path id="back.1.1" d="M0 0Z" fill="red" fill-opacity="0.4"/>');
  expect(svg).toMatch(
    /<text x="3" y="4(\.01)?" font-size="2" font-weight="700" text-anchor="end" fill="#111">&lt;Ada&gt;<\/text>/,
  );
});
