import { readVisit } from '@/data/visits';
import { signedIn } from '@/data/testing/actor';
import {
  address,
  at,
  axeFindings,
  chapter,
  fill,
  foilCount,
  keptOnDevice,
  live,
  newVisit,
  offline,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  signInByHand,
  slide,
  type Session,
} from './harness';

let session: Session;
beforeAll(async () => {
  session = await openBrowser(1280, 800, { keeps: true });
  // What a page sends as it goes is not cut by the browser's own switch; a cable that is out cuts that, too.
  await session.page.evaluateOnNewDocument(() => {
    const { fetch: real } = window;
    window.fetch = (...how: Parameters<typeof fetch>) =>
      navigator.onLine ? real(...how) : Promise.reject(new TypeError('Failed to fetch'));
  });
  await signInByHand(session.page);
});
afterAll(() => session.close());
afterEach(() => offline(session, false));

type StepName = 'Consult' | 'Pattern' | 'Wear' | 'Mix' | 'Clock' | 'Record';
const step = async (name: StepName) => {
  const { page } = session;
  await (await page.waitForSelector(
    `nav[aria-label="Steps of the visit"] a[href$="/${name.toLowerCase()}"]`,
  ))!.click();
  await at(page, new RegExp(`/visits/[^/]+/${name.toLowerCase()}$`));
  await live(page);
};
const unsaved = () =>
  session.page.waitForFunction(() =>
    [...document.querySelectorAll('header [role=status]')].some((element) =>
      element.textContent?.startsWith('Not saved yet'),
    ),
  );
const read = async (visit: string) => (await readVisit(await signedIn('ottilie@fernhollow.example'), visit))!;

/** A visit planned from the wish to the mix, an action at a time. */
const ACTIONS: readonly { readonly name: string; does(): Promise<void> }[] = [
  { name: 'consult', does: () => step('Consult') },
  { name: 'map', does: () => chapter(session.page, 'map') },
  { name: 'regrowth', does: () => fill(session.page, 'Crown', '21') },
  { name: 'temple', does: () => fill(session.page, 'Temple', '14') },
  { name: 'pattern', does: () => step('Pattern') },
  { name: 'drop-out', does: () => slide(session.page, 'Drop-out', 3) },
  { name: 'thickness', does: () => slide(session.page, 'Thickness', 2) },
  { name: 'side', does: async () => press(session.page, 'Foil the panel Side, right') },
  { name: 'wear', does: () => step('Wear') },
  { name: 'mix', does: () => step('Mix') },
  { name: 'clock', does: () => step('Clock') },
  { name: 'record', does: () => step('Record') },
];

async function planned(visit: string): Promise<void> {
  const { consult, plan, drafts } = await read(visit);
  expect(consult.document.regrowthMm).toEqual({ crown: 21, 'temple-l': 14, 'temple-r': 14 });
  expect(plan.document.panels.find(({ name }) => name === 'Back')).toMatchObject({
    thicknessMm: 5,
    spacing: { dropoutMm: 8 },
  });
  expect(plan.document.panels.find(({ name }) => name === 'Side, right')).toMatchObject({ muted: true });
  expect(drafts).toEqual([]);
}

test('a whole visit is planned without a network, with a reload at each step, and is saved when it is back', async () => {
  const { page } = session;
  const visit = await newVisit(page, 'Planned In The Cellar');
  await keptOnDevice(page, [`/visits/${visit}`, '/day', '/clients']);
  // All of the next days are kept once this is said.
  await page.waitForFunction(() => localStorage.getItem('lattice/near/at') !== null);
  const before = await read(visit);
  await offline(session, true);
  for (const { name, does } of ACTIONS) {
    await does();
    if (!['map', 'regrowth'].includes(name)) {
      await page.reload();
      await live(page);
    }
  }
  await unsaved();
  // What needs the server says so, and nothing of it was lost or half done.
  await step('Record');
  await press(page, 'Before you begin');
  await see(page, 'Needs the network');
  await page.keyboard.press('Escape');
  await step('Pattern');
  await page.waitForSelector('#total-foils');
  const foils = await foilCount(page);
  expect((await read(visit)).plan.revision).toBe(before.plan.revision);

  // A page that is not kept, and those that are.
  await page.goto(new URL(`/clients/${crypto.randomUUID()}`, page.url()).href);
  await see(page, 'This page is not kept on this device.');
  await see(page, 'Planned In The Cellar');
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Clients');
  await see(page, 'New client');
  // Whoever is booked today or in the next two days, and the day itself.
  const booked = await page.evaluate(async () => {
    const names = (await caches.keys()).filter((own) => own.startsWith('lattice-pages-'));
    const kept = (await Promise.all(names.map(async (name) => (await caches.open(name)).keys()))).flat();
    return kept.map(({ url }) => new URL(url).pathname).find((own) => /^\/clients\/[0-9a-f-]{36}$/.test(own));
  });
  await page.goto(`${address()}${booked}`);
  await page.waitForSelector('section[aria-label="Page for their phone"]');
  await see(page, 'Needs the network');
  await page.goto(`${address()}/day`);
  await page.waitForSelector('section[aria-label="The day"]');
  await openStep(page, visit, 'pattern');

  await offline(session, false);
  await saved(page);
  await planned(visit);
  expect(await foilCount(page)).toBe(foils);
});

test.each([0, 1])(
  'with the network cut between any two actions the same visit comes of it (%i)',
  async (parity) => {
    const { page } = session;
    const visit = await newVisit(page, `On And Off ${parity}`);
    await keptOnDevice(page, [`/visits/${visit}`]);
    for (const [i, { does }] of ACTIONS.entries()) {
      await offline(session, i % 2 === parity);
      await does();
    }
    await offline(session, false);
    await saved(page);
    await planned(visit);
  },
);
