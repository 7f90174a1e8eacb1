import {
  startPlan,
  TECHNIQUE_FORMAT,
  TECHNIQUE_VERSION,
  USUAL_HOUSE,
  type OwnTechnique,
} from '../core/formats';
import { createClient } from './clients';
import type { Actor } from './database';
import { readHouse, saveHouse } from './house';
import { signedIn } from './testing/actor';
import { archiveTechnique, keepTechnique, listTechniques, saveTechniqueVersion } from './techniques';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';

let scratch: Scratch;
let first: Actor;
let second: Actor;

beforeAll(async () => {
  scratch = await scratchWithDemo('2026-11-25');
  first = await signedIn('ottilie@fernhollow.example');
  second = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());

const technique = (name: string): OwnTechnique => ({
  format: TECHNIQUE_FORMAT,
  version: TECHNIQUE_VERSION,
  name,
  purpose: 'For a test',
  panels: startPlan().panels,
  groups: [],
  sectioning: [],
});

test('a house that has set nothing has the usual figures; what it sets is its own', async () => {
  expect(await readHouse(second)).toEqual({ revision: 0, document: USUAL_HOUSE });
  expect(await saveHouse(second, 0, { ...USUAL_HOUSE, units: 'in' })).toEqual({ ok: true, revision: 1 });
  expect((await readHouse(second)).document.units).toBe('in');
  expect((await readHouse(first)).document.units).toBe('mm');
});

test('settings based on an older revision overwrite nothing, from the first one on', async () => {
  const before = await readHouse(second);
  expect(await saveHouse(second, before.revision, { ...before.document, slotMinutes: 90 })).toMatchObject({
    ok: true,
  });
  for (const stale of [0, before.revision]) {
    expect(await saveHouse(second, stale, { ...before.document, slotMinutes: 30 })).toEqual({
      ok: false,
      revision: before.revision + 1,
    });
  }
  expect((await readHouse(second)).document.slotMinutes).toBe(90);
});

test('a first visit takes the foil of the house', async () => {
  const { revision, document } = await readHouse(second);
  await saveHouse(second, revision, { ...document, foil: { usableWidthMm: 110, toleranceMm: 15 } });
  const clientId = await createClient(second, {
    name: 'Foil Width',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visit = await readVisit(second, (await createVisit(second, clientId, '2026-11-25'))!);
  expect(visit?.plan.document.foil).toEqual({ usableWidthMm: 110, toleranceMm: 15 });
});

test('every saved version of a technique is kept, for this salon only', async () => {
  const id = await keepTechnique(first, technique('Fernhollow rim'));
  expect(await saveTechniqueVersion(first, id, technique('Fernhollow rim, wider'))).toBe(2);
  const [kept] = await listTechniques(first);
  expect(kept.versions.map(({ number, document, savedBy }) => [number, document.name, savedBy])).toEqual([
    [2, 'Fernhollow rim, wider', 'Ottilie Marsh'],
    [1, 'Fernhollow rim', 'Ottilie Marsh'],
  ]);
  expect(await listTechniques(second)).toEqual([]);
  expect(await saveTechniqueVersion(second, id, technique('Not theirs'))).toBeUndefined();
  expect(await archiveTechnique(second, id, true)).toBe(false);
});

test('ten people saving at once make ten versions', async () => {
  const id = await keepTechnique(first, technique('Busy'));
  const numbers = await Promise.all(
    Array.from({ length: 10 }, (_, i) => saveTechniqueVersion(first, id, technique(`Busy ${i}`))),
  );
  expect([...numbers].sort((a, b) => a! - b!)).toEqual([2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
});

test('put away it is not listed, taken out again it is, with all its versions', async () => {
  const id = await keepTechnique(first, technique('Away'));
  expect(await archiveTechnique(first, id, true)).toBe(true);
  expect((await listTechniques(first)).map((listTechnique) => listTechnique.id)).not.toContain(id);
  expect(await archiveTechnique(first, id, false)).toBe(true);
  expect(
    (await listTechniques(first)).find((listTechnique) => listTechnique.id === id)?.versions,
  ).toHaveLength(1);
});

test('a saved version cannot be changed by the application', async () => {
  await expect(scratch.app('technique_version').update({ number: 99 })).rejects.toThrow(/permission denied/);
});
