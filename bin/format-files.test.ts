import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parsePlanText, sheetSchema } from '@/core/formats';
import { formatFiles } from './format-files';

const root = path.join(__dirname, '..');
const lattice = path.join(root, 'bin', 'lattice');
const example = path.join(root, 'docs/formats/examples/plan.json');

test('docs/formats is what the code generates (npm run formats writes it anew)', () => {
  for (const [name, text] of Object.entries(formatFiles())) expect(readFileSync(path.join(root, name), 'utf8')).toBe(text);
});

describe('bin/lattice plan', () => {
  test('prints the sheet of the worked example, which fits its schema', () => {
    const printed = execFileSync(lattice, ['plan', example], { encoding: 'utf8' });
    expect(printed).toBe(readFileSync(path.join(root, 'docs/formats/examples/plan.sheet.json'), 'utf8'));
    expect(sheetSchema.safeParse(JSON.parse(printed)).success).toBe(true);
  });

  const call = (...args: string[]) => {
    const cwd = mkdtempSync(path.join(tmpdir(), 'lattice-cli-'));
    const done = spawnSync(lattice, args, { encoding: 'utf8', cwd });
    return { ...done, written: readdirSync(cwd) };
  };

  test.each([
    ['{"format":"dappled-lattice/plan","version":1', /This is not JSON/],
    ['{"format":"something/else","version":1,"panels":[]}', /format: must be "dappled-lattice\/plan"\./],
    ['{"format":"dappled-lattice/plan","version":7,"panels":[]}', /version: this program reads version 1, not 7\./],
    ['[]', /A plan document is an object/],
  ])('refuses %s with a sentence, a non-zero exit and nothing written', (text, sentence) => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-plan-')), 'bad.json');
    writeFileSync(file, text);
    const { status, stdout, stderr, written } = call('plan', file);
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(sentence);
    expect(written).toEqual([]);
  });

  test('a missing file, a missing argument and an unknown verb are sentences too', () => {
    expect(call('plan', 'nowhere.json')).toMatchObject({ status: 2, stderr: expect.stringMatching(/nowhere\.json cannot be read/) });
    expect(call('plan')).toMatchObject({ status: 2, stderr: expect.stringMatching(/name one plan document/) });
    expect(call('plait')).toMatchObject({ status: 2, stderr: expect.stringMatching(/there is no verb “plait”/) });
  });

  test('--help says how, and exits 0', () => {
    expect(call('plan', '--help')).toMatchObject({ status: 0, stdout: expect.stringMatching(/^Usage: bin\/lattice plan FILE\.json/) });
    expect(call('--help')).toMatchObject({ status: 0, stdout: expect.stringMatching(/plan FILE\.json/) });
  });
});

describe('reading a plan names the field', () => {
  const base = JSON.parse(readFileSync(example, 'utf8'));
  const problemOf = (change: (plan: typeof base) => void): string => {
    const plan = structuredClone(base);
    change(plan);
    const read = parsePlanText(JSON.stringify(plan));
    if (read.ok) throw new Error('was taken');
    return read.problem;
  };

  test.each([
    [(p: typeof base) => { p.panels[1].thicknessMm = 0; }, 'panels[1].thicknessMm: must be a number from 0.5 to 40 mm.'],
    [(p: typeof base) => { p.panels[0].thicknessMm = null; }, 'panels[0].thicknessMm: must be a number from 0.5 to 40 mm.'],
    [(p: typeof base) => { p.panels[0].spacing.dropoutMm = '5'; }, 'panels[0].spacing.dropoutMm: must be a number from 0 to 80 mm.'],
    [(p: typeof base) => { p.panels[2].id = 'back'; }, 'panels[2].id: "back" is used twice.'],
    [(p: typeof base) => { p.panels[0].gather.kind = 'plait'; }, 'panels[0].gather'],
    [(p: typeof base) => { p.head.hairline.left = 'square'; }, 'head.hairline.left: must be one of round, straight, pointed, receding.'],
    [(p: typeof base) => { delete p.panels; }, 'panels: must be a list of panels.'],
    [(p: typeof base) => { p.colour = 'red'; }, 'Unrecognized key'],
  ])('case %#', (change, sentence) => expect(problemOf(change)).toContain(sentence));

  test('a bare document is enough: everything but the panels has a default', () => {
    const read = parsePlanText('{"format":"dappled-lattice/plan","version":1,"panels":[]}');
    expect(read).toMatchObject({ ok: true, value: { foil: { usableWidthMm: 95, toleranceMm: 25 } } });
  });
});
