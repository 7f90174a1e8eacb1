import { keysOf } from '@/core/units';
import type { Role } from '@/data/sessions';

export type { Role };

/** Everybody who works in the salon. */
const everybody = { least: 'assistant', to: '' } as const;
const colourist = (to: string) => ({ least: 'colourist', to }) as const;
const owner = (to: string) => ({ least: 'owner', to }) as const;
/** Everybody for themselves, the owner for all others. */
const forOneself = (to: string) => ({ least: 'assistant', ofOthers: 'owner', to }) as const;

/** Whether an act is for everybody, and otherwise who may do it at least, and what it is in words. */
interface Rule {
  readonly least: Role;
  /** Who may do it for somebody else, where everybody may for themselves. */
  readonly ofOthers?: Role;
  readonly to: string;
}

/**
 * Who may do what: every server action and every route that is for people who are signed in. A tool with a
 * token may what its scopes say (features/api), never more than the person it works for.
 */
const RULES = {
  // Clients
  addClient: everybody,
  editClient: everybody,
  addVisit: everybody,
  addVisitWithoutFoils: everybody,
  putClientAway: everybody,
  clientsToMerge: colourist('merge records'),
  mergeTwo: colourist('merge records'),
  undoMergeOf: colourist('undo a merge'),
  previewClients: colourist('import clients'),
  takeClients: colourist('import clients'),
  exportClients: colourist('export clients'),
  exportRecord: colourist('export a record'),
  eraseForGood: owner('erase a client'),
  // Their own page
  openTheirPage: everybody,
  closeTheirPage: everybody,
  settleTheirAnswers: everybody,
  // Safety
  recordTest: everybody,
  setTestResult: everybody,
  takeConsent: everybody,
  takeConsentBack: everybody,
  explainCaution: everybody,
  beginService: everybody,
  // Pictures
  seePhotos: everybody,
  addPhoto: everybody,
  savePhoto: everybody,
  putPhotoAside: everybody,
  deletePhoto: owner('delete a picture for good'),
  // A visit
  seeVisit: everybody,
  saveVisitPart: everybody,
  putBack: everybody,
  discardDraft: everybody,
  signRecord: colourist('sign a record off'),
  addToRecord: colourist('add to a signed record'),
  seeService: everybody,
  doService: everybody,
  useScale: everybody,
  // The day
  seeDay: everybody,
  bookAppointment: everybody,
  moveAppointment: everybody,
  markAppointment: everybody,
  openAppointment: everybody,
  makeCalendar: everybody,
  withdrawCalendar: everybody,
  searchClients: everybody,
  sendReminders: everybody,
  // The house
  ownTechniques: everybody,
  keepOwnTechnique: everybody,
  putTechniqueAway: everybody,
  seeProducts: everybody,
  movesOf: everybody,
  saveHouseSettings: owner('change this'),
  saveRange: owner('change this'),
  forgetLightener: owner('change this'),
  takeSpeed: owner('change this'),
  downloadSalon: owner('download the whole salon'),
  makeApiToken: owner('make and withdraw tokens'),
  withdrawToken: owner('make and withdraw tokens'),
  // People
  changeSomebody: owner('do this'),
  inviteSomebody: owner('do this'),
  resetLinkFor: owner('do this'),
  takeLinkBack: owner('do this'),
  saveWorkingHours: forOneself('do this'),
  endOneSession: forOneself('do this'),
  forget: forOneself('reset what was learnt about others'),
  changePin: everybody,
  changePassword: everybody,
} as const satisfies Record<string, Rule>;

export type Act = keyof typeof RULES;
export const ACTS = keysOf(RULES);

const RANK: Readonly<Record<Role, number>> = { assistant: 0, colourist: 1, owner: 2 };
const WHO: Readonly<Record<Role, string>> = {
  assistant: 'somebody who works here',
  colourist: 'a colourist or the owner',
  owner: 'the owner',
};

const rankOf = (role: Role, least: Role) => RANK[role] >= RANK[least];

/** Whether somebody of a role may do something. */
export const may = (role: Role, act: Act): boolean => rankOf(role, RULES[act].least);

/** Whether somebody of a role may do something for somebody else. */
export function mayForOthers(role: Role, act: Act): boolean {
  const rule: Rule = RULES[act];
  return rankOf(role, rule.ofOthers ?? rule.least);
}

/** What is said to somebody who may not. */
export function notAllowed(act: Act): string {
  const rule: Rule = RULES[act];
  return `Only ${WHO[rule.ofOthers ?? rule.least]} can ${rule.to}.`;
}
