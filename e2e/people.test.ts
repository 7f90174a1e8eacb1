import type { Page } from 'puppeteer-core';
import { closeDatabase } from '@/data/database';
import { DEMO_PASSWORD } from '@/data/demo/people';
import { changePerson, invite, listPeople, makeResetLink } from '@/data/people';
import { signedIn } from '@/data/testing/actor';
import {
  address,
  at,
  dialogClosed,
  fill,
  live,
  newVisit,
  openBrowser,
  press,
  see,
  axeFindings,
  signInByHand,
  type Session,
} from './harness';

let owner: Session;
let other: Session;
beforeAll(async () => {
  [owner, other] = [await openBrowser(), await openBrowser()];
  await signInByHand(owner.page);
});
afterAll(async () => {
  await owner.close();
  await other.close();
});

const menu = async (page: Page, name: string, item: string) => {
  await press(page, name);
  await (await page.waitForSelector(`[role=menuitem]::-p-text(${item})`))!.click();
};

test('somebody is invited, joins, sets a PIN, takes a locked station over, and leaves', async () => {
  const { page } = owner;
  await page.goto(`${address()}/house/people`);
  await press(page, 'Make an invitation');
  await see(page, 'shown once, copy it now');
  expect(await axeFindings(page)).toEqual([]);
  const link = await page.$eval('input[readonly]', (input) => (input as HTMLInputElement).value);

  await other.page.goto(link);
  await see(other.page, 'Join Fernhollow Colour Rooms');
  await press(other.page, 'Join');
  await see(other.page, 'Name: it is empty.');
  await fill(other.page, 'Name', 'Linnea Garrick');
  const email = `linnea-${Date.now()}@fernhollow.example`;
  await fill(other.page, 'E-mail', email);
  await fill(other.page, 'Password', 'a long enough one');
  expect(await axeFindings(other.page)).toEqual([]);
  await press(other.page, 'Join');
  await see(other.page, 'You have joined.');
  await other.page.goto(link);
  await see(other.page, 'This link was used already');

  await signInByHand(other.page, email, 'a long enough one');
  await menu(other.page, 'Linnea Garrick, colourist', 'PIN, password');
  await at(other.page, /\/me$/);
  await fill(other.page, 'New PIN', '12');
  await press(other.page, 'Save PIN');
  await see(other.page, 'PIN: 4 to 8 figures');
  await fill(other.page, 'New PIN', '4711');
  await fill(other.page, 'Your password', 'a long enough one');
  await press(other.page, 'Save PIN');
  await see(other.page, 'Your PIN is set.');
  expect(await axeFindings(other.page)).toEqual([]);

  // The owner's station is locked in the middle of a visit; Linnea goes on there.
  const visit = await newVisit(page, 'Locked In Between', null);
  await page.goto(`${address()}/locked?to=${encodeURIComponent(`/visits/${visit}/pattern`)}`);
  await (await page.waitForSelector('button::-p-text(Linnea Garrick)'))!.click();
  expect(await axeFindings(page)).toEqual([]);
  await fill(page, 'PIN of Linnea Garrick', '0000');
  await press(page, 'Unlock');
  await see(page, 'Wrong PIN or password.');
  await fill(page, 'PIN of Linnea Garrick', '4711');
  await press(page, 'Unlock');
  await at(page, /pattern$/);
  await live(page);
  // She is a colourist: people and trail are not hers to see.
  await page.goto(`${address()}/house/people`);
  await see(page, 'Not in this salon');
  await page.goto(`${address()}/house/trail`);
  await see(page, 'Not in this salon');

  await page.goto(`${address()}/clients`);
  await menu(page, 'Linnea Garrick, colourist', 'Sign out');
  await at(page, /sign-in$/);
  await signInByHand(page);
  await page.goto(`${address()}/house/people`);
  await menu(page, 'More for Linnea Garrick', 'No longer works here');
  await page.waitForSelector('article[aria-label="Linnea Garrick"] p::-p-text(No longer works here)');
  await other.page.goto(`${address()}/clients`);
  await at(other.page, /sign-in$/);
});

test('a locked station shows nothing and answers nothing until it is unlocked', async () => {
  const { page } = owner;
  const visit = await newVisit(page, 'Behind The Lock', null);
  await page.goto(`${address()}/clients`);
  await menu(page, 'Ottilie Marsh, owner', 'Lock or switch person');
  await at(page, /locked$/);
  for (const path of ['/clients', `/visits/${visit}/pattern`, '/house', '/me']) {
    await page.goto(`${address()}${path}`);
    await at(page, /locked$/);
    expect(await page.content()).not.toContain('Behind The Lock');
  }
  const statuses = await page.evaluate(
    async (id) => [
      (await fetch(`/api/visits/${id}`)).status,
      (await fetch(`/api/visits/${id}/plan`, { method: 'PUT', body: '{}' })).status,
      (await fetch(`/api/photos/${id}/full`)).status,
    ],
    visit,
  );
  expect(statuses).toEqual([401, 401, 401]);
  await fill(page, 'Password of Ottilie Marsh', DEMO_PASSWORD);
  await press(page, 'Unlock');
  await at(page, /clients$/);
});

