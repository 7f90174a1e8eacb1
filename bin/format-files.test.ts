import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { clockSchema, parsePlanText, sheetSchema, techniquesSchema, workSchema } from '@/core/formats';
import { formatFiles } from './format-files';
import { main } from './command-line';

const root = path.join(__dirname, '..');
const lattice = path.join(root, 'bin', 'lattice');
const example = path.join(root, 'docs/formats/examples/plan.json');

/**
 * Runs a call in an empty folder of its own: what it printed, how it ended, and what it wrote. The process
 * itself is looked at once.
 */
async function call(...args: string[]) {
  const cwd = mkdtempSync(path.join(tmpdir(), 'lattice-cli-'));
  const [stdout, stderr] = [printedTo(process.stdout), printedTo(process.stderr)];
  const home = process.cwd();
  process.chdir(cwd);
  try {
    const status = await main(args);
    return { status, stdout: stdout.text(), stderr: stderr.text(), written: readdirSync(cwd) };
  } finally {
    process.chdir(home);
    stdout.restore();
    stderr.restore();
  }
}

function printedTo(stream: NodeJS.WriteStream) {
  const parts: string[] = [];
  const spy = jest.spyOn(stream, 'write').mockImplementation((part) => parts.push(String(part)) > 0);
  return { text: () => parts.join(''), restore: () => spy.mockRestore() };
}

async function output(...args: string[]): Promise<string> {
  const { status, stdout, stderr } = await call(...args);
  if (status !== 0) throw new Error(stderr);
  return stdout;
}

test('the command itself: a sentence on standard error, exit 2, nothing on standard output', () => {
  const { status, stdout, stderr } = spawnSync(lattice, ['mix', example, '--ratio', '0'], {
    encoding: 'utf8',
  });
  expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
  expect(stderr).toContain('--ratio: must be a number from 0.5 to 5.');
});

test('docs/formats is what the code generates (npm run formats writes it anew)', async () => {
  for (const [name, text] of Object.entries(formatFiles()))
    expect(readFileSync(path.join(root, name), 'utf8')).toBe(text);
});

test('every field of the plan document is described, and every number has its range', () => {
  const schema = JSON.parse(readFileSync(path.join(root, 'docs/formats/plan.schema.json'), 'utf8'));
  const lacking: string[] = [];
  const walk = (node: unknown, where: string): void => {
    if (typeof node !== 'object' || node === null) return;
    const { properties, type, minimum, maximum, const: fixed } = node as Record<string, unknown>;
    if (
      (type === 'number' || type === 'integer') &&
      fixed === undefined &&
      !/landmarks/.test(where) &&
      (minimum === undefined || maximum === undefined)
    )
      lacking.push(`${where}: range`);
    for (const [name, own] of Object.entries((properties ?? {}) as Record<string, Record<string, unknown>>)) {
      const said = [own, ...((own.anyOf ?? []) as Record<string, unknown>[])].some(
        (one) => one.description ?? one.const ?? one.$ref,
      );
      if (!said) lacking.push(`${where}.${name}`);
    }
    for (const [name, inner] of Object.entries(node)) if (name !== 'default') walk(inner, `${where}/${name}`);
  };
  walk(schema, '');
  expect(lacking).toEqual([]);
});

describe('bin/lattice plan', () => {
  test('prints the sheet of the worked example, which fits its schema', async () => {
    const printed = await output('plan', example);
    expect(printed).toBe(readFileSync(path.join(root, 'docs/formats/examples/plan.sheet.json'), 'utf8'));
    expect(sheetSchema.safeParse(JSON.parse(printed)).success).toBe(true);
  });

  test.each([
    ['{"format":"dappled-lattice/plan","version":1', /This is not JSON/],
    ['{"format":"something/else","version":1,"panels":[]}', /format: must be "dappled-lattice\/plan"\./],
    [
      '{"format":"dappled-lattice/plan","version":7,"panels":[]}',
      /version: this program reads versions 1 to 4, not 7\./,
    ],
    ['[]', /A plan document is an object/],
  ])('refuses %s with a sentence, a non-zero exit and nothing written', async (text, sentence) => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-plan-')), 'bad.json');
    writeFileSync(file, text);
    const { status, stdout, stderr, written } = await call('plan', file);
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(sentence);
    expect(written).toEqual([]);
  });

  test('a missing file, a missing argument and an unknown verb are sentences too', async () => {
    expect(await call('plan', 'nowhere.json')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/nowhere\.json cannot be read/),
    });
    expect(await call('plan')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/name one plan document/),
    });
    expect(await call('plait')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/there is no verb “plait”/),
    });
  });

  test('--help says how, and exits 0', async () => {
    expect(await call('plan', '--help')).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/^Usage: bin\/lattice plan FILE\.json/),
    });
    expect(await call('--help')).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/plan FILE\.json/),
    });
  });
});

