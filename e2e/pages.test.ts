import { openBrowser, signIn, type Session } from './harness';
import { later } from './later';

/**
 * Every page of the demo data opens, whatever day it is: nothing that was stored may become a page that
 * fails.
 */
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

/** Whether a page opens, looked at where it was read. */
async function opened(path: string): Promise<{ status: number; failed: boolean }> {
  return session.page.evaluate(
    async (own, source) => {
      const answer = await fetch(own);
      const text = (await answer.text()).replace(/<script[\s\S]*?<\/script>/g, '');
      return { status: answer.status, failed: new RegExp(source).test(text) };
    },
    path,
    FAILED.source,
  );
}

const linksIn = (text: string, fits: RegExp) => [...new Set([...text.matchAll(fits)].map(([, id]) => id))];

async function everything(): Promise<{ clients: string[]; visits: string[] }> {
  const clients = linksIn((await read('/clients')).text, /\/clients\/([0-9a-f]{8}-[0-9a-f-]{27})/g);
  const visits: string[] = [];
  for (const client of clients)
    visits.push(
      ...linksIn((await read(`/clients/${client}`)).text, /\/visits\/([0-9a-f]{8}-[0-9a-f-]{27})/g),
    );
  return { clients, visits: [...new Set(visits)] };
}

const AT_ONCE = 6;
/** Of every visit one step is opened, the next one's the next; of some visits all. */
const stepsOf = (i: number, days: number) => (days === 0 && i % 6 === 0 ? STEPS : [STEPS[i % STEPS.length]]);

test.each([0, 200])(
  'every client and every visit answer %d days on, on the day itself all steps of every sixth',
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
      ...clients.map((id) => `/clients/${id}`),
      ...(days === 0 ? clients.map((id) => `/clients/${id}/trail`) : []),
      ...visits.flatMap((id, i) => stepsOf(i, days).map((step) => `/visits/${id}/${step}`)),
    ];
    const wrong: string[] = [];
    for (let i = 0; i < paths.length; i += AT_ONCE)
      await Promise.all(
        paths.slice(i, i + AT_ONCE).map(async (path) => {
          const { status, failed } = await opened(path);
          if (status !== 200 || failed) wrong.push(`${path}: ${status}`);
        }),
      );
    expect(wrong).toEqual([]);
  },
);
