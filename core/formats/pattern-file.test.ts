import { createPatternEngine } from '../pattern';
import { parseTechnique, patternFile, readPatternFile, startPlan, type OwnTechnique } from '.';

const plan = startPlan();
const engine = createPatternEngine();
const technique = (part: Partial<OwnTechnique> = {}): OwnTechnique => {
  const read = parseTechnique({
    format: 'dappled-lattice/technique',
    version: 1,
    name: 'Fine all over',
    purpose: 'Soft & blended',
    panels: plan.panels,
    sectioning: [],
    ...part,
  });
  if (!read.ok) throw new Error(read.problem);
  return read.value;
};

test.each([
  [technique()],
  [technique({ name: 'Ends ]]> here <script>"&amp;', purpose: '😀 ]]></metadata></svg>' })],
])('a pattern goes into a drawing and comes out the same', (ownTechnique) => {
  const file = patternFile(ownTechnique, plan, engine.compute(plan));
  expect(file).toMatch(/^<svg[\s\S]*<\/svg>\s*$/);
  expect(file.match(/<metadata/g)).toHaveLength(1);
  expect(readPatternFile(file)).toEqual({ ok: true, value: ownTechnique });
  expect(readPatternFile(`\uFEFF\n${JSON.stringify(ownTechnique)}`)).toEqual({
    ok: true,
    value: ownTechnique,
  });
});

test.each([
  ['', 'there is no pattern of Dappled Lattice in it.'],
  ['<svg><path d="M0 0"/></svg>', 'there is no pattern of Dappled Lattice in it.'],
  ['{"format":', /^it is not JSON/],
  ['{"format":"dappled-lattice/plan","version":1}', /^format: must be/],
  [JSON.stringify({ ...technique(), version: 7 }), /of version 7, made by a newer/],
  [JSON.stringify({ ...technique(), panels: [] }), /panels: must hold at least one panel/],
  [
    JSON.stringify({ ...technique(), panels: [{ ...plan.panels[0], thicknessMm: -4 }] }),
    /panels\[0\]\.thicknessMm/,
  ],
  [patternFile(technique(), plan, engine.compute(plan)).slice(0, -40), 'the pattern in it was cut short.'],
  [' '.repeat(4_000_001), 'the file is larger than a pattern can be.'],
])('what is no pattern is refused with a sentence', (text, problem) => {
  expect(readPatternFile(text)).toEqual({
    ok: false,
    problem: typeof problem === 'string' ? problem : expect.stringMatching(problem),
  });
});