describe('bin/lattice wear', () => {
  test('prints what shows, tied back and weeks later', async () => {
    const png = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-wear-')), 'out.png');
    const look = JSON.parse(
      await output('wear', example, '--style', 'tied-back', '--weeks', '6', '--png', png),
    );
    expect(look).toMatchObject({
      style: 'tied-back',
      weeks: 6,
      foils: JSON.parse(readFileSync(path.join(root, 'docs/formats/examples/plan.sheet.json'), 'utf8')).totals
        .foils,
    });
    for (const view of ['front', 'left', 'right', 'back', 'top'])
      expect(look.brightness[view]).toBeGreaterThan(0.02);
    expect(look.unlitHairline[0].mm).toBeLessThan(300);
    expect(look.findings.map(({ key }: { key: string }) => key)).toEqual(
      expect.arrayContaining(['brightness', 'unlit', 'part', 'root-line']),
    );
    // The picture's own header: five sides beside each other.
    const header = readFileSync(png);
    expect(header.subarray(1, 4).toString('latin1')).toBe('PNG');
    expect(header.readUInt32BE(16) / header.readUInt32BE(20)).toBeCloseTo((5 * 300) / 422, 2);
  });

  test.each([
    [['--style', 'plait'], /--style: “plait” is none of down, zigzag, /],
    [['--weeks', '61'], /--weeks: must be a number from 0 to 60/],
    [['--part', 'left'], /--part: must be a number/],
    [['--style'], /--style needs a value/],
    [['--colour', 'x'], /--colour is not known/],
  ])('%j is refused with a sentence', async (flags, sentence) => {
    expect(await call('wear', example, ...flags)).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(sentence),
    });
  });
});

describe('bin/lattice mix', () => {
  test('prints amounts, bowls, lift and undercoats; a strand test moves the ready times', async () => {
    const mix = async (...flags: string[]) =>
      JSON.parse(await output('mix', example, '--from', '6', '--to', '9', ...flags));
    const usual = await mix();
    const { foils } = JSON.parse(
      readFileSync(path.join(root, 'docs/formats/examples/plan.sheet.json'), 'utf8'),
    ).totals;
    expect(usual.amounts.reduce((sum: number, amount: { foils: number }) => sum + amount.foils, 0)).toBe(
      foils,
    );
    expect(usual.bowls.reduce((sum: number, bowl: { foils: number }) => sum + bowl.foils, 0)).toBe(foils);
    expect(usual.undercoats.map(({ level }: { level: number }) => level)).toEqual([7, 8, 9]);
    expect(usual.ready[0].readyMinutes).toBeCloseTo(26.7, 0);
    expect((await mix('--read', '15:7.5')).ready[0].readyMinutes).toBeGreaterThan(
      usual.ready[0].readyMinutes,
    );
  });

  test('with a mix document: two strengths on a strand, a toner of three parts, a root, a bleach wash', async () => {
    const mixFile = path.join(root, 'docs/formats/examples/mix.json');
    const printed = JSON.parse(await output('mix', example, '--from', '6', '--to', '9', '--mix', mixFile));
    expect(
      printed.formulas.map(({ letter, kind }: { letter: string; kind: string }) => `${letter} ${kind}`),
    ).toEqual(['A lift', 'B lift', 'C deposit']);
    expect(
      printed.amounts.map(({ letter, part }: { letter: string; part: string }) => `${letter} ${part}`),
    ).toEqual(['A length', 'A ends', 'B length', 'B second', 'C length']);
    // To the gram, but for additives: drops, and per cent of water.
    const scooped = printed.bowls
      .flatMap(({ items }: { items: { name: string; grams: number }[] }) => items)
      .filter(({ name }: { name: string }) => !['Rootling bond drops', 'Water'].includes(name));
    expect(scooped.filter(({ grams }: { grams: number }) => !Number.isInteger(grams))).toEqual([]);
    expect(scooped.length).toBeGreaterThan(10);
    expect(printed.toners[0].items).toEqual([
      { name: 'Sedge 9 violet', grams: 10 },
      { name: 'Sedge 9 pearl', grams: 5 },
      { name: 'Sedge clear', grams: 5 },
      { name: 'Moth developer 5 vol', grams: 40 },
    ]);
    expect(printed.roots[0].items.slice(0, 2)).toEqual([
      { name: 'Sedge 6 natural', grams: 11 },
      { name: 'Sedge 6 ash', grams: 4 },
    ]);
    expect(printed.corrections[0].volumesOnHair).toBe(6.7);
    expect(printed.headFactor.strandTests).toBe(1);
  });

  test.each([
    [['--ratio', '0'], /--ratio: must be a number from 0.5 to 5/],
    [['--mix', 'nowhere.json'], /nowhere\.json cannot be read/],
    [['--mix', example], /plan\.json: Unrecognized keys: "format", "name"/],
    [['--volumes', 'A=90'], /--volumes: must be from 5 to 40/],
    [['--read', 'soon'], /--read: must be MINUTES:LEVEL/],
    [['--read', '15:5', '--from', '6'], /--read: no lift was read: 5 is not above 6/],
  ])('%j is refused with a sentence', async (flags, sentence) => {
    expect(await call('mix', example, ...flags)).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(sentence),
    });
  });
});

