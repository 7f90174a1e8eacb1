import { address, openBrowser, signIn, type Session } from './harness';
import { later } from './later';

/** Every page of the demo data opens, whatever day it is: nothing that was stored may become a page that fails. */
let session: Session;
beforeEach(async () => {
  session = await openBrowser();
});
afterEach(async () => {
  later(0);
  await session.close();
});

const DAY_MS = 86_400_000;
/** What stands in the markup of a page that failed while it was written. */
const FAILED = /id="__next_error__"|data-dgst=|This did not work/;
const STEPS = ['consult', 'pattern', 'wear', 'mix', 'clock', 'record'] as const;

/** The page's markup as the server writes it, in the signed-in browser. */
async function read(path: string): Promise<{ status: number; text: string }> {
  return session.page.evaluate(async (own) => {
    const answer = await fetch(own);
    return { status: answer.status, text: await answer.text() };
  }, path);
}

const linksIn = (text: string, fits: RegExp) => [...new Set([...text.matchAll(fits)].map(([, id]) => id))];

async function everything(): Promise<{ clients: string[]; visits: string[] }> {
  const clients = linksIn((await read('/clients')).text, /\/clients\/([0-9a-f]{8}-[0-9a-f-]{27})/g);
  const visits: string[] = [];
  for (const client of clients)
    visits.push(...linksIn((await read(`/clients/${client}`)).text, /\/visits\/([0-9a-f]{8}-[0-9a-f-]{27})/g));
  return { clients, visits: [...new Set(visits)] };
}

test.each([0, 40, 200])(
  'every client and every step of every visit answers %d days on',
  async (days) => {
    later(days * DAY_MS);
    await signIn(session.page);
    const { clients, visits } = await everything();
    expect(clients.length).toBeGreaterThan(10);
    expect(visits.length).toBeGreaterThan(10);
    const paths = [
      '/day',
      '/day/preparation',
      '/day/reminders',
      '/me',
      '/house',
      '/house/products',
      '/house/learnt',
      '/house/people',
      '/house/trail',
      ...clients.flatMap((id) => [`/clients/${id}`, `/clients/${id}/trail`]),
      ...visits.flatMap((id) => STEPS.map((step) => `/visits/${id}/${step}`)),
    ];
    const wrong: string[] = [];
    for (const path of paths) {
      const { status, text } = await read(path);
      if (status !== 200 || FAILED.test(text.replace(/<script[\s\S]*?<\/script>/g, '')))
        wrong.push(`${path}: ${status}`);
    }
    expect(wrong).toEqual([]);
  },
  120_000,
);

test('and in the browser they say no error', async () => {
  const { page, complaints } = session;
  await signIn(page);
  const { clients, visits } = await everything();
  const failed: string[] = [];
  for (const path of [
    ...clients.map((id) => `/clients/${id}`),
    ...visits.slice(0, 6).flatMap((id) => STEPS.map((step) => `/visits/${id}/${step}`)),
  ]) {
    await page.goto(`${address()}${path}`, { waitUntil: 'load' });
    if (path.startsWith('/visits'))
      await page.waitForSelector('[data-live=true]').catch(() => failed.push(`${path}: it never answers`));
    if (await page.evaluate(() => document.body.innerText.includes('This did not work'))) failed.push(path);
  }
  expect(failed).toEqual([]);
  expect(complaints).toEqual([]);
}, 240_000);
