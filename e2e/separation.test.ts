import { address, at, openBrowser, press, see, signInByHand, type Session } from './harness';

let first: Session;
let second: Session;
beforeAll(async () => {
  [first, second] = [await openBrowser(), await openBrowser()];
  await signInByHand(first.page);
  await signInByHand(second.page, 'leocadia@osieryard.example');
});
afterAll(async () => {
  await first.close();
  await second.close();
});

test('the second salon’s account sees nothing of the first through pages, reads and saves', async () => {
  await press(first.page, 'Maren Tolland');
  await at(first.page, /\/clients\/[0-9a-f-]+$/);
  const clientPath = new URL(first.page.url()).pathname;
  await press(first.page, 'Open the visit');
  await at(first.page, /\/pattern$/);
  const visit = new URL(first.page.url()).pathname.split('/')[2];

  const { page } = second;
  await see(page, 'Quenby Sallow');
  expect(await page.evaluate(() => document.body.innerText)).not.toContain('Maren');
  await page.goto(`${address()}/clients?find=maren`);
  await see(page, 'No client here has “maren”');
  for (const path of [
    clientPath,
    `/visits/${visit}/consult`,
    `/visits/${visit}/pattern`,
    `/visits/${visit}/record`,
  ]) {
    await page.goto(`${address()}${path}`);
    await see(page, 'Not in this salon');
    expect(await page.content()).not.toContain('Tolland');
  }
  const answers = await page.evaluate(async (id) => {
    const body = JSON.stringify({
      baseRevision: 1,
      editId: crypto.randomUUID(),
      document: { version: 1, done: 'x', foilsPlaced: 1, levelReached: 8, nextOn: null },
    });
    const read = await fetch(`/api/visits/${id}`);
    const write = await fetch(`/api/visits/${id}/outcome`, { method: 'PUT', body });
    return [read.status, write.status];
  }, visit);
  expect(answers).toEqual([404, 404]);
});

test('a server action aimed at the first salon’s client changes nothing', async () => {
  // The form of one's own client, pointed at another's id before it is sent.
  await first.page.goto(`${address()}/clients?find=tamsin`);
  await press(first.page, 'Tamsin Whitlow');
  await at(first.page, /\/clients\/[0-9a-f-]+$/);
  const theirs = new URL(first.page.url()).pathname.split('/')[2];
  const visitsBefore = await first.page.$$eval('ol[aria-label^="Visits"] li', (all) => all.length);

  const { page } = second;
  await page.goto(`${address()}/clients`);
  await press(page, 'Quenby Sallow');
  await at(page, /\/clients\/[0-9a-f-]+$/);
  const own = new URL(page.url()).pathname.split('/')[2];
  await page.setRequestInterception(true);
  let aimed = 0;
  page.on('request', (request) => {
    const body = request.postData();
    if (request.method() === 'POST' && body?.includes(own)) {
      aimed += 1;
      void request.continue({ postData: body.replaceAll(own, theirs) });
    } else void request.continue();
  });
  await press(page, 'New visit');
  await at(page, /\/clients$/);
  expect(aimed).toBe(1);
  await first.page.reload();
  await see(first.page, 'Tamsin Whitlow');
  expect(await first.page.$$eval('ol[aria-label^="Visits"] li', (all) => all.length)).toBe(visitsBefore);
});

test('signed out, every page leads to sign-in and no read answers', async () => {
  const { page } = first;
  await page.goto(`${address()}/clients`);
  await press(page, 'Ottilie Marsh, owner');
  await press(page, 'Sign out');
  await at(page, /\/sign-in$/);
  await page.goto(`${address()}/clients`);
  await at(page, /\/sign-in$/);
  expect(await page.evaluate(async () => (await fetch(`/api/visits/${crypto.randomUUID()}`)).status)).toBe(
    401,
  );
});
