import { execFileSync } from 'node:child_process';
import path from 'node:path';
import Papa from 'papaparse';
import type { Page } from 'puppeteer-core';
import { recordOf, unitName } from '@/core/chair';
import { EMPTY_CONSULT, EMPTY_MIX, parseMix, startPlan } from '@/core/formats';
import { retypeFoil, type Panel, type Plan } from '@/core/pattern';
import { planOf, techniqueOf } from '@/core/technique';
import type { VisitMix } from '@/core/visit';
import { visitOf } from '@/core/visit/computed/testing';
import type { WorkUnit } from '@/core/work';
import { doneElsewhere, saidNow, served, settled, tap } from './at-the-chair';
import { later, withClock } from './later';
import {
  address,
  begin,
  live,
  newVisit,
  openBrowser,
  openStep,
  saved,
  see,
  signIn,
  type Session,
  put,
} from './harness';

/** What a pattern says of two formulas is what is mixed, called and recorded: foil by foil. */
let session: Session;
let page: Page;
beforeAll(async () => {
  later(0);
  session = await openBrowser(1024, 768);
  ({ page } = session);
  await withClock(page);
  await signIn(page);
});
afterAll(async () => {
  later(0);
  await session.close();
});

const panelOf = (key: string): Panel => planOf(techniqueOf(key)!).panels[0];
const turning = (sequence: string, by: 'row' | 'foil' = 'foil') => ({
  sequence,
  by,
  anew: false,
  from: 1,
  to: null,
});
const zones = (...of: readonly ('upper-back' | 'lower-side' | 'upper-side')[]) => ({
  kind: 'zones' as const,
  zones: of,
});

/**
 * A crossed panel A A B B, bricks A B, a wheel three light two dark, twelve drop-outs tipped out and six
 * lowlit; one foil of it set to B by hand.
 */
function pattern(): { plan: Plan; byHand: string } {
  const base = startPlan();
  const panels: Panel[] = [
    { ...panelOf('crossed-part'), id: 'crossed', name: 'Crossed', rotation: turning('AABB') },
    {
      ...panelOf('two-mixes-in-bricks'),
      id: 'bricks',
      name: 'Bricks',
      place: zones('upper-back'),
      side: 'across',
      spacing: { kind: 'constant', dropoutMm: 26 },
      thicknessMm: 6,
      rotation: turning('AB', 'row'),
    },
    { ...panelOf('crown-wheel'), id: 'wheel', name: 'Wheel', rotation: turning('AAABB') },
    {
      ...base.panels[1],
      id: 'tips',
      name: 'Sides',
      side: 'both',
      place: zones('lower-side', 'upper-side'),
      spacing: { kind: 'constant', dropoutMm: 7 },
      dropouts: { every: 1, treatments: ['tip-out', 'tip-out', 'lowlight'], together: 1, recipes: {} },
    },
  ];
  const plan = { ...base, name: 'Two formulas', panels, sectioning: ['tips'] };
  const byHand = visitOf({ plan }).work.units.find(
    ({ kind, panel }) => kind === 'foil' && panel === 'tips',
  )!.id;
  return { plan: retypeFoil(plan, byHand, { formula: 'B' }), byHand };
}

const MIX = {
  ...EMPTY_MIX,
  formulas: {
    B: {
      kind: 'deposit',
      line: 'sedge',
      parts: [
        { shade: 'sedge-6-natural', parts: 2 },
        { shade: 'sedge-6-ash', parts: 1 },
      ],
      volumes: 10,
      ratio: 2,
      minutes: 20,
    },
  },
};

const innerText = (selector: string) =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText.replace(/\s+/g, ' ').trim());
/** So many foils are looked at on the screen, each as it is called: the panel that turns A A B B first. */
const LOOKED_AT = 10;

const countOf = (units: readonly WorkUnit[], letter: string, kind: string) =>
  units.filter((unit) => unit.letter === letter && unit.kind === kind).length;