describe('bin/lattice clock', () => {
  test('prints its plans, and when each foil is placed, ready and off; nothing is over', async () => {
    const clock = JSON.parse(await output('clock', example, '--from', '6', '--to', '8'));
    expect(clockSchema.safeParse(clock).success).toBe(true);
    const { foils } = JSON.parse(
      readFileSync(path.join(root, 'docs/formats/examples/plan.sheet.json'), 'utf8'),
    ).totals;
    const work = JSON.parse(await output('work', example, '--from', '6', '--to', '8'));
    expect(work.units.filter(({ kind }: { kind: string }) => kind === 'foil')).toHaveLength(foils);
    // Everything that product is put on is on the clock: foils, tip-outs and lowlights, each with its letter.
    const of = (list: readonly { id?: string; unit?: string; letter: string; grams: number }[]) =>
      list.map(({ id, unit, letter }) => `${id ?? unit} ${letter}`).sort();
    expect(of(clock.foils)).toEqual(of(work.units));
    for (const { placed, ready, limit, off, clear } of clock.foils) {
      expect(placed < ready && ready <= limit && off < clear && ready <= off + 0.1).toBe(true);
      expect(clear).toBeLessThanOrEqual(limit - 3 + 0.1);
    }
    const [first, ...others] = clock.plans;
    expect(first).toMatchObject({ worstOver: 0, foilMinutesOver: 0, short: 0 });
    expect(first.basinVisits).toBeLessThanOrEqual(2);
    expect(others.length).toBeGreaterThan(0);
    // Its actions place every unit once, and open or rinse it.
    expect(
      first.actions.reduce(
        (sum: number, action: { do: string; from: number; to: number }) =>
          action.do === 'foil' ? sum + action.to - action.from + 1 : sum,
        0,
      ),
    ).toBe(work.units.length);
    expect(
      first.actions.reduce(
        (sum: number, action: { do: string; units?: string[] }) =>
          action.do === 'pull' ? sum + action.units!.length : sum,
        0,
      ),
    ).toBe(first.pulled);
    for (const { foils: parts } of first.parts)
      for (const part of parts) expect(parts.length === 1 || part >= 5).toBe(true);
    expect(clock.binds[0]).toMatch(/limit/);
    // The same call gives the same answer.
    expect(await output('clock', example, '--from', '6', '--to', '8')).toBe(
      `${JSON.stringify(clock, null, 2)}\n`,
    );
  });

  test('the frame, a second person and the margin are taken from flags', async () => {
    const of = async (...flags: string[]) =>
      JSON.parse(await output('clock', example, '--from', '6', '--to', '9', ...flags));
    const [usual, once, helped, bold] = [
      await of(),
      await of('--visits', '1'),
      await of('--second', 'pulls'),
      await of('--margin', '0'),
    ];
    expect(once.plans.map(({ basinVisits }: { basinVisits: number }) => basinVisits)).toEqual(
      once.plans.map(() => 1),
    );
    expect(helped.plans[0].second).toBe('pulls');
    expect(helped.plans[0].end).toBeLessThan(usual.plans[0].end - 20);
    expect(bold.plans[0].end).toBeLessThanOrEqual(usual.plans[0].end);
  });

  test('a target that is not expected: a timeline all the same, whole panels, the level that is reached and the remedies', async () => {
    const clock = JSON.parse(await output('clock', example, '--from', '2', '--to', '8', '--volumes', '10'));
    expect(clock.plans[0]).toMatchObject({ worstOver: 0 });
    expect(clock.plans[0].short).toBe(
      clock.foils.filter(({ ready, limit }: { ready: number; limit: number }) => ready >= limit - 0.05)
        .length,
    );
    expect(clock.plans[0].levelReached).toBeLessThan(8);
    expect(clock.notExpected[0].remedies.map(({ kind }: { kind: string }) => kind)).toEqual(
      expect.arrayContaining(['stronger', 'second-application']),
    );
    expect(clock.cannot[0]).toMatch(/is not expected within 45 min/);
  });

  test.each([
    [['--visits', '4'], /--visits: “4” is none of 1, 2, 3, free\./],
    [['--second', 'cuts'], /--second: “cuts” is none of none, pulls, foils\./],
    [['--margin', '16'], /--margin: must be minutes from 0 to 15\./],
  ])('%j is a sentence', async (flags, sentence) =>
    expect(await call('clock', example, ...flags)).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(sentence),
    }),
  );

  test('a call that cannot be is a sentence', async () => {
    expect(await call('clock', example, '--from', '11')).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(/--from: must be a level/),
    });
  });
});

