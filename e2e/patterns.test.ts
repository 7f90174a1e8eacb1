import { createPatternEngine, type Plan } from '@/core/pattern';
import Papa from 'papaparse';
import {
  address,
  begin,
  foilCount,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  axeFindings,
  signIn,
  type Session,
  dialogClosed,
  waitForNamed,
} from './harness';

let session: Session;
let visit: string;
let actions = 0;
beforeAll(async () => {
  session = await openBrowser(1280, 800);
  await signIn(session.page);
  visit = await newVisit(session.page, 'Made by Hand');
  await openStep(session.page, visit, 'pattern');
  await press(session.page, 'Library …');
  await press(session.page, 'Begin with an empty head');
  await dialogClosed(session.page);
});
afterAll(() => session.close());

// What a hand does is counted: a press, a choice, a field that is written.
const act = async (words: string) => {
  actions += 1;
  await press(session.page, words);
};
const choose = async (label: string, words: string) => {
  actions += 1;
  const found = await waitForNamed(session.page, label, 'combobox');
  await found.evaluate((element, wanted) => {
    const own = element as HTMLSelectElement;
    const option = [...own.options].find(({ textContent }) => textContent === wanted);
    if (!option)
      throw new Error(
        `${[...own.options].map(({ textContent }) => textContent).join(', ')} have no ${wanted}`,
      );
    own.value = option.value;
    own.dispatchEvent(new Event('change', { bubbles: true }));
  }, words);
};
const add = async (words: string) => {
  await act('Add a panel');
  actions += 1;
  await (await session.page.waitForSelector(
    `::-p-xpath(//*[@role="menuitem"][.//*[normalize-space()="${words}"]])`,
  ))!.click();
};
/** What is done by hand, within so many actions. */
const within = async (most: number, work: () => Promise<void>) => {
  actions = 0;
  await work();
  expect(actions).toBeLessThanOrEqual(most);
};
const engine = createPatternEngine();
const read = async (): Promise<Plan> => {
  await saved(session.page);
  return session.page.evaluate(
    async (id) => (await (await fetch(`/api/visits/${id}`)).json()).plan.document as unknown,
    visit,
  ) as Promise<Plan>;
};
/** The saved plan once it has so many panels, and what it comes to. */
const settled = async (panels: number) => {
  await session.page.waitForFunction(
    (count) => document.querySelectorAll('[data-panel-foils]').length === count,
    {},
    panels,
  );
  let plan = await read();
  for (let tries = 0; tries < 40 && plan.panels.length < panels; tries += 1) plan = await read();
  return { plan, sheet: engine.compute(plan).sheet };
};
const rowsOf = ({ sheet }: Awaited<ReturnType<typeof settled>>, panel: string, side: string) =>
  [
    ...new Map(
      sheet.foils
        .filter((foil) => foil.panel === panel && foil.side === side)
        .map((foil) => [foil.row, foil]),
    ).values(),
  ].sort((a, b) => a.row - b.row);

test('two slices and a weave in turn in the triangle at the face: at most 14 actions', async () => {
  await within(14, async () => {
    await add('Face frame');
    await act('In turn');
  });
  const made = await settled(1);
  expect(rowsOf(made, 'face', 'left').map(({ gather }) => gather)).toEqual([
    'slice',
    'slice',
    'weave',
    'slice',
    'slice',
  ]);
  expect(rowsOf(made, 'face', 'right').map(({ gather }) => gather)).toEqual([
    'slice',
    'slice',
    'weave',
    'slice',
    'slice',
  ]);
  // Each turn has figures of its own.
  await session.page.click('ol[aria-label="Gathers in turn"] li:nth-child(3) input');
  await session.page.keyboard.type('5');
  await session.page.waitForFunction(() => /5 mm|5 ×/.test(document.body.innerText));
  expect(
    rowsOf({ ...(await settled(1)) }, 'face', 'left')
      .map(({ thicknessMm }) => thicknessMm)
      .slice(0, 3),
  ).toEqual([3, 3, 5]);
  expect(await axeFindings(session.page)).toEqual([]);
});

test('sides at 2, 2, then 5 mm: at most 8 actions, typed as a list', async () => {
  await within(8, async () => {
    await add('Both sides');
    await choose('Spacing rule', 'A list, one by one');
  });
  const rows = rowsOf(await settled(2), 'sides', 'left');
  expect(rows.slice(0, 4).map(({ dropoutMm }) => dropoutMm)).toEqual([2, 2, 5, 5]);
});

