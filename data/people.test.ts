import { makeToken } from './api-tokens';
import { takeTry } from './attempts';
import { inSalon } from './database';
import { DEMO_PASSWORD } from './demo/people';
import {
  changePerson,
  endSession,
  findLink,
  invite,
  join,
  listPeople,
  makeResetLink,
  resetPassword,
  revokeLink,
  setPassword,
  setPin,
  setWorkingHours,
} from './people';
import { lockSession, openSession, readSession, stationPeople, takeStation, type SignedIn } from './sessions';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { sessionOf, signedIn } from './testing/actor';
import { readTrail } from './trail';

let scratch: Scratch;
let owner: SignedIn;
let bram: SignedIn;
beforeAll(async () => {
  scratch = await scratchWithDemo('2026-11-25');
  owner = await signedIn('ottilie@fernhollow.example');
  bram = await signedIn('bram@fernhollow.example');
});
afterAll(() => scratch.drop());

describe('wrong tries', () => {
  const station = (n: number) => ({ from: `10.0.0.${n}`, device: 'test' });

  test('after six wrong passwords the address waits, the right one too, and other addresses do not', async () => {
    for (let i = 0; i < 6; i += 1)
      expect(await openSession('suki@fernhollow.example', 'wrong', station(i))).toBeUndefined();
    const opened = await openSession('SUKI@fernhollow.example ', DEMO_PASSWORD, station(9));
    expect(opened).toEqual({ waitSeconds: expect.any(Number) });
    expect((opened as { waitSeconds: number }).waitSeconds).toBeGreaterThan(800);
    expect(await openSession('bram@fernhollow.example', DEMO_PASSWORD, station(9))).toHaveProperty(
      'sessionId',
    );
  });

  test('one place that tries many addresses waits as well', async () => {
    for (let i = 0; i < 40; i += 1) await takeTry('from', '10.1.1.1');
    expect(
      await openSession('bram@fernhollow.example', DEMO_PASSWORD, { from: '10.1.1.1', device: '' }),
    ).toHaveProperty('waitSeconds');
    expect(
      await openSession('bram@fernhollow.example', DEMO_PASSWORD, { from: '10.1.1.2', device: '' }),
    ).toHaveProperty('sessionId');
  });

  test('a right password forgets the wrong ones before it', async () => {
    for (let i = 0; i < 5; i += 1) await openSession('bram@fernhollow.example', 'wrong', station(20 + i));
    await sessionOf('bram@fernhollow.example');
    for (let i = 0; i < 5; i += 1) await openSession('bram@fernhollow.example', 'wrong', station(30 + i));
    await sessionOf('bram@fernhollow.example');
  });

  test('many at once are not more than one after the other', async () => {
    const tried = await Promise.all(
      Array.from({ length: 60 }, (_, i) =>
        openSession('nobody@fernhollow.example', `guess ${i}`, station(100 + i)),
      ),
    );
    expect(tried.filter((opened) => opened === undefined)).toHaveLength(6);
    const at = await signedIn('ottilie@fernhollow.example');
    const suki = (await stationPeople(at)).find(({ name }) => name === 'Suki Thornfield')!;
    const pins = await Promise.all(
      Array.from({ length: 60 }, (_, i) => takeStation(at, suki.id, String(4000 + i), '')),
    );
    expect(pins.filter((pin) => pin === undefined)).toHaveLength(5);
  });

  test('a stranger’s wrong tries do not keep out a device that signed in before; its own do', async () => {
    expect(await openSession('suki@fernhollow.example', DEMO_PASSWORD, station(70))).toHaveProperty(
      'waitSeconds',
    );
    const known = { ...station(71), known: 'tablet' };
    expect(await openSession('suki@fernhollow.example', DEMO_PASSWORD, known)).toHaveProperty('sessionId');
    for (let i = 0; i < 6; i += 1)
      expect(await openSession('suki@fernhollow.example', 'wrong', known)).toBeUndefined();
    expect(await openSession('suki@fernhollow.example', DEMO_PASSWORD, known)).toHaveProperty('waitSeconds');
  });

  test('asked for one’s own password again, one may not guess for ever either', async () => {
    const suki = owner;
    for (let i = 0; i < 6; i += 1)
      expect(await setPassword(suki, `guess ${i}`, 'a long enough one')).toEqual({
        ok: false,
        problem: 'Password now: it is not yours.',
      });
    expect(await setPassword(suki, DEMO_PASSWORD, 'a long enough one')).toMatchObject({
      problem: expect.stringMatching(/^Password now: too many wrong tries, wait 15 min/),
    });
    expect(await setPin(suki, DEMO_PASSWORD, '2580')).toMatchObject({ ok: false });
  });

  test('what was typed is nowhere to be read', async () => {
    await scratch.owner.raw('grant lattice_lookup to current_user');
    const { rows } = await scratch.owner
      .raw('set role lattice_lookup; select key from attempt; reset role')
      .then((results: { rows: { key: string }[] }[]) => results[1]);
    expect(rows.length).toBeGreaterThan(0);
    for (const { key } of rows) expect(key).toMatch(/^(sign-in|from|pin|own):[0-9a-f]{64}$/);
  });
});