describe('bin/lattice work', () => {
  const mixFile = path.join(root, 'docs/formats/examples/mix.json');

  test('prints the worked example, which fits its schema', async () => {
    const printed = await output('work', example, '--from', '6', '--to', '9', '--mix', mixFile);
    expect(printed).toBe(readFileSync(path.join(root, 'docs/formats/examples/work.json'), 'utf8'));
    expect(workSchema.safeParse(JSON.parse(printed)).success).toBe(true);
  });

  test('the same documents give the same letters, units and grams as mix and clock', async () => {
    const flags = ['--from', '6', '--to', '9', '--mix', mixFile];
    const [work, mix, clock] = [
      JSON.parse(await output('work', example, ...flags)),
      JSON.parse(await output('mix', example, ...flags)),
      JSON.parse(await output('clock', example, ...flags)),
    ];
    for (const { letter, units } of mix.formulas)
      expect(work.units.filter((unit: { letter: string }) => unit.letter === letter)).toHaveLength(units);
    for (const { letter } of mix.formulas) {
      const grams = work.units
        .filter((unit: { letter: string }) => unit.letter === letter)
        .reduce((sum: number, unit: { grams: number }) => sum + unit.grams, 0);
      const net = mix.amounts
        .filter(
          (amount: { letter: string; part: string }) => amount.letter === letter && amount.part !== 'second',
        )
        .reduce((sum: number, amount: { net: number }) => sum + amount.net, 0);
      expect(Math.abs(grams - net)).toBeLessThan(0.01 * net + 0.2);
    }
    expect(
      clock.foils.map(({ unit, letter }: { unit: string; letter: string }) => `${unit} ${letter}`).sort(),
    ).toEqual(work.units.map(({ id, letter }: { id: string; letter: string }) => `${id} ${letter}`).sort());
  });

  test('--regrowth: a formula on the regrowth alone reaches no further', async () => {
    const work = JSON.parse(await output('work', example, '--mix', mixFile, '--regrowth', '24'));
    const b = work.units.filter(({ letter }: { letter: string }) => letter === 'B');
    expect(b.length).toBeGreaterThan(10);
    for (const { reachMm } of b) expect(reachMm[1]).toBe(24);
  });
});

