import { readdirSync, readFileSync } from 'node:fs';
import { ACTS, may, mayForOthers, notAllowed, type Role } from './who-may';

const ROLES: readonly Role[] = ['assistant', 'colourist', 'owner'];

/** What is not for everybody: who may (assistant, colourist, owner), and what the others are told. */
const KEPT: Readonly<Record<string, readonly [allowed: string, told: string]>> = {
  clientsToMerge: ['- x x', 'Only a colourist or the owner can merge records.'],
  mergeTwo: ['- x x', 'Only a colourist or the owner can merge records.'],
  undoMergeOf: ['- x x', 'Only a colourist or the owner can undo a merge.'],
  previewClients: ['- x x', 'Only a colourist or the owner can import clients.'],
  takeClients: ['- x x', 'Only a colourist or the owner can import clients.'],
  exportClients: ['- x x', 'Only a colourist or the owner can export clients.'],
  exportRecord: ['- x x', 'Only a colourist or the owner can export a record.'],
  signRecord: ['- x x', 'Only a colourist or the owner can sign a record off.'],
  addToRecord: ['- x x', 'Only a colourist or the owner can add to a signed record.'],
  eraseForGood: ['- - x', 'Only the owner can erase a client.'],
  deletePhoto: ['- - x', 'Only the owner can delete a picture for good.'],
  saveHouseSettings: ['- - x', 'Only the owner can change this.'],
  saveRange: ['- - x', 'Only the owner can change this.'],
  forgetLightener: ['- - x', 'Only the owner can change this.'],
  takeSpeed: ['- - x', 'Only the owner can change this.'],
  downloadSalon: ['- - x', 'Only the owner can download the whole salon.'],
  makeApiToken: ['- - x', 'Only the owner can make and withdraw tokens.'],
  withdrawToken: ['- - x', 'Only the owner can make and withdraw tokens.'],
  changeSomebody: ['- - x', 'Only the owner can do this.'],
  inviteSomebody: ['- - x', 'Only the owner can do this.'],
  resetLinkFor: ['- - x', 'Only the owner can do this.'],
  takeLinkBack: ['- - x', 'Only the owner can do this.'],
};

/** Everybody for themselves, the owner for others. */
const FOR_ONESELF: Readonly<Record<string, string>> = {
  saveWorkingHours: 'Only the owner can do this.',
  endOneSession: 'Only the owner can do this.',
  forget: 'Only the owner can reset what was learnt about others.',
};

const marks = (allowed: (role: Role) => boolean) =>
  ROLES.map((role) => (allowed(role) ? 'x' : '-')).join(' ');

test.each(ACTS)('%s', (act) => {
  expect(marks((role) => may(role, act))).toBe(KEPT[act]?.[0] ?? 'x x x');
  expect(marks((role) => mayForOthers(role, act))).toBe(
    KEPT[act]?.[0] ?? (FOR_ONESELF[act] ? '- - x' : 'x x x'),
  );
  const told = KEPT[act]?.[1] ?? FOR_ONESELF[act];
  if (told) expect(notAllowed(act)).toBe(told);
});

/** Nobody is signed in yet, or whoever asks shows a link that was sent to them. */
const BEFORE_SIGNING_IN = [
  'signIn',
  'signOut',
  'lockStation',
  'unlockStation',
  'joinSalon',
  'takePasswordLink',
];
/** They ask for a token or a secret, or show nothing of a salon. */
const OPEN = [
  'app/api/calendar/[secret]/route.ts',
  'app/api/p/[secret]/answers/route.ts',
  'app/api/p/[secret]/consents/route.ts',
  'app/api/p/[secret]/photos/[photoId]/route.ts',
  'app/api/p/[secret]/photos/route.ts',
  'app/api/v1/[...path]/route.ts',
  'app/api/v1/openapi.json/route.ts',
  'app/healthz/route.ts',
  'app/metrics/route.ts',
  'app/readyz/route.ts',
];

const filesOf = (folder: string, name: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith(`/${name}`))
    .map((file) => `${folder}/${file}`);

test('every server action asks under its own name who may, and every rule is asked for', () => {
  const asked = new Set<string>();
  for (const file of filesOf('features', 'actions.ts')) {
    const text = readFileSync(file, 'utf8');
    const exported = [...text.matchAll(/^export (?:const|async function|function) (\w+)/gm)].map(
      ([, own]) => own,
    );
    expect([file, exported.length > 0]).toEqual([file, true]);
    for (const name of exported) {
      if (BEFORE_SIGNING_IN.includes(name)) continue;
      const act = new RegExp(`export const ${name} = signedIn(?:OrElsewhere)?\\(\\s*'(\\w+)'`).exec(
        text,
      )?.[1];
      expect([file, act]).toEqual([file, name]);
      asked.add(name);
    }
  }
  for (const file of filesOf('app', 'route.ts')) {
    const text = readFileSync(file, 'utf8');
    const doors = [...text.matchAll(/\b(route|openRoute)(?:<[^(]*>)?\(\s*(?:'(\w+)')?/g)];
    expect([file, doors.length > 0]).toEqual([file, true]);
    for (const [, door, act] of doors) {
      expect([file, door]).toEqual([file, OPEN.includes(file) ? 'openRoute' : 'route']);
      if (act) asked.add(act);
    }
  }
  expect([...asked].sort()).toEqual([...ACTS].sort());
});