test('a reset link sets a new password; the old one opens nothing', async () => {
  const { page } = owner;
  await page.goto(`${address()}/house/people`);
  await menu(page, 'More for Suki Thornfield', 'Make a reset link');
  await see(page, 'Reset link for Suki Thornfield: shown once');
  const link = await page.$eval('input[readonly]', (input) => (input as HTMLInputElement).value);
  await other.page.goto(link);
  await see(other.page, 'For Suki Thornfield');
  await fill(other.page, 'New password', 'short');
  await press(other.page, 'Save password');
  await see(other.page, 'Password: at least 10 characters.');
  await fill(other.page, 'New password', DEMO_PASSWORD);
  await press(other.page, 'Save password');
  await see(other.page, 'Your new password is set.');
  await signInByHand(other.page, 'suki@fernhollow.example', DEMO_PASSWORD);
});

test('forms that are sent before scripts run answer: join, reset, sign-in, PIN', async () => {
  const plain = await openBrowser();
  const { page } = plain;
  await page.setJavaScriptEnabled(false);
  const send = (form = 'form') =>
    Promise.all([page.waitForNavigation(), page.click(`${form} button[type=submit]`)]);
  const says = async (words: string) =>
    expect(await page.$eval('body', (element) => element.innerText)).toContain(words);
  const password = 'long enough, and new';
  const email = `plain-${Date.now()}@fernhollow.example`;
  try {
    const by = await signedIn('ottilie@fernhollow.example');
    await page.goto(`${address()}/join/${await invite(by, 'assistant')}`);
    await page.type('[name=name]', 'Plain Fell');
    await page.type('[name=email]', email);
    await page.type('[name=password]', 'short');
    await send();
    await says('Password: at least 10 characters.');
    expect(await page.$eval('[name=name]', (element) => (element as HTMLInputElement).value)).toBe(
      'Plain Fell',
    );
    await page.type('[name=password]', 'at first another');
    await send();
    await says('You have joined.');
    const { id } = (await listPeople(by)).people.find((person) => person.email === email)!;
    await page.goto(`${address()}/reset/${await makeResetLink(by, id)}`);
    await page.type('[name=password]', password);
    await send();
    await says('Your new password is set.');
    await page.goto(`${address()}/sign-in`);
    await page.type('[name=email]', email);
    await page.type('[name=password]', password);
    await send();
    await page.goto(`${address()}/me`);
    await page.type('[name=pin]', '12');
    await page.type('[name=password]', password);
    await send('main form');
    await says('PIN: 4 to 8 figures');
    await page.type('[name=pin]', '2468');
    await page.type('[name=password]', password);
    await send('main form');
    await says('Your PIN is set.');
    await changePerson(by, id, { active: false });
  } finally {
    await plain.close();
    await closeDatabase();
  }
});

