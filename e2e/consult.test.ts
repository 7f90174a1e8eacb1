import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { CHAPTER_WORDS, type Chapter } from '@/core/consult';
import {
  address,
  at,
  begin,
  chapter,
  field,
  fill,
  live,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  axeFindings,
  signIn,
  type Session,
} from './harness';

let session: Session;
let page: Page;
beforeAll(async () => {
  session = await openBrowser();
  ({ page } = session);
  await signIn(page);
});
afterAll(() => session.close());

/** Goes on with Tab until the control of this name has the focus, as somebody without a pointer does. */
async function tabTo(name: string, role?: string): Promise<void> {
  for (let i = 0; i < 140; i += 1) {
    await page.keyboard.press('Tab');
    const found = await page.evaluate(() => {
      const element = document.activeElement!;
      const labelled = element.getAttribute('aria-labelledby');
      const label =
        element.getAttribute('aria-label') ??
        (labelled && document.getElementById(labelled)?.textContent) ??
        (element as HTMLInputElement).labels?.[0]?.textContent ??
        element.textContent ??
        '';
      const group = element.closest('[role=group],[role=radiogroup]')?.getAttribute('aria-label') ?? '';
      return {
        label: label.trim().replace(/\d\/\d$/, ''),
        group,
        role: element.getAttribute('role') ?? element.tagName.toLowerCase(),
      };
    });
    if ((found.label === name || found.group === name) && (role === undefined || found.role === role)) return;
  }
  throw new Error(`Tab does not lead to ${name}.`);
}

const keys = async (...pressed: Parameters<Page['keyboard']['press']>[0][]) => {
  for (const key of pressed) {
    await page.keyboard.press(key);
    // The focus moves in a task of its own: a hand is slower than that, a test must let it pass.
    await page.evaluate(() => new Promise((turn) => setTimeout(turn)));
  }
};

/** Chooses an answer of a question by arrow keys: the first one is `Home`. */
async function choose(question: string, nth: number): Promise<void> {
  await tabTo(question);
  await keys('Home');
  for (let i = 1; i < nth; i += 1) await keys('ArrowRight');
  await keys('Space');
}

const goTo = async (key: Chapter) => {
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(CHAPTER_WORDS[key], 'a');
  await keys('Enter');
  await page.waitForSelector(`nav[aria-label="Consultation"] a[href="#${key}"][aria-current="true"]`);
};

const track = () =>
  page.$$eval('nav[aria-label="Consultation"] a', (all) =>
    Object.fromEntries(
      all.map((a) => [a.childNodes[0].textContent, a.querySelector('span')?.textContent ?? '']),
    ),
  );

test('a whole consultation by keyboard alone', async () => {
  await newVisit(page, 'Keyboard Only');

  await goTo('wish');
  await tabTo('Goal level', 'slider');
  await keys('ArrowRight', 'ArrowRight');
  await choose('Contrast', 1);
  await choose('Tone', 3);
  await choose('Face frame', 2);
  await choose('Blend at the hairline', 2);
  await see(page, 'Fine weaves in the first 35 mm');

  await goTo('worn');
  await tabTo('Tied up', 'slider');
  for (let i = 0; i < 6; i += 1) await keys('ArrowRight');
  await tabTo('Half up', 'slider');
  await keys('ArrowRight');
  await choose('Curl', 1);
  await choose('Cut', 1);
  await choose('Side of the part', 1);
  await choose('How often it moves', 3);
  await choose('Cowlick', 1);
  await see(page, 'The hairline band carries the look');

  await goTo('upkeep');
  await tabTo('8 weeks');
  await keys('Enter');
  await tabTo('3 a week');
  await keys('Enter');
  await see(page, 'A toner lasts about 7 weeks.');

  await goTo('history');
  await tabTo('When');
  await page.keyboard.type('03152025');
  await tabTo('Note on it');
  await page.keyboard.type('dark box colour');
  await tabTo('Add');
  await keys('Enter');
  await see(page, 'dark box colour');
  await see(page, 'A strand test says how far');
  await choose('Extensions', 1);

  await goTo('head');
  await tabTo('Hairline, left: Pointed');
  await keys('Enter');
  await tabTo('Hairline, right: Receding');
  await keys('Enter');

  await goTo('safety');
  await choose('Allergic reaction to colour', 1);
  await choose('Metal-salt or plant dyes', 1);
  await choose('Scalp', 1);
  await choose('A wet strand, pulled gently', 1);

  await goTo('goals');
  await tabTo('Target');
  await page.keyboard.type('Brighter face first');
  await tabTo('Add target');
  await keys('Enter');
  await see(page, 'Brighter face first');
  await tabTo('Notes');
  await page.keyboard.type('Said by keyboard.');

  // The map: two sides that differ, painted with arrow keys and Enter.
  await goTo('map');
  await tabTo('Natural level');
  await keys('Enter');
  await tabTo('Both sides at once');
  await keys('Space');
  await tabTo('Natural level to paint', 'slider');
  await keys('ArrowLeft', 'ArrowLeft');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo('Front hairline, left: 6');
  await keys('Enter', 'ArrowRight', 'ArrowRight');
  const right = await page.evaluate(() => document.activeElement!.getAttribute('aria-label'));
  expect(right).toMatch(/, right: 6$/);
  await saved(page);
  expect(await page.$eval('[data-zone="front-hairline-l"]', (zone) => zone.getAttribute('aria-label'))).toBe(
    'Front hairline, left: 5',
  );
  expect(await page.$eval('[data-zone="front-hairline-r"]', (zone) => zone.getAttribute('aria-label'))).toBe(
    'Front hairline, right: 6',
  );

  expect(await track()).toMatchObject({
    Wish: '4/4',
    'How it is worn': '6/6',
    Upkeep: '2/2',
    History: '2/2',
    'Tests and cautions': '4/4',
  });
  await page.reload();
  await live(page);
  expect(await track()).toMatchObject({ Wish: '4/4', 'How it is worn': '6/6' });
  expect(session.complaints).toEqual([]);
});

