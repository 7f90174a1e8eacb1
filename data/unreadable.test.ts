import { listClients, readClient } from './clients';
import { inSalon } from './database';
import { UnreadableDocument } from './documents';
import { brokenParts, restoreBefore } from './restore-before';
import { savePlan } from './saves';
import type { SignedIn } from './sessions';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { signedIn } from './testing/actor';
import { readVisit } from './visits';

const TODAY = '2026-11-25';
let scratch: Scratch;
let owner: SignedIn;
beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
});
afterAll(() => scratch.drop());

const NESTED = `${'{"kind":"union","of":['.repeat(2600)}{"kind":"whole"}${']}'.repeat(2600)}`;

test('a document that cannot be read takes its own visit off the page and nothing else, and the one before comes back', async () => {
  const [maren] = await listClients(owner, 'Maren', TODAY);
  const story = (await readClient(owner, maren.id, TODAY))!;
  const [{ id: broken }, { id: older }] = story.visits;
  const before = (await readVisit(owner, broken))!.plan;
  await savePlan(owner, broken, {
    baseRevision: before.revision,
    editId: crypto.randomUUID(),
    document: { ...before.document, name: 'Last sound one' },
  });
  await savePlan(owner, broken, {
    baseRevision: before.revision + 1,
    editId: crypto.randomUUID(),
    document: { ...before.document, name: 'Then broken' },
  });
  await inSalon(
    owner.salonId,
    async (trx) => {
      const { document } = (await trx('plan')
        .where({ visit_id: broken })
        .select<{ document: { panels: { place: unknown }[] } }[]>('document')
        .first())!;
      document.panels[0].place = 'HERE';
      await trx('plan')
        .where({ visit_id: broken })
        .update({ document: JSON.stringify(document).replace('"HERE"', NESTED) });
      await trx('visit')
        .where({ id: older })
        .update({ consult: JSON.stringify({ version: 999 }) });
    },
    scratch.owner,
  );

  await expect(readVisit(owner, broken)).rejects.toThrow(UnreadableDocument);
  const page = (await readClient(owner, maren.id, TODAY))!;
  expect(page.unreadable.map(({ id }) => id)).toEqual([older]);
  expect(page.visits.length).toBe(story.visits.length - 1);
  expect((await listClients(owner, '', TODAY)).length).toBeGreaterThan(5);
  // Her other visits open.
  for (const { id } of story.visits.slice(2)) expect((await readVisit(owner, id))!.id).toBe(id);

  expect(await brokenParts(owner, broken)).toEqual([
    { part: 'plan', problem: expect.stringContaining('nested more than 40 deep'), before: 'Last sound one' },
  ]);
  expect(await restoreBefore(owner, broken)).toBe(1);
  expect((await readVisit(owner, broken))!.plan).toMatchObject({
    revision: before.revision + 3,
    document: { name: 'Last sound one' },
  });
  expect(await brokenParts(owner, broken)).toEqual([]);
  // Where there was none before that can be read, nothing is changed.
  expect(await restoreBefore(owner, older)).toBe(0);
});
