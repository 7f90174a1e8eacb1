import { panelOf } from '@/core/formats';
import { makeHead, openedHairline, type OpenedPoint } from '@/core/head';
import { framesOf, headGrids } from '@/core/pattern/frame';
import { planeField } from '@/core/pattern/plane-field';
import { ribbonOf, runsInside, SAMPLE_MM, type Ribbon, type TracedLine } from '@/core/pattern/section-line';
import { sectionOff } from '@/core/pattern/sectioning';

const mm = (value: number) => String(Number(value.toFixed(1)) + 0);
const at = ({ x, y }: OpenedPoint) => `${mm(-x)} ${mm(-y)}`;
const path = (points: readonly OpenedPoint[], closed = false) =>
  points.map((p, i) => `${i === 0 ? 'M' : 'L'}${at(p)}`).join('') + (closed ? 'Z' : '');

/**
 * The picture of docs/field.md: a left side with its spine, partings every 16 mm, and one foil as an interval
 * of s and of u.
 */
export function fieldPicture(): string {
  const head = makeHead({ circumferenceMm: 550, hairline: { left: 'round', right: 'round' } });
  const { own } = framesOf(headGrids(head), { offsetMm: 0, lengthMm: null, none: false });
  const panel = panelOf({
    id: 'side',
    name: 'Side',
    place: { kind: 'side' },
    side: 'left',
    gather: { kind: 'weave', stitchMm: 5, gapMm: 5, depth: 0.5 },
    thicknessMm: 9,
    spacing: { kind: 'constant', dropoutMm: 7 },
  });
  const sectioned = sectionOff(panel, 'left', [], own)!;
  const field = planeField(sectioned, 30);
  const ribbon = (s: number, thickness: number): Ribbon | undefined => {
    const line = field.trace(s, thickness);
    const run = line && runsInside(line, own, sectioned.depths)[0];
    return line && run && ribbonOf(line, run, SAMPLE_MM);
  };
  const points = ({ opened, count }: Ribbon, offset: number): OpenedPoint[] =>
    Array.from({ length: count }, (_, j) => ({ x: opened[6 * j + offset], y: opened[6 * j + offset + 1] }));
  const sample = (line: TracedLine, u: number): OpenedPoint | undefined => {
    const i = Math.round((u - (line.firstU ?? 0)) / SAMPLE_MM);
    return i >= 0 && i < line.count ? { x: line.middle[5 * i + 3], y: line.middle[5 * i + 4] } : undefined;
  };

  const partings: string[] = [];
  const spine: OpenedPoint[] = [];
  const [first, last] = field.extent;
  for (let s = Math.ceil(first / 4) * 4; s < last; s += 4) {
    const line = field.trace(s, 0.5);
    const middle = line && sample(line, 0);
    if (middle) spine.push(middle);
    if (s % 16 !== 0) continue;
    const own16 = ribbon(s, 0.5);
    if (!own16) continue;
    const along = points(own16, 0);
    partings.push(`<path d="${path(along)}" class="parting"/>`);
    const end = along[along.length - 1];
    partings.push(`<text x="${mm(-end.x - 3)}" y="${mm(-end.y + 6)}" class="s">s ${s}</text>`);
  }
  const foil = ribbon(8, 9)!;
  const line = field.trace(8, 9)!;
  const marks = [-40, -20, 0, 20, 40].flatMap((u) => {
    const p = sample(line, u);
    return p
      ? [
          `<circle cx="${mm(-p.x)}" cy="${mm(-p.y)}" r="1.4" class="u"/><text x="${mm(-p.x + 9)}" y="${mm(-p.y + 7)}" class="mark">u ${u}</text>`,
        ]
      : [];
  });
  return `${[
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="-178 -112 196 170" width="784" height="680" font-family="Archivo, sans-serif" font-size="5">',
    '<title>The field of a panel: s along the spine, u along the parting</title>',
    '<style>.parting{fill:none;stroke:#55635b;stroke-width:.5}.s{fill:#55635b;font-size:4.4px}.u{fill:#17251f}.mark{fill:#17251f;text-anchor:middle;font-size:4.2px}.word{fill:#17251f;font-weight:600}</style>',
    '<rect x="-178" y="-112" width="196" height="170" fill="#eef1ec"/>',
    `<g><path d="${path(
      openedHairline(head, 240).map(({ x, y }) => ({ x, y })),
      true,
    )}" fill="#fbfcfa" stroke="#7f8c82" stroke-width=".6"/>`,
    `${sectioned.outlines.map((outline) => `<path d="${path(outline, true)}" fill="#dfeae2" stroke="#1d6b4c" stroke-width=".7"/>`).join('')}</g>`,
    `<g><path d="${path([...points(foil, 2), ...points(foil, 4).reverse()], true)}" fill="#f0b93a" stroke="#17251f" stroke-width=".5"/></g>`,
    ...partings,
    `<path d="${path(spine)}" fill="none" stroke="#b8321f" stroke-width="1.1"/>`,
    ...marks,
    '<text x="-172" y="34" class="word">spine (red): s in mm, which parting</text>',
    '<text x="-172" y="41" class="word">partings (grey): u in mm, 0 on the spine</text>',
    '<text x="-172" y="48" class="word">foil (gold): s from 3.5 to 12.5, u over the run</text>',
    '</svg>',
  ].join('\n')}\n`;
}