describe('a station', () => {
  test('locks, says so, and is unlocked by one’s own password or PIN', async () => {
    const mine = await signedIn('ottilie@fernhollow.example');
    await lockSession(mine);
    expect((await readSession(mine.sessionId))!.locked).toBe(true);
    expect(await takeStation(mine, mine.personId, 'wrong', '')).toBeUndefined();
    expect(await takeStation(mine, mine.personId, DEMO_PASSWORD, '')).toEqual({ sessionId: mine.sessionId });
    expect((await readSession(mine.sessionId))!.locked).toBe(false);
  });

  test('left alone for longer than the house sets, it is locked without being told', async () => {
    const mine = await signedIn('ottilie@fernhollow.example');
    const idle = (minutes: number) =>
      inSalon(
        mine.salonId,
        (trx) =>
          trx('session')
            .where({ id: mine.sessionId })
            .update({ seen_at: trx.raw(`now() - interval '${minutes} minutes'`) }),
        scratch.app,
      );
    await idle(9);
    expect((await readSession(mine.sessionId))!.locked).toBe(false);
    await idle(11);
    expect((await readSession(mine.sessionId))!.locked).toBe(true);
    // Asking does not wake it.
    expect((await readSession(mine.sessionId))!.locked).toBe(true);
  });

  test('goes to another person by her PIN: her session is new, the other is over', async () => {
    expect(await setPin(bram, 'wrong', '2580')).toMatchObject({ ok: false });
    expect(await setPin(bram, DEMO_PASSWORD, '2580')).toEqual({ ok: true });
    expect((await stationPeople(owner)).find(({ id }) => id === bram.personId)).toMatchObject({
      hasPin: true,
    });
    const station = await signedIn('ottilie@fernhollow.example');
    const taken = await takeStation(station, bram.personId, '2580', 'tablet');
    const now = await readSession((taken as { sessionId: string }).sessionId);
    expect(now).toMatchObject({ personName: 'Bram Vale-Osei', role: 'colourist' });
    expect(await readSession(station.sessionId)).toBeUndefined();
  });

  test('goes to nobody of another salon, and after five wrong PINs not to that person by the right one', async () => {
    const station = await signedIn('ottilie@fernhollow.example');
    const stranger = await signedIn('leocadia@osieryard.example');
    expect(await takeStation(station, stranger.personId, DEMO_PASSWORD, '')).toBeUndefined();
    for (let i = 0; i < 5; i += 1)
      expect(await takeStation(station, bram.personId, '0000', '')).toBeUndefined();
    expect(await takeStation(station, bram.personId, '2580', '')).toHaveProperty('waitSeconds');
  });
});

