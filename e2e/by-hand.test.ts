import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { fromOpened, sagittalPoint, surfaceDistance } from '@/core/head';
import { createPatternEngine, type Plan } from '@/core/pattern';
import {
  fill,
  foilCount,
  newVisit,
  openBrowser,
  press,
  saved,
  see,
  axeFindings,
  signIn,
  type Session,
  waitForNamed,
} from './harness';

let session: Session;
beforeAll(async () => {
  session = await openBrowser(1280, 800, { solids: true });
  await signIn(session.page);
});
afterAll(() => session.close());

const button = async (words: string) =>
  (await session.page.waitForSelector(`::-p-xpath(//button[normalize-space()="${words}"])`))!;
const pressWords = async (words: string) => (await button(words)).click();
const choose = async (trigger: string, item: string) => {
  await press(session.page, trigger);
  await (await session.page.waitForSelector(
    `::-p-xpath(//*[@role="menuitem"][.//*[normalize-space()="${item}"]])`,
  ))!.click();
};
const select = async (label: string, value: string) => {
  const found = await waitForNamed(session.page, label);
  await found.evaluate((element, wanted) => {
    const own = element as HTMLSelectElement;
    own.value = wanted;
    own.dispatchEvent(new Event('change', { bubbles: true }));
  }, value);
};
/** The plan as it is saved, once what was just done has arrived there. */
const savedPlan = async (visitId: string, arrived: (plan: Plan) => boolean = () => true): Promise<Plan> => {
  const read = () =>
    session.page.evaluate(
      async (id) => (await (await fetch(`/api/visits/${id}`)).json()).plan.document as unknown,
      visitId,
    ) as Promise<Plan>;
  await saved(session.page);
  let plan = await read();
  for (let tries = 0; tries < 60 && !arrived(plan); tries += 1) {
    await saved(session.page);
    plan = await read();
  }
  expect(arrived(plan)).toBe(true);
  return plan;
};
/** The number of foils once what was drawn by hand has been computed: the same for twenty frames. */
const settledCount = () =>
  session.page.evaluate(async () => {
    const count = () => Number(document.querySelector('#total-foils')!.textContent);
    for (let same = 0, last = count(); same < 20;) {
      await new Promise(requestAnimationFrame);
      same = count() === last ? same + 1 : 0;
      last = count();
    }
    return count();
  });
/** Drags a grip by pixels. */
const drag = async (label: RegExp, dx: number, dy: number) => {
  const { page } = session;
  const at = await page.$$eval(
    'g.grip',
    (all, source) => {
      const found = all.find((grip) => new RegExp(source).test(grip.getAttribute('aria-label') ?? ''));
      const box = found!.getBoundingClientRect();
      return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    },
    label.source,
  );
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + dx / 2, at.y + dy / 2, { steps: 4 });
  await page.mouse.move(at.x + dx, at.y + dy, { steps: 4 });
  await page.mouse.up();
};

/** Hair between the part and the nearest foil of each side, mm over the skin. */
function toPart(plan: Plan): { left: number; right: number } {
  const { drawing, sheet } = createPatternEngine().compute(plan);
  const { head } = drawing;
  const { offsetMm } = plan.head.part;
  const nearest = { left: Infinity, right: Infinity };
  drawing.paths.forEach(({ packed, count }, i) => {
    const { side, panel } = sheet.foils[i];
    if (side === 'across' || panel !== 'sides') return;
    for (let j = 0; j < count; j += 1) {
      for (const edge of [2, 4]) {
        const point = fromOpened(head, { x: packed[6 * j + edge], y: packed[6 * j + edge + 1] });
        nearest[side] = Math.min(
          nearest[side],
          surfaceDistance(point, sagittalPoint(head, offsetMm, Math.atan2(point.y, point.z)), head.skull),
        );
      }
    }
  });
  return nearest;
}