describe('the hair map', () => {
  const said = (zone: string) =>
    page.$eval(`[data-zone="${zone}"]`, (element) => element.getAttribute('aria-label')!);
  const middle = async (zone: string) => {
    await page.waitForSelector(`[data-zone="${zone}"] text`);
    return page.$eval(`[data-zone="${zone}"] text`, (text) => {
      const { x, y } = new DOMPoint(
        Number(text.getAttribute('x')),
        Number(text.getAttribute('y')),
      ).matrixTransform((text as SVGTextElement).getScreenCTM()!);
      return { x, y };
    });
  };

  test('is painted by dragging over zones, as one step of undo, with sides that differ', async () => {
    await newVisit(page, 'Painted Map');
    await chapter(page, 'map');
    await press(page, 'Grey');
    await press(page, 'Both sides at once');
    const [from, over, to] = [await middle('upper-side-l'), await middle('top-l'), await middle('front-l')];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(over.x, over.y, { steps: 8 });
    await page.mouse.move(to.x, to.y, { steps: 8 });
    await page.mouse.up();
    for (const zone of ['upper-side-l', 'top-l', 'front-l']) expect(await said(zone)).toMatch(/: 30%$/);
    for (const zone of ['upper-side-r', 'top-r', 'front-r', 'nape-l'])
      expect(await said(zone)).toMatch(/: not seen$/);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    expect(await said('top-l')).toMatch(/not seen$/);
    await page.mouse.click(from.x, from.y);
    await press(page, 'Left → right');
    expect(await said('upper-side-r')).toMatch(/: 30%$/);
    await saved(page);
  });

  test('fills the whole head, then takes exceptions; a length below the regrowth is refused by its field', async () => {
    await press(page, 'Regrowth');
    await fill(page, 'Regrowth to paint', '24');
    await press(page, 'Whole head');
    await fill(page, 'Temple, left', '14');
    expect([await said('temple-l'), await said('temple-r'), await said('crown')]).toEqual([
      'Temple, left: 14 mm',
      'Temple, right: 24 mm',
      'Crown: 24 mm',
    ]);
    await press(page, 'Length');
    await fill(page, 'Nape, left', '20');
    await see(page, 'Nape, left: write a figure from 24 to 1200 mm.');
    expect(await said('nape-l')).toMatch(/: 300 mm$/);
    await saved(page);
  });

  test('says what changed since last time', async () => {
    await page.goto(`${address()}/clients?find=maren`);
    await press(page, 'Maren Tolland');
    await press(page, 'Open the visit');
    await at(page, /pattern$/);
    await live(page);
    await press(page, 'Consult');
    await chapter(page, 'map');
    await see(page, 'The map says the same.');
    await press(page, 'Strand');
    const temple = await middle('temple-l');
    await page.mouse.click(temple.x, temple.y);
    await see(page, 'Strand medium → fine: temple, left; temple, right');
    await press(page, 'Undo: strand, temple, left');
    await see(page, 'The map says the same.');
    await saved(page);
  });
});