describe('links', () => {
  test('an invitation lets one person in, once, with the role it says', async () => {
    const token = await invite(owner, 'assistant');
    expect(await findLink(token)).toMatchObject({
      kind: 'invitation',
      role: 'assistant',
      salonName: 'Fernhollow Colour Rooms',
    });
    const fields = {
      name: 'Wren Castellane',
      email: 'Wren@fernhollow.example',
      password: 'a long enough one',
    };
    expect(await join(token, fields)).toEqual({ ok: true });
    expect(await join(token, { ...fields, email: 'other@fernhollow.example' })).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/used already/),
    });
    expect((await readSession(await sessionOf('wren@fernhollow.example', fields.password)))!).toMatchObject({
      role: 'assistant',
      salonId: owner.salonId,
    });
  });

  test('an address that signs in somebody of another salon is refused, and the invitation still holds', async () => {
    const token = await invite(owner, 'colourist');
    expect(
      await join(token, { name: 'Twin', email: 'leocadia@osieryard.example', password: 'a long enough one' }),
    ).toMatchObject({ ok: false, problem: expect.stringMatching(/^E-mail/) });
    expect(await findLink(token)).toBeDefined();
  });

  test('taken back, out of date, or made up, it opens nothing', async () => {
    const token = await invite(owner, 'colourist');
    const { links } = await listPeople(owner);
    expect(await revokeLink(await signedIn('leocadia@osieryard.example'), links.at(-1)!.id)).toBe(false);
    expect(await revokeLink(owner, links.at(-1)!.id)).toBe(true);
    expect(await findLink(token)).toBeUndefined();
    expect(await findLink('x'.repeat(32))).toBeUndefined();
    const old = await invite(owner, 'colourist');
    await scratch.owner.transaction(async (trx) => {
      await trx.raw("select set_config('lattice.salon', ?, true)", [owner.salonId]);
      await trx.raw(
        "update access_link set created_at = now() - interval '9 days', expires_at = now() - interval '1 day' where used_at is null and revoked_at is null and kind = 'invitation'",
      );
    });
    expect(await findLink(old)).toBeUndefined();
  });

  test('a reset link sets a new password, ends that person’s sessions, and works once; a newer one replaces it', async () => {
    const wren = (await listPeople(owner)).people.find(({ name }) => name === 'Wren Castellane')!;
    const before = await sessionOf('wren@fernhollow.example', 'a long enough one');
    const first = (await makeResetLink(owner, wren.id))!;
    const second = (await makeResetLink(owner, wren.id))!;
    expect(await resetPassword(first, 'a new long one')).toMatchObject({ ok: false });
    expect(await resetPassword(second, 'a new long one')).toEqual({ ok: true });
    expect(await resetPassword(second, 'once more long')).toMatchObject({ ok: false });
    expect(await readSession(before)).toBeUndefined();
    await sessionOf('wren@fernhollow.example', 'a new long one');
    expect(await makeResetLink(await signedIn('leocadia@osieryard.example'), wren.id)).toBeUndefined();
  });
});