test('from an empty head to a fitted, printed full head', async () => {
  const { page, complaints } = session;
  const visitId = await newVisit(page, 'Whole Story', 'pattern');
  await page.waitForSelector('#total-foils');

  // An empty head.
  await press(page, 'Library …');
  await pressWords('Begin with an empty head');
  await see(page, 'No panels yet.');
  expect(await foilCount(page)).toBe(0);

  // A full head of fine weaves in at most twelve actions: these are four.
  await choose('Add a panel', 'Back');
  await choose('Add a panel', 'Both sides');
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')!.textContent) > 90);
  const full = await foilCount(page);
  expect(full).toBeGreaterThan(92);
  expect(full).toBeLessThan(120);
  expect(await axeFindings(page)).toEqual([]);

  // Another pattern, and back.
  await press(page, 'Library …');
  await press(page, 'Apply: Rim for hair worn up');
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')!.textContent) <= 15);
  await press(page, 'Undo: pattern Rim for hair worn up');
  await page.waitForFunction(
    (n) => Number(document.querySelector('#total-foils')!.textContent) === n,
    {},
    full,
  );

  // The part is dragged; sides that count back from it keep their sliver there.
  await page.$eval('[data-panel-foils="sides"]', (element) =>
    (element.closest('button') as HTMLButtonElement).click(),
  );
  await select('Partings', 'part');
  await select('Spacing rule', 'backwards');
  await see(page, 'Sliver at the line');
  const before = toPart(await savedPlan(visitId, (plan) => plan.panels[1].spacing.kind === 'backwards'));
  await drag(/^Part/, -45, 0);
  await page.waitForFunction(() =>
    /part \d+ mm left/.test(document.querySelector('header')!.textContent ?? ''),
  );
  const moved = await savedPlan(visitId, (plan) => plan.head.part.offsetMm > 15);
  const after = toPart(moved);
  // Half of the 4 mm sliver lies on each side of the part, wherever the part runs.
  for (const side of ['left', 'right'] as const) {
    expect(before[side]).toBeCloseTo(2, 1);
    expect(after[side]).toBeCloseTo(2, 1);
  }

  // Three checks, opened and mended.
  await page.$eval('[data-panel-foils="back"]', (element) =>
    (element.closest('button') as HTMLButtonElement).click(),
  );
  await fill(page, 'Thickness, typed', '8 mm');
  await page.keyboard.press('Enter');
  await select('Columns', 'one');
  await press(page, 'Foil the panel Sides');
  await (await page.waitForSelector('button[aria-expanded="false"]::-p-text(to look at)'))!.click();
  for (const [seen, mend] of [
    ['thicker than see-through for a fine weave', 'Thickness 8 → 5 mm'],
    ['wider than the foil', 'Divide into columns'],
    ['of the hairline round the face', 'Add a fine weave there'],
  ]) {
    await see(page, seen);
    await pressWords(mend);
    await page.waitForFunction((words) => !document.body.innerText.includes(words), {}, seen);
  }
  await press(page, 'Foil the panel Sides');

  // Fitted to sixty foils.
  await press(page, 'Fit to …');
  await fill(page, 'At most this many foils', '60');
  await pressWords('Show how');
  await see(page, 'Lost:');
  await pressWords('Apply');
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')!.textContent) <= 60);
  const fitted = await foilCount(page);
  expect(fitted).toBeGreaterThan(45);
  const counts = await page.$$eval('[data-panel-foils]', (all) => all.map((element) => element.textContent!));

  // The printed sheet says the same.
  await saved(page);
  const sheets = await page.evaluate(async (id) => {
    const read = async (form: string) => {
      const response = await fetch(`/visits/${id}/sheet/pattern.${form}`);
      return {
        type: response.headers.get('content-type'),
        bytes: [...new Uint8Array(await response.arrayBuffer())],
      };
    };
    return { pdf: await read('pdf'), svg: await read('svg') };
  }, visitId);
  expect(sheets.pdf.type).toBe('application/pdf');
  const { pages, text } = JSON.parse(
    execFileSync(process.execPath, [path.join(import.meta.dirname, 'pdf-text.mjs')], {
      input: Buffer.from(sheets.pdf.bytes),
      encoding: 'utf8',
    }),
  );
  expect(pages).toBe(1);
  const printed = text.split(/\s+/);
  expect(text).toContain('Whole Story');
  for (const figure of [String(fitted), ...counts]) expect(printed).toContain(figure);
  const svg = new TextDecoder().decode(new Uint8Array(sheets.svg.bytes));
  expect(svg.match(/<path id="/g)).toHaveLength(fitted);
  expect(complaints).toEqual([]);
});

test('by hand: a panel’s edge, the pitch, the angle, the hairline, a triangle left out; each undone by name', async () => {
  const { page, complaints } = session;
  const visitId = await newVisit(page, 'By Hand Everywhere', 'pattern');
  await page.waitForSelector('#total-foils');
  await choose('Add a panel', 'Face frame');
  await drag(/^Depth behind the hairline/, 0, 60);
  const depth = ({ panels }: Plan) => {
    const place = panels.find(({ id }) => id === 'face')?.place;
    return place?.kind === 'face-frame' ? place.depthMm : 0;
  };
  await savedPlan(visitId, (plan) => depth(plan) > 55);
  await page.waitForSelector('button[aria-label^="Undo: depth behind the hairline 35 mm → "]');

  // A foil of the back: its middle is the pitch, its end the angle.
  const cells = await page.$$('footer svg g[data-unit]');
  await cells[20].click();
  await drag(/drag to change the pitch/, 0, -25);
  await page.waitForSelector('button[aria-label^="Undo: drop-out 5 mm → "]');
  await press(
    page,
    await page.$eval('button[aria-label^="Undo: drop-out"]', (element) =>
      element.getAttribute('aria-label')!,
    ),
  );
  await drag(/drag to turn the partings/, 20, 40);
  await page.waitForFunction(() => document.querySelector('button[aria-label^="Undo: angle"]'));

  // A triangle is painted out and taken back in.
  const before = await settledCount();
  await pressWords('Leave out');
  await page.mouse.move(630, 330);
  await page.mouse.down();
  await page.mouse.move(600, 430, { steps: 5 });
  await page.mouse.up();
  await see(page, 'A triangle is left out');
  await savedPlan(visitId, ({ panels }) => panels.some(({ leaveOut }) => leaveOut.length === 1));
  await pressWords('Remove the last triangle');
  await page.waitForFunction(
    (n) => Number(document.querySelector('#total-foils')!.textContent) === n,
    {},
    before,
  );

  // And by keyboard alone: a triangle in the middle of the panel, whose corners the arrow keys move.
  await (await button('Leave a triangle out')).evaluate((element) => (element as HTMLButtonElement).focus());
  await page.keyboard.press('Enter');
  const corner = (await page.waitForSelector('g.grip[aria-label^="Corner 1 of what is left out"]'))!;
  const place = () =>
    page.$eval(
      'g.grip[aria-label^="Corner 1 of what is left out"]',
      (element) => element.getBoundingClientRect().y,
    );
  const was = await place();
  await corner.evaluate((element) => (element as SVGGElement).focus());
  await page.keyboard.down('Shift');
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowUp');
  await page.keyboard.up('Shift');
  // 40 mm towards the forehead: up the drawing.
  expect(await place()).toBeLessThan(was - 30);
  await pressWords('Remove the last triangle');

  // A landmark of the hairline, by keyboard; the other side goes along.
  await pressWords('Hairline');
  const landmark = (await page.waitForSelector('g.grip[aria-label^="Hairline, left, landmark 3"]'))!;
  await landmark.evaluate((element) => (element as SVGGElement).focus());
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowUp');
  const { left, right } = (await savedPlan(visitId, ({ head }) => typeof head.hairline.left === 'object'))
    .head.hairline;
  expect(typeof left === 'object' && left).toEqual(right);
  expect(await axeFindings(page)).toEqual([]);

  // An edge that no figure sets is turned into corners.
  await pressWords('Choose');
  await page.$eval('[data-panel-foils="back"]', (element) =>
    (element.closest('button') as HTMLButtonElement).click(),
  );
  await pressWords('Draw its edge by hand');
  await page.waitForSelector('g.grip[aria-label^="Corner 1"]');
  await savedPlan(visitId, ({ panels }) => panels.find(({ id }) => id === 'back')?.place.kind === 'outline');
  expect(complaints).toEqual([]);
});

test('the round head turns, jumps to its views and picks the same foil as the opened head', async () => {
  const { page, complaints } = session;
  await press(page, 'Round head, large');
  const head = (await page.waitForSelector('[aria-label^="Round head from behind"]'))!;
  const turn = () => head.evaluate((element) => element.getAttribute('data-turn'));
  const views: Record<string, string> = {};
  for (const view of ['Left', 'Top', 'Front', 'Right', 'Back']) {
    await press(page, view);
    views[view] = (await turn())!;
  }
  expect(views).toEqual({ Left: '90 8', Top: '180 88', Front: '0 6', Right: '-90 8', Back: '180 12' });
  await head.focus();
  await page.keyboard.press('ArrowLeft');
  expect(await turn()).not.toBe('180 12');
  await page.keyboard.press('1');
  expect(await turn()).toBe('180 12');
  // Between two foils lies a drop-out: a little lower or higher there is one.
  const box = (await head.boundingBox())!;
  for (let dy = 0; dy < 30 && (await page.$('[aria-label="Change this foil"]')) === null; dy += 3) {
    await page.mouse.click(box.x + box.width / 2 - 40, box.y + box.height * 0.62 + dy);
  }
  await see(page, 'Remove');
  const picked = await page.$eval(
    '[aria-label="Change this foil"]',
    (element) => element.parentElement!.innerText,
  );
  expect(picked).toMatch(/left/);
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Opened head, large');
  expect(complaints).toEqual([]);
});

test('lengths are typed in any unit; what cannot be read stays, with a sentence', async () => {
  const { page } = session;
  const visitId = await newVisit(page, 'Units', 'pattern');
  await fill(page, 'Thickness, typed', '1/4"');
  await page.keyboard.press('Enter');
  await page.waitForSelector('button[aria-label^="Undo: thickness 4 mm → 6."]');
  await savedPlan(visitId, ({ panels }) => panels[0].thicknessMm === 6.35);
  await fill(page, 'Drop-out, typed', '0.6 cm');
  await page.keyboard.press('Enter');
  await waitForNamed(page, 'Undo: drop-out 5 mm → 6 mm, Back');
  await fill(page, 'Drop-out, typed', 'a finger');
  await page.keyboard.press('Enter');
  await see(page, '“a finger” cannot be used for drop-out here.');
  await page.keyboard.press('Escape');
  await saved(page);
});

test('without WebGL the opened head stands alone, and it is said', async () => {
  const plain = await openBrowser();
  try {
    await plain.page.evaluateOnNewDocument(() => {
      const own = HTMLCanvasElement.prototype.getContext;
      HTMLCanvasElement.prototype.getContext = function (
        this: HTMLCanvasElement,
        kind: string,
        ...rest: unknown[]
      ) {
        return /webgl/.test(kind) ? null : (own as (...all: unknown[]) => unknown).call(this, kind, ...rest);
      } as typeof own;
    });
    await signIn(plain.page);
    await newVisit(plain.page, 'No Solids', 'pattern');
    await see(plain.page, 'This browser has no WebGL');
    expect(await foilCount(plain.page)).toBeGreaterThan(90);
    expect(plain.complaints).toEqual([]);
  } finally {
    await plain.close();
  }
});