describe('bin/lattice growth', () => {
  const visits = path.join(root, 'docs/formats/examples/growth.json');

  test('prints rate, regrowth by zone, when the line shows and the next visit, as worked by hand', async () => {
    const report = JSON.parse(await output('growth', visits));
    // 24 in 8 weeks (middle of 24, 23, 24), 25 in 8, 49 in 16: variances 2.32, 2.32, 6.29.
    const [one, two, three] = [
      [8, 24],
      [8, 25],
      [16, 49],
    ].map(([weeks, mm]) => [weeks, mm, 1 + (0.05 * 2.875 * weeks) ** 2]);
    const weight = [one, two, three].reduce((sum, [w, , v]) => sum + w ** 2 / v, 1 / 0.46 ** 2);
    const rate =
      [one, two, three].reduce((sum, [w, mm, v]) => sum + (w * mm) / v, 2.875 / 0.46 ** 2) / weight;
    expect(report.rate.mmPerWeek).toBeCloseTo(rate, 2);
    expect(report.rate.intervals).toHaveLength(3);
    // Six weeks after three millimetres were left.
    expect(report.today.crown.mm).toBeCloseTo(3 + 6 * rate, 1);
    expect(report.today['ear-hairline-l']).toBeUndefined();
    expect(report.next).toMatchObject({
      what: 'toner',
      reasons: expect.arrayContaining([
        expect.stringMatching(/at the hairline after about 12 weeks \(9–15\), at about 37 mm of growth/),
      ]),
    });
  });

  test.each([
    [{ visits: [] }, /visits: must hold at least one visit/],
    [{ on: '2027-02-01' }, /visits\[1\]\.on: lies after the day of the estimate/],
    [{ visits: [{ on: '2027-01-04', regrowthMm: { brow: 3 } }] }, /visits\[0\]\.regrowthMm/],
    [{ visits: [{ on: '2027-01-04' }, { on: '2027-01-04' }] }, /visits\[1\]\.on: stands there twice/],
    [{ lightLevel: 12 }, /lightLevel: must be a number from 1 to 10/],
  ])('%j is refused with a sentence', async (part, sentence) => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-growth-')), 'growth.json');
    writeFileSync(file, JSON.stringify({ ...JSON.parse(readFileSync(visits, 'utf8')), ...part }));
    expect(await call('growth', file)).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(sentence),
    });
  });
});

describe('bin/lattice techniques and technique', () => {
  test('prints the library, which fits its schema', async () => {
    const library = techniquesSchema.parse(JSON.parse(await output('techniques')));
    expect(library.techniques.length).toBeGreaterThanOrEqual(17);
    for (const { cautions, purpose } of library.techniques)
      expect(cautions.length * purpose.length).toBeGreaterThan(0);
  });

  test('prints one pattern as a plan document that bin/lattice plan takes', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-plan-')), 'pattern.json');
    writeFileSync(file, await output('technique', 'perimeter-up'));
    const sheet = JSON.parse(await output('plan', file));
    expect(sheet.totals.foils).toBeLessThanOrEqual(15);
    expect(sheet.problems).toEqual([]);
  });

  test('an unknown pattern is a sentence with the names that there are', async () => {
    expect(await call('technique', 'plaits')).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(/there is no pattern “plaits”.*four-quarters/),
    });
    expect(await call('technique')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/name one pattern/),
    });
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
    [
      (p: typeof base) => {
        p.panels[1].thicknessMm = 41;
      },
      'panels[1].thicknessMm: must be a number from 0 to 40 mm.',
    ],
    [
      (p: typeof base) => {
        p.panels[0].thicknessMm = null;
      },
      'panels[0].thicknessMm: must be a number from 0 to 40 mm.',
    ],
    [
      (p: typeof base) => {
        p.panels[0].spacing.fromMm = '5';
      },
      'panels[0].spacing.fromMm: must be a number from 0 to 80 mm.',
    ],
    [
      (p: typeof base) => {
        p.panels[2].id = 'back';
      },
      'panels[2].id: "back" is used twice.',
    ],
    [
      (p: typeof base) => {
        p.panels[0].gather.kind = 'plait';
      },
      'panels[0].gather',
    ],
    [
      (p: typeof base) => {
        p.panels[0].place = { kind: 'ear' };
      },
      'panels[0].place',
    ],
    [
      (p: typeof base) => {
        p.panels[0].direction = { kind: 'parallel', angleDeg: 120 };
      },
      'panels[0].direction.angleDeg: must be a number from -90 to 90 degrees.',
    ],
    [
      (p: typeof base) => {
        p.panels[1].rotation.sequence = 'ab';
      },
      'panels[1].rotation.sequence: must be 2–24 capital letters, such as AABB.',
    ],
    [
      (p: typeof base) => {
        p.sectioning = ['nowhere'];
      },
      'sectioning[0]: there is no panel "nowhere".',
    ],
    [
      (p: typeof base) => {
        p.edits[0].foil = 'back';
      },
      'edits[0].foil: must be a foil id such as back/3/-1.',
    ],
    [
      (p: typeof base) => {
        p.head.hairline.left = 'square';
      },
      'head.hairline.left: must be one of round, straight, pointed, receding, or landmarks of its own.',
    ],
    [
      (p: typeof base) => {
        p.head.hairline.left = {
          landmarks: [
            [0, 40],
            [90, -10],
            [80, 5],
            [180, -90],
          ],
        };
      },
      'head.hairline.left.landmarks: landmark 3: its azimuth must be greater than the one before.',
    ],
    [
      (p: typeof base) => {
        p.head.earToEarMm = 449;
        p.head.circumferenceMm = 450;
      },
      'head: The ear-to-ear measure of 449 mm does not go with the other measures of this head.',
    ],
    [
      (p: typeof base) => {
        delete p.panels;
      },
      'panels: must be a list of panels.',
    ],
    [
      (p: typeof base) => {
        p.colour = 'red';
      },
      'Unrecognized key',
    ],
  ])('case %#', (change, sentence) => expect(problemOf(change)).toContain(sentence));

  test('a bare document is enough: everything but the panels has a default', () => {
    const read = parsePlanText('{"format":"dappled-lattice/plan","version":2,"panels":[]}');
    expect(read).toMatchObject({
      ok: true,
      value: { foil: { usableWidthMm: 95, toleranceMm: 25 }, sectioning: [], edits: [] },
    });
  });
});