describe('people', () => {
  test('the last owner stays one; two who step down at once leave one', async () => {
    expect(await changePerson(owner, owner.personId, { role: 'colourist' })).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/only owner/),
    });
    expect(await changePerson(owner, owner.personId, { active: false })).toMatchObject({ ok: false });
    expect(await changePerson(owner, bram.personId, { role: 'owner' })).toEqual({ ok: true });
    const both = await Promise.all([
      changePerson(owner, owner.personId, { role: 'colourist' }),
      changePerson(bram, bram.personId, { role: 'colourist' }),
    ]);
    expect(both.filter(({ ok }) => ok)).toHaveLength(1);
    const owners = (await listPeople(owner)).people.filter(({ role, active }) => role === 'owner' && active);
    expect(owners).toHaveLength(1);
  });

  test('an owner who has left is none: the one who is there stays', async () => {
    const [{ id: last }] = (await listPeople(owner)).people.filter(
      ({ role, active }) => role === 'owner' && active,
    );
    const suki = (await listPeople(owner)).people.find(({ name }) => /^Suki/.test(name))!;
    expect(await changePerson(owner, suki.id, { role: 'owner' })).toEqual({ ok: true });
    expect(await changePerson(owner, suki.id, { active: false })).toEqual({ ok: true });
    expect(await changePerson(owner, last, { role: 'colourist' })).toMatchObject({ ok: false });
    expect(await changePerson(owner, suki.id, { role: 'assistant', active: true })).toEqual({ ok: true });
  });

  test('who no longer works here is signed out everywhere and cannot sign in', async () => {
    const wren = (await listPeople(owner)).people.find(({ name }) => name === 'Wren Castellane')!;
    const session = await sessionOf('wren@fernhollow.example', 'a new long one');
    const link = (await makeResetLink(owner, wren.id))!;
    expect(await findLink(link)).toBeDefined();
    expect(await changePerson(owner, wren.id, { active: false })).toEqual({ ok: true });
    expect(await findLink(link)).toBeUndefined();
    expect(await readSession(session)).toBeUndefined();
    expect(
      await openSession('wren@fernhollow.example', 'a new long one', { from: 'x', device: '' }),
    ).toBeUndefined();
    expect(await makeToken(owner, { name: 'Till', scopes: [], personId: wren.id })).toBeUndefined();
    // Who comes back signs in anew: what was open at a station then stays shut.
    expect(await changePerson(owner, wren.id, { active: true })).toEqual({ ok: true });
    expect(await readSession(session)).toBeUndefined();
  });

  test('a new password of one’s own ends one’s other sessions and keeps this one', async () => {
    const here = await signedIn('bram@fernhollow.example');
    const there = await sessionOf('bram@fernhollow.example');
    expect(await setPassword(here, 'wrong', 'another long one')).toMatchObject({ ok: false });
    expect(await setPassword(here, DEMO_PASSWORD, 'another long one')).toEqual({ ok: true });
    expect(await readSession(there)).toBeUndefined();
    expect(await readSession(here.sessionId)).toBeDefined();
  });

  test('a session can be ended from elsewhere in the salon only', async () => {
    const session = await sessionOf('ottilie@fernhollow.example');
    expect(await endSession(await signedIn('leocadia@osieryard.example'), session)).toBe(false);
    expect(await endSession(owner, session)).toBe(true);
    expect(await readSession(session)).toBeUndefined();
    expect(await endSession(owner, session)).toBe(false);
  });

  test('working hours are kept with the person, and only within the salon', async () => {
    const hours = {
      week: [null, ...Array.from({ length: 5 }, () => ({ from: 600, to: 1080 })), null],
      off: [{ from: '2026-12-01', to: '2026-12-03', words: 'Course' }],
    };
    const stranger = await signedIn('leocadia@osieryard.example');
    expect(await setWorkingHours(stranger, bram.personId, hours)).toEqual({
      ok: false,
      problem: 'Nobody of that name works in this salon.',
    });
    expect(await setWorkingHours(bram, bram.personId, hours)).toEqual({ ok: true });
    expect((await listPeople(owner)).people.find(({ id }) => id === bram.personId)!.hours).toEqual(hours);
  });

  test('all of it is in the trail, with who did it', async () => {
    const acts = (await readTrail(owner)).map(
      ({ act, personName, words }) => `${act} ${personName}: ${words}`,
    );
    expect(acts).toContain('person-invited Ottilie Marsh: assistant');
    expect(acts).toContain('person-joined Wren Castellane: Wren Castellane, assistant');
    expect(acts).toContain('link-made Ottilie Marsh: Wren Castellane');
    expect(acts).toContain('password-set Wren Castellane: by a link');
    expect(acts).toContain('pin-set Bram Vale-Osei: ');
    expect(acts).toContain('hours-set Bram Vale-Osei: Bram Vale-Osei');
    expect(
      (await readTrail(owner)).find(
        ({ act, words }) => act === 'person-changed' && words === 'Wren Castellane',
      )!.changes,
    ).toEqual([{ where: 'works here', from: 'no', to: 'yes' }]);
  });
});