test('a hairline from temple to behind the ear on both sides: at most 6 actions', async () => {
  await within(6, async () => {
    await add('Hairline from … to …');
  });
  const made = await settled(3);
  const [left, right] = ['left', 'right'].map((side) =>
    made.sheet.foils.filter((foil) => foil.panel === 'hairline' && foil.side === side),
  );
  expect(left.length).toBeGreaterThanOrEqual(3);
  expect(right.map(({ widthMm }) => widthMm)).toEqual(left.map(({ widthMm }) => widthMm));
  expect(new Set(left.map(({ zone }) => zone.replace(/-l$/, '')))).toEqual(
    new Set(['temple', 'ear-hairline']),
  );
  // Its ends move by landmark, in one action each.
  await choose('To', 'Corner of the nape');
  await session.page.waitForFunction(() =>
    [...document.querySelectorAll('select')].some((element) => element.value === '142'),
  );
  expect((await settled(3)).plan.panels.find(({ id }) => id === 'hairline')!.place).toMatchObject({
    fromDeg: 50,
    toDeg: 142,
  });
});

test('three light, two dark behind: at most 6 actions', async () => {
  await within(6, async () => {
    await add('Back');
    await choose('Formulas in turn', 'Three A, two B');
  });
  const rows = rowsOf(await settled(4), 'back', 'left');
  expect(
    rows
      .slice(0, 7)
      .map(({ formula }) => formula)
      .join(''),
  ).toBe('AAABBAA');
});

test('a perimeter for tied-up hair that follows the hair, of at most 15 foils: at most 8 actions', async () => {
  await within(8, async () => {
    await add('Perimeter for tied-up hair');
  });
  const made = await settled(5);
  const foils = made.sheet.foils.filter(({ panel }) => panel === 'perimeter');
  expect(foils.length).toBeGreaterThan(3);
  expect(foils.length).toBeLessThanOrEqual(15);
  expect(await session.page.$eval('[aria-label="Widths by the hair"]', (words) => words.textContent)).toMatch(
    /^10\.5 mm wide all along\./,
  );
});

test('sheet, chair and record show them', async () => {
  const { page } = session;
  const { sheet } = await settled(5);
  const table = await page.evaluate(
    async (id) => (await fetch(`/visits/${id}/sheet/foils.csv`)).text(),
    visit,
  );
  const { data } = Papa.parse<Record<string, string>>(table.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  expect(data.filter(({ kind }) => kind === 'foil')).toHaveLength(sheet.foils.length);
  expect(
    data
      .filter((row) => row.id.startsWith('face/') && row.side === 'left')
      .map(({ gather }) => gather)
      .join(' '),
  ).toMatch(/^slice slice weave/);
  const drawing = await page.evaluate(
    async (id) => (await fetch(`/visits/${id}/sheet/pattern.svg`)).text(),
    visit,
  );
  for (const words of [
    'Face frame',
    'Sides',
    'Hairline, temple to ear',
    'Back',
    'Perimeter',
    '2 slices, fine weave in turn',
  ])
    expect(drawing).toContain(words);

  await openStep(page, visit, 'record');
  const done = await page.$eval('textarea', (element) => (element as HTMLTextAreaElement).value);
  expect(done).toMatch(/Face frame: \d+ foils A; 2 slices, fine weave in turn/);
  expect(done).toMatch(/Back: \d+ foils A.*B/s);
  await begin(page);
  await page.goto(`${address()}/chair?visit=${visit}`);
  await see(page, 'The clock runs from the first foil on');
  await page.keyboard.press('Space');
  await page.waitForSelector('[aria-label="Section"]');
  expect(await page.$eval('[aria-label="Section"]', (element) => element.textContent)).toMatch(/mm, /);
  expect(sheet.foils.length).toBeGreaterThan(60);
});

test('the library is searched by a word and by what is wanted, and says what each costs', async () => {
  const { page } = session;
  await newVisit(page, 'Looks for a Pattern', 'pattern');
  expect(await foilCount(page)).toBeGreaterThan(0);
  await press(page, 'Library …');
  const names = () => page.$$eval('[role=dialog] li h3', (all) => all.map((element) => element.textContent));
  await page.waitForFunction(() => document.querySelectorAll('[role=dialog] li h3').length >= 18);
  await press(page, 'Grey');
  expect(await names()).toEqual(['Grey blend', 'Silver turn']);
  await (await page.waitForSelector('input[type=search]'))!.type('part');
  await page.waitForFunction(() => document.querySelectorAll('[role=dialog] li h3').length === 1);
  expect(await names()).toEqual(['Silver turn']);
  await page.waitForFunction(() =>
    /€\d+[^]*estimated/.test((document.querySelector('[role=dialog] li') as HTMLElement).innerText),
  );
});