/** A picture with a ruler: black marks 40 pixels apart for each 4 mm, and a line of hair of 22 mm below. */
async function ruledPicture(): Promise<string> {
  const marks = Array.from(
    { length: 11 },
    (_, i) => `<rect x="${118 + 40 * i}" y="80" width="4" height="60" fill="#111"/>`,
  ).join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600"><rect width="800" height="600" fill="#8a6a4a"/><rect x="60" y="60" width="680" height="100" fill="#eee"/>${marks}
    <rect x="118" y="300" width="4" height="4" fill="#fff"/><rect x="338" y="300" width="4" height="4" fill="#fff"/><rect x="500" y="400" width="120" height="120" fill="#767676"/></svg>`;
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-picture-')), 'ruled.png');
  writeFileSync(file, await sharp(Buffer.from(svg)).png().toBuffer());
  return file;
}

describe('a picture of the hair', () => {
  const picture = () =>
    page.waitForSelector('svg[aria-label="On the picture"]') as Promise<ElementHandle<SVGSVGElement>>;
  /** A place of the picture, in its own pixels, on the screen. */
  const on = async (x: number, y: number) => {
    const box = (await (await picture()).boundingBox())!;
    return { x: box.x + (x / 800) * box.width, y: box.y + (y / 600) * box.height };
  };

  test('measures 22 mm within one, beside a known scale, and hands it to the map', async () => {
    await newVisit(page, 'Picture Subject');
    await chapter(page, 'map');
    const input = (await page.waitForSelector(
      'section[aria-label="Values"] input[type=file]',
    )) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(await ruledPicture());
    await (await page.waitForSelector('button[aria-label^="Open the picture"]'))!.click();
    await page.waitForFunction(
      () => (document.querySelector('img[alt="The picture"]') as HTMLImageElement)?.naturalWidth === 800,
    );
    for (const [x, y] of [
      [120, 110],
      [520, 110],
    ]) {
      const place = await on(x, y);
      await page.mouse.click(place.x, place.y);
    }
    await fill(page, 'Their distance', '40');
    const [from, to] = [await on(120, 302), await on(340, 302)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 10 });
    await page.mouse.up();
    const mm = Number(await page.$eval('#measured-mm', (element) => element.textContent));
    expect(Math.abs(mm - 22)).toBeLessThan(1);
    expect(await axeFindings(page)).toEqual([]);
    // By keyboard, too: ten pixels of the picture are one millimetre.
    await page.$eval('[aria-label="Length, second point"]', (handle) => (handle as SVGElement).focus());
    for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
    const longer = Number(await page.$eval('#measured-mm', (element) => element.textContent));
    expect(longer - mm).toBeGreaterThan(0.15);
    expect(longer - mm).toBeLessThan(0.45);
    await (await page.waitForSelector('button::-p-text(as regrowth to paint)'))!.click();
    const taken = Number(await (await field(page, 'Regrowth to paint')).evaluate((element) => element.value));
    expect(Math.abs(taken - longer)).toBeLessThanOrEqual(0.25);
  });

  test('a level is read beside a grey card, with its spread', async () => {
    await (await page.waitForSelector('button[aria-label^="Open the picture"]'))!.click();
    await (await page.waitForSelector('[role=dialog] button::-p-text(Level)'))!.click();
    for (const [x, y] of [
      [560, 460],
      [300, 450],
    ]) {
      const place = await on(x, y);
      await page.mouse.click(place.x, place.y);
    }
    await see(page, '± 0.7');
    const level = await page.$eval('[role=dialog] [role=status]', (element) => element.textContent);
    // #8a6a4a beside an 18 % card: lightness 0.54 in the table between level 6 and 7½.
    expect(level).toMatch(/^Level (6½|7|7½) /);
    await press(page, 'Close');
  });

  test('is archived, comes back, and is deleted for good only from there', async () => {
    const open = async (within = '') =>
      (await page.waitForSelector(`${within} button[aria-label^="Open the picture"]`))!.click();
    await open();
    await press(page, 'Archive');
    await (await page.waitForSelector('summary::-p-text(Archived (1))'))!.click();
    expect(
      await page.$$('section[aria-label="Values"] ul > li > button[aria-label^="Open the picture"]'),
    ).toHaveLength(1);
    await open('details');
    expect(await axeFindings(page)).toEqual([]);
    await press(page, 'Restore');
    await page.waitForSelector('summary::-p-text(Archived)', { hidden: true });
    await open();
    await press(page, 'Archive');
    await (await page.waitForSelector('summary::-p-text(Archived (1))'))!.click();
    await open('details');
    await press(page, 'Delete for good');
    await page.waitForSelector('button[aria-label^="Open the picture"]', { hidden: true });
  });

  test.each([
    ['a text that is named a picture', 'leaf.jpg', Buffer.from('not a picture at all, only words')],
    ['a cut-off picture', 'half.png', null],
  ])('%s is one sentence with its name, and nothing is kept', async (_, name, bytes) => {
    const before = await page.$$eval('button[aria-label^="Open the picture"]', (all) => all.length);
    const whole = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#a08060' } })
      .png()
      .toBuffer();
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-picture-')), name);
    writeFileSync(file, bytes ?? whole.subarray(0, 200));
    const input = (await page.waitForSelector(
      'section[aria-label="Values"] input[type=file]',
    )) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await see(page, `${name}: The ${bytes ? 'file is no JPEG' : 'picture is broken'}`);
    expect(await page.$$eval('button[aria-label^="Open the picture"]', (all) => all.length)).toBe(before);
  });
});

test('a caution takes its reason, a stop takes none, and all of it is in the trail', async () => {
  await newVisit(page, 'Trail Reader');
  const clientPath = await page.$eval('a[aria-label^="Back to"]', (link) => link.getAttribute('href')!);
  await chapter(page, 'safety');
  await press(page, 'Broken');
  await see(page, 'Stop: The scalp is broken.');
  await saved(page);
  await page.keyboard.press('Escape');
  await press(page, 'Record');
  await at(page, /record$/);
  await press(page, 'Before you begin');
  await page.waitForSelector('[role=dialog] li');
  const cards = await page.$$eval('[role=dialog] li', (all) =>
    all.map((card) => ({ text: card.textContent, form: card.querySelector('form') !== null })),
  );
  expect(cards[0].text).toMatch(/^Stop: The scalp is broken\..*No reason overrides this/);
  expect(cards.map(({ form }) => form)).toEqual([false, true, true, true]);
  expect(await page.$$eval('[role=dialog] button', (all) => (all.at(-1) as HTMLButtonElement).disabled)).toBe(
    true,
  );
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Close');
  // Not by asking the server either: it is refused there.
  const visit = new URL(page.url()).pathname.split('/')[2];
  const refused = await page.evaluate(async (id) => {
    const body = JSON.stringify({
      baseRevision: 0,
      editId: crypto.randomUUID(),
      document: { version: 1, done: 'x', foilsPlaced: 1, levelReached: 8, nextOn: null },
    });
    return (
      (await (await fetch(`/api/visits/${id}/outcome`, { method: 'PUT', body })).json()) as {
        problem: string;
      }
    ).problem;
  }, visit);
  expect(refused).toMatch(/has not begun/);

  await press(page, 'Consult');
  await at(page, /consult$/);
  await chapter(page, 'safety');
  await press(page, 'Sound');
  await page.waitForFunction(() => !document.body.innerText.includes('Stop:'));
  await press(page, 'Record');
  await at(page, /record$/);
  await begin(page);
  await press(page, 'Record the visit');
  await see(page, 'On record:');

  await page.goto(`${address()}${clientPath}/trail`);
  await see(page, 'began the service');
  const trail = await page.$eval(
    'ol[aria-label="Trail, newest first"]',
    (list) => (list as HTMLElement).innerText,
  );
  expect(trail).toMatch(/Ottilie Marsh gave a reason/);
  expect(trail).toMatch(
    /No alert test on record\. Reason: Same product within the last weeks, no reaction\./,
  );
  expect(trail).toMatch(/scalp/i);
  expect(trail).toMatch(/added the client/);
  expect(await axeFindings(page)).toEqual([]);
});

test('turned to the client, notes, prices and cautions are hidden, and come back', async () => {
  const visit = await newVisit(page, 'Facing Client');
  const shown = () => page.evaluate(() => document.body.innerText);
  await openStep(page, visit, 'pattern');
  expect(await shown()).toMatch(/price, estimated[\s\S]*/);
  await press(page, 'Turn to client');
  expect(await shown()).not.toMatch(/price, estimated|alert test|Before you begin/i);
  await press(page, 'Consult');
  await at(page, /consult$/);
  await chapter(page, 'goals');
  expect(await shown()).not.toContain('Notes');
  await chapter(page, 'upkeep');
  expect(await shown()).not.toContain('Budget');
  await press(page, 'Turn back');
  expect(await shown()).toContain('Budget');
});