describe('a document of version 1', () => {
  const old = {
    format: 'dappled-lattice/plan',
    version: 1,
    name: 'Old',
    head: { circumferenceMm: 560, hairline: { left: 'round', right: 'round' }, part: { offsetMm: 22 } },
    hair: { densityPerCm2: 170, strand: 'medium', lengthMm: 300 },
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: { kind: 'back' },
        direction: { kind: 'parallel', angleDeg: 0 },
        gather: { kind: 'slice' },
        thicknessMm: 4,
        spacing: { kind: 'constant', dropoutMm: 5 },
      },
      {
        id: 'side',
        name: 'Side',
        place: { kind: 'side', side: 'right' },
        gather: { kind: 'slice' },
        thicknessMm: 4,
        spacing: { kind: 'constant', dropoutMm: 5 },
      },
    ],
  };

  test('is read as one of the newest: the side stands beside the place, everything new has its default', () => {
    const read = parsePlanText(JSON.stringify(old));
    expect(read).toMatchObject({
      ok: true,
      value: {
        version: 4,
        head: { earToEarMm: null, part: { offsetMm: 22, none: false } },
        panels: [
          { side: 'both', place: { kind: 'back' } },
          { side: 'right', place: { kind: 'side' } },
        ],
      },
    });
  });

  test('what was wrong in it still names the field', () => {
    const read = parsePlanText(
      JSON.stringify({ ...old, panels: [{ ...old.panels[1], place: { kind: 'side', side: 'middle' } }] }),
    );
    expect(read).toMatchObject({
      ok: false,
      problem: 'panels[0].side: must be left, right, both or across.',
    });
  });
});

describe('bin/lattice plan --svg', () => {
  test('draws the opened head with a foil each, in real size', async () => {
    const folder = mkdtempSync(path.join(tmpdir(), 'lattice-svg-'));
    const out = path.join(folder, 'head.svg');
    const sheet = JSON.parse(await output('plan', example, '--svg', out));
    const svg = readFileSync(out, 'utf8');
    expect(svg.match(/<path id="/g)).toHaveLength(sheet.totals.foils);
    expect(svg).toMatch(/^<svg [^>]*width="\d+(\.\d+)?mm"/);
    expect(svg).not.toMatch(/NaN|Infinity|undefined/);
  });

  test('a file that cannot be written is a sentence', () => {
    expect(
      spawnSync(lattice, ['plan', example, '--svg', '/nowhere/head.svg'], { encoding: 'utf8' }),
    ).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/\/nowhere\/head\.svg cannot be written/),
    });
  });
});