describe('clients', () => {
  test('a walk-in is a client and a visit in one act', async () => {
    const { page } = owner;
    await page.goto(`${address()}/clients`);
    await press(page, 'Walk-in');
    await fill(page, 'Name', 'Quirin Walkwell');
    await press(page, 'Add and open a visit');
    await at(page, /consult$/);
    await see(page, 'Quirin Walkwell');
  });

  test('is changed, archived, restored, merged, exported and erased', async () => {
    const { page } = owner;
    for (const name of ['Doubled Record', 'Double Record']) await newVisit(page, name, null);
    await page.goto(`${address()}/clients?find=${encodeURIComponent('doubled record')}`);
    await press(page, 'Doubled Record');
    await at(page, /\/clients\/[0-9a-f-]+$/);
    const path = new URL(page.url()).pathname;
    await menu(page, 'More for Doubled Record', 'Name, phone');
    await fill(page, 'Note', 'written once');
    await press(page, 'Save');
    await see(page, 'written once');
    expect(await axeFindings(page)).toEqual([]);

    await menu(page, 'More for Doubled Record', 'Archive');
    await see(page, 'Archived: not listed');
    await page.goto(`${address()}/clients?find=${encodeURIComponent('doubled record')}&away=yes`);
    await press(page, 'Doubled Record');
    await menu(page, 'More for Doubled Record', 'Restore');
    await page.waitForFunction(() => !document.body.innerText.includes('Archived: not listed'));

    await menu(page, 'More for Doubled Record', 'Merge with');
    await fill(page, 'The other record', 'double record');
    await press(page, 'Merge into Doubled Record');
    await see(page, 'Nobody else is found by this.');
    await press(page, 'Close');
    await dialogClosed(page);
    await page.reload();
    expect(await page.$$eval('ol[aria-label^="Visits"] > li', (all) => all.length)).toBe(2);

    const record = await page.evaluate(
      async (at) =>
        (await (await fetch(`${at}/record.json`)).json()) as {
          format: string;
          visits: unknown[];
          trail: unknown[];
        },
      path,
    );
    expect(record.format).toBe('dappled-lattice/client-record');
    expect(record.visits).toHaveLength(2);

    await menu(page, 'More for Doubled Record', 'Erase for good');
    await fill(page, 'Their name, as it is written here', 'somebody');
    await press(page, 'Erase the record');
    await see(page, 'Write the name as it is written here: Doubled Record.');
    await fill(page, 'Their name, as it is written here', 'Doubled Record');
    await press(page, 'Erase the record');
    await at(page, /\/clients$/);
    await page.goto(`${address()}${path}`);
    await see(page, 'Not in this salon');
    await page.goto(`${address()}/house/trail`);
    await see(page, 'erased the client: a client who was erased');
    expect(await page.evaluate(() => document.body.innerText)).not.toContain('Doubled Record');
    expect(await axeFindings(page)).toEqual([]);
  });

  test('an assistant neither merges nor exports nor erases, by menu or by address', async () => {
    const { page } = other;
    await page.goto(`${address()}/clients`);
    await press(page, 'Maren Tolland');
    await at(page, /\/clients\/[0-9a-f-]+$/);
    await press(page, 'More for Maren Tolland');
    const items = await page.$$eval('[role=menuitem]', (all) =>
      all.map((item) => (item as HTMLElement).innerText.split('\n')[0]),
    );
    expect(items).toEqual(['Visit without foils', 'Name, phone, e-mail, birthday, note', 'Archive']);
    const path = new URL(page.url()).pathname;
    expect(await page.evaluate(async (at) => (await fetch(`${at}/record.json`)).status, path)).toBe(403);
    await page.goto(`${address()}${path}/trail`);
    await see(page, 'Not in this salon');
  });

  test('of one salon have photos, record and trail that another’s owner cannot reach by address', async () => {
    const { page } = owner;
    await page.goto(`${address()}/clients?find=maren`);
    await press(page, 'Maren Tolland');
    await at(page, /\/clients\/[0-9a-f-]+$/);
    const path = new URL(page.url()).pathname;
    const id = path.split('/')[2];
    const photo = await page.evaluate(async (client) => {
      const canvas = document.createElement('canvas');
      canvas.width = canvas.height = 40;
      const form = new FormData();
      form.set(
        'file',
        await new Promise<Blob>((made) => canvas.toBlob((blob) => made(blob!), 'image/png')),
        'x.png',
      );
      form.set('kind', 'wish');
      return (
        (await (await fetch(`/api/clients/${client}/photos`, { method: 'POST', body: form })).json()) as {
          photoId: string;
        }
      ).photoId;
    }, id);
    const stranger = await openBrowser();
    try {
      await signInByHand(stranger.page, 'leocadia@osieryard.example');
      const answers = await stranger.page.evaluate(
        async (client, own) => {
          const form = new FormData();
          form.set('file', new Blob(['x']), 'x.png');
          form.set('kind', 'wish');
          return [
            (await fetch(`/api/photos/${own}/full`)).status,
            (await fetch(`/clients/${client}/record.json`)).status,
            await (await fetch(`/api/clients/${client}/photos`)).json(),
            (await fetch(`/api/clients/${client}/photos`, { method: 'POST', body: form })).ok,
          ];
        },
        id,
        photo,
      );
      expect(answers).toEqual([404, 404, { photos: [], mayDelete: true }, false]);
      await stranger.page.goto(`${address()}${path}/trail`);
      await see(stranger.page, 'Not in this salon');
    } finally {
      await stranger.close();
    }
  });
});

test('after six wrong passwords even the right one waits, and says how long', async () => {
  const { page } = other;
  await page.goto(`${address()}/clients`);
  await menu(page, 'Suki Thornfield, assistant', 'Sign out');
  await at(page, /sign-in$/);
  const email = `nobody-${Date.now()}@fernhollow.example`;
  for (let i = 0; i < 7; i += 1) {
    await fill(page, 'E-mail', email);
    await fill(page, 'Password', `wrong ${i}`);
    await press(page, 'Sign in');
    await see(
      page,
      i < 6 ? 'the e-mail address or the password is wrong' : 'Too many wrong tries. Wait 15 minutes',
    );
    if (i < 6) await page.reload();
  }
});