test('each unit is weighed, called, timed and recorded with the letter that the pattern gives it', async () => {
  const { plan, byHand } = pattern();
  const mix = parseMix(MIX);
  if (!mix.ok) throw new Error(mix.problem);
  const consult = {
    ...EMPTY_CONSULT,
    naturalLevel: 6,
    goalLevel: 8,
    head: plan.head,
    hair: plan.hair,
    health: {
      ...EMPTY_CONSULT.health,
      allergy: 'none' as const,
      dyes: 'none' as const,
      scalp: 'sound' as const,
      strandFeel: 'sound' as const,
    },
  };
  const expected = visitOf({ plan, mix: mix.value as VisitMix, consult });
  const { units } = expected.work;
  const letters = (panel: string) =>
    units
      .filter((unit) => unit.panel === panel && unit.kind === 'foil')
      .map(({ letter }) => letter)
      .join('');
  expect([letters('crossed'), letters('wheel')]).toEqual(['AABBAABB', 'AAABBAAABB']);
  expect(letters('bricks')).toMatch(/^A+B+A+B+/);
  expect([
    countOf(units, 'A', 'tip-out'),
    countOf(units, 'B', 'lowlight'),
    units.find(({ id }) => id === byHand)!.letter,
  ]).toEqual([12, 6, 'B']);

  const byId = new Map(units.map((unit) => [unit.id, unit]));
  const visit = await newVisit(page, 'Two Formulas', null);
  await put(page, visit, 'consult', consult);
  await put(page, visit, 'plan', plan);
  await put(page, visit, 'mix', MIX);

  const panelWords = (panel: string, name: string) => {
    const own = (letter: string, kind: string) =>
      units.filter((unit) => unit.panel === panel && unit.letter === letter && unit.kind === kind).length;
    return `${name}: ${own('A', 'foil')} foils A, ${own('B', 'foil')} foils B`;
  };

  // Pattern's table and Mix's card.
  const csv = await page.evaluate(async (at) => (await fetch(at)).text(), `/visits/${visit}/sheet/foils.csv`);
  const rows = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;
  expect(rows.map(({ id, formula, kind }) => `${id} ${formula} ${kind}`)).toEqual(
    units.map(({ id, letter, kind }) => `${id} ${letter} ${kind}`),
  );
  await openStep(page, visit, 'mix');
  await page.waitForSelector('li[aria-label="Bowl B 1"]');
  if (!expected.work.bowls.ok) throw new Error(expected.work.bowls.problem);
  const labels = expected.work.bowls.bowls.map(({ label }) => label);
  for (const label of labels) await page.waitForSelector(`li[aria-label="Bowl ${label}"]`);
  const bytes = await page.evaluate(
    async (at) => [...new Uint8Array(await (await fetch(at)).arrayBuffer())],
    `/visits/${visit}/sheet/mix.pdf`,
  );
  const card = (
    JSON.parse(
      execFileSync(process.execPath, [path.join(import.meta.dirname, 'pdf-text.mjs')], {
        input: Buffer.from(bytes),
        encoding: 'utf8',
      }),
    ) as { text: string }
  ).text.replace(/\s+/g, ' ');
  for (const label of labels) expect(card).toContain(label);
  for (const [panel, name] of [
    ['crossed', 'Crossed'],
    ['wheel', 'Wheel'],
  ])
    expect(card).toContain(panelWords(panel, name));

  // A plan is chosen in which foils are opened before the rinse.
  await openStep(page, visit, 'clock');
  const radio = (await page.waitForSelector('[role=radio][aria-label*="one rinse"]'))!;
  const planned = Number(
    /pulled (\d+)/.exec((await radio.evaluate((element) => element.getAttribute('aria-label')))!)![1],
  );
  expect(planned).toBeGreaterThan(5);
  await radio.click();
  await page.waitForSelector('[role=radio][aria-label*="one rinse"][aria-checked=true]');
  await saved(page);

  // The chair: foil by foil for the panels where the letter turns, one of them two minutes longer.
  await openStep(page, visit, 'record');
  await begin(page);
  await page.goto(`${address()}/chair?visit=${visit}`);
  await live(page);
  const { script } = await served(page, visit);
  const byName = new Map(script.units.map((unit) => [unitName(unit), unit]));
  let turns = 0;
  for (let placed = 0; placed < LOOKED_AT;) {
    const words = await saidNow(page);
    const said = await page.$eval(
      'section[aria-label=Now]',
      (element) => (element.querySelector('[aria-label=Mix]') as HTMLElement | null)?.innerText ?? null,
    );
    if (said === null) {
      await tap(page, /Fresh bowl/.test(words) ? 3 : 0);
      continue;
    }
    const found = [...byName].find(([name]) => words.includes(` ${name} `))?.[1];
    if (!found) throw new Error(`no unit is called “${words}”`);
    // The letter stands large, its mix in words beside it; a turn is said as such.
    expect(said).toBe(`${found.letter}: ${found.mix}${found.lifts ? '' : ' (deposits)'}`);
    const turn = /Now ([A-Z]), not ([A-Z])/.exec(words);
    if (turn) {
      turns += 1;
      expect([turn[1], turn[2]]).toEqual([found.letter, found.letter === 'A' ? 'B' : 'A']);
    }
    placed += 1;
    await tap(page, found.seconds / 60 + (placed === LOOKED_AT ? 2 : 0));
  }
  const lettersOf = (ids: readonly string[]) => ids.map((id) => byId.get(id)!.letter);
  const turnsIn = (ids: readonly string[]) =>
    lettersOf(ids).filter((letter, i, all) => i > 0 && letter !== all[i - 1]).length;
  await settled(page);
  const { events, steps, state } = await doneElsewhere(page, visit);
  const called = events.flatMap(({ body }) => (body.kind === 'closed' ? [body.foil] : []));
  expect(turns).toBe(turnsIn(called.slice(0, LOOKED_AT)));
  expect(turns).toBeGreaterThan(2);
  // In the order of the plan, panel after panel, each with its letter, and none past its limit although one
  // took so long.
  expect(called).toEqual(
    script.course.order.flatMap((id) => script.blocks.find((block) => block.id === id)!.units),
  );
  expect([...called].sort()).toEqual(units.map(({ id }) => id).sort());
  for (const step of steps)
    if (step.kind === 'foil')
      expect([step.own.unit.letter, step.turned?.from ?? step.own.unit.letter]).toEqual([
        byId.get(step.foil)!.letter,
        lettersOf(called)[Math.max(0, called.indexOf(step.foil) - 1)],
      ]);
  expect(
    new Set(events.flatMap(({ body }) => (body.kind === 'pulled' ? body.foils : []))).size,
  ).toBeGreaterThan(planned / 2);
  const record = recordOf(script, state);
  const past = record.units.filter(({ on, limitMinutes }) => on !== null && on > limitMinutes + 0.5);
  expect(past.map(({ id, on, limitMinutes, placed }) => ({ id, on, limitMinutes, placed }))).toEqual([]);
  expect(record).toMatchObject({ skipped: 0, added: 0 });
  // Later than planned by what one foil and the taps took.
  expect(Math.abs(record.rinsed.planned! - record.rinsed.done!)).toBeLessThan(0.15 * record.rinsed.planned!);

  // The record.
  await openStep(page, visit, 'record');
  const foils = units.filter(({ kind }) => kind === 'foil').length;
  await see(page, `On record: ${foils} foils`);
  const done = await page.$eval('textarea', (element) => element.value);
  for (const [panel, name] of [
    ['crossed', 'Crossed'],
    ['bricks', 'Bricks'],
    ['wheel', 'Wheel'],
  ])
    expect(done).toContain(panelWords(panel, name));
  expect(done).toMatch(/12 tip-outs A/);
  expect(done).toMatch(/6 lowlit drop-outs B/);
  await page.waitForSelector('table[aria-label="Planned against done"]');
  expect(await page.$$eval('table[aria-label="Planned against done"] tbody tr', (all) => all.length)).toBe(
    units.length,
  );
  const mixes = await innerText('table[aria-label=Mixes] tbody');
  expect(mixes).toContain(`${countOf(units, 'A', 'foil')} foils, 12 tip-outs`);
  expect(mixes).toContain(`${countOf(units, 'B', 'foil')} foils, 6 lowlit drop-outs`);
  expect(session.complaints).toEqual([]);
});
