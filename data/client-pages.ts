import { createHmac } from 'node:crypto';
import same from 'fast-deep-equal';
import type { ClientAnswers } from '../core/consult';
import {
  mergeEdits,
  NO_ANSWERS,
  parseClientAnswers,
  parseConsult,
  parseMix,
  parseOutcome,
} from '../core/formats';
import type { ConsentKind } from '../core/visit';
import { forgetTries, takeTry } from './attempts';
import { hasClient } from './client-fields';
import { database, inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { serverNow } from './now';
import { hashOfSecret } from './secrets';
import { leaveTrail, type Author } from './trail';
import { rawRows } from './raw-rows';

/** So long a page can be opened where no appointment says otherwise, days. */
const USUAL_DAYS = 30;
const DAY_MS = 86_400_000;
/** Bytes of the secret in an address: 192 bits, which nobody guesses. */
const SECRET_BYTES = 24;

/** A client's page as the salon sees it. */
export interface ClientPage {
  readonly id: string;
  /** Path of its address. */
  readonly path: string;
  readonly expiresAt: string;
}

/** Whose page an address opens. */
export interface OpenedPage {
  readonly pageId: string;
  readonly salonId: string;
  readonly clientId: string;
  readonly expiresAt: string;
}

/** What a client answered, as it is kept. */
export interface KeptAnswers {
  readonly id: string;
  readonly revision: number;
  readonly document: ClientAnswers;
  readonly changedAt: string;
  /** When they said that they are done; null before. */
  readonly sentAt: string | null;
}

/**
 * The secret of a page: made anew from its id whenever its address is needed, with the key of this
 * installation, so that the database alone
 * opens no page (HMAC-SHA-256, RFC 2104).
 * @throws Error where the installation has no key
 */
function secretOf(pageId: string): string {
  const key = process.env.LATTICE_SESSION_SECRET;
  if (!key)
    throw new Error('LATTICE_SESSION_SECRET is not set: the address of a client’s page cannot be made.');
  return createHmac('sha256', key)
    .update(`client page ${pageId}`)
    .digest()
    .subarray(0, SECRET_BYTES)
    .toString('base64url');
}
const pathOf = (pageId: string) => `/p/${secretOf(pageId)}`;

/** The page of a client that is open, or undefined. */
export function pageOfClient(
  actor: Pick<Actor, 'salonId'>,
  clientId: string,
): Promise<ClientPage | undefined> {
  return inSalon(actor.salonId, (trx) => openPageOf(trx, clientId, new Date(serverNow())));
}

async function openPageOf(trx: Transaction, clientId: string, now: Date): Promise<ClientPage | undefined> {
  const row = await trx('client_page')
    .where({ client_id: clientId })
    .whereNull('revoked_at')
    .where('expires_at', '>', now)
    .orderBy('expires_at', 'desc')
    .select('id', 'expires_at')
    .first();
  return row && { id: row.id, path: pathOf(row.id), expiresAt: row.expires_at.toISOString() };
}

/**
 * The page of a client, open until a moment at least: the one that there is, or a new one.
 * @returns undefined when the salon has no such client
 */
export function ensurePage(
  author: Author,
  clientId: string,
  until = new Date(serverNow() + USUAL_DAYS * DAY_MS),
): Promise<ClientPage | undefined> {
  return inSalon(author.salonId, async (trx) => {
    if (!(await hasClient(trx, clientId))) return undefined;
    const open = await openPageOf(trx, clientId, new Date(serverNow()));
    if (open && Date.parse(open.expiresAt) >= until.getTime()) return open;
    if (open) {
      // The address stays the same for longer: a link in an older text goes on working.
      await trx('client_page').where({ id: open.id }).update({ expires_at: until });
      return { ...open, expiresAt: until.toISOString() };
    }
    const id = crypto.randomUUID();
    await trx('client_page').insert({
      id,
      salon_id: author.salonId,
      client_id: clientId,
      secret_hash: hashOfSecret(secretOf(id)),
      created_by: author.personId,
      expires_at: until,
    });
    await leaveTrail(trx, author, 'page-made', { clientId });
    return { id, path: pathOf(id), expiresAt: until.toISOString() };
  });
}

/** Closes every page of a client: their addresses lead nowhere from now on. */
export function revokePages(actor: Actor, clientId: string): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const closed = await trx('client_page')
      .where({ client_id: clientId })
      .whereNull('revoked_at')
      .update({ revoked_at: new Date(serverNow()) });
    if (closed > 0) await leaveTrail(trx, actor, 'page-revoked', { clientId });
    return closed > 0;
  });
}

/**
 * Whose page a secret opens. Secrets that open none are counted by where they come from, so that nobody tries
 * many.
 * @returns undefined where it opens none, has expired or was withdrawn; the seconds to wait after too many
 *   wrong ones
 */
export async function openPage(
  secret: string,
  from: string,
): Promise<OpenedPage | undefined | { readonly waitSeconds: number }> {
  const waitSeconds = await takeTry('page', from);
  if (waitSeconds > 0) return { waitSeconds };
  const [row] = await rawRows<{ page_id: string; salon_id: string; client_id: string; expires_at: Date }>(
    database(),
    'select * from client_page_of(?, ?)',
    [hashOfSecret(secret), new Date(serverNow())],
  );
  if (!row) return undefined;
  await forgetTries('page', from);
  return {
    pageId: row.page_id,
    salonId: row.salon_id,
    clientId: row.client_id,
    expiresAt: row.expires_at.toISOString(),
  };
}

/** Counts what a page writes. @returns seconds until it may again; 0 where it may */
export const pageMayWrite = ({ pageId }: OpenedPage, what: 'page-write' | 'page-photo'): Promise<number> =>
  takeTry(what, pageId);

/** What a client answered and nobody took over yet; null where there is nothing. */
export async function openAnswers(trx: Transaction, clientId: string): Promise<KeptAnswers | null> {
  const row = await trx('client_answer')
    .where({ client_id: clientId })
    .whereNull('settled_at')
    .select('id', 'revision', 'document', 'changed_at', 'sent_at')
    .first();
  return row
    ? {
        id: row.id,
        revision: row.revision,
        document: stored('answers', parseClientAnswers(row.document)),
        changedAt: row.changed_at.toISOString(),
        sentAt: row.sent_at?.toISOString() ?? null,
      }
    : null;
}

/** The same for the client's own page. */
export const answersOf = ({ salonId, clientId }: OpenedPage): Promise<KeptAnswers | null> =>
  inSalon(salonId, (trx) => openAnswers(trx, clientId));

/** An edit of the answers: the version that it was made from, and the new one. */
export interface AnswerEdit {
  readonly base: ClientAnswers;
  readonly document: ClientAnswers;
  /** They are done. */
  readonly sent: boolean;
}

/**
 * Keeps what a client answered. Two phones that answer at once are merged; where both answered the same, the
 * later one stands.
 */
export function keepAnswers(
  { salonId, clientId }: OpenedPage,
  { base, document, sent }: AnswerEdit,
): Promise<KeptAnswers> {
  return inSalon(salonId, async (trx) => {
    await trx('client').where({ id: clientId }).forUpdate().select('id');
    const before = await openAnswers(trx, clientId);
    const { document: merged } = mergeEdits(base, document, before?.document ?? NO_ANSWERS, 'mine');
    // What belongs together and was answered on two phones at once may not fit: then the later one's answers
    // stand.
    const read = parseClientAnswers(merged);
    const whole = read.ok ? read.value : document;
    const now = new Date(serverNow());
    const row = { document: JSON.stringify(whole), changed_at: now, ...(sent && { sent_at: now }) };
    if (!before) await trx('client_answer').insert({ ...row, salon_id: salonId, client_id: clientId });
    else if (sent || !same(whole, before.document))
      await trx('client_answer')
        .where({ id: before.id })
        .update({ ...row, revision: before.revision + 1 });
    if (sent) await leaveTrail(trx, { salonId, personId: null }, 'answers-sent', { clientId });
    return (await openAnswers(trx, clientId))!;
  });
}

/**
 * Puts answers away: somebody of the salon took over what they wanted of them.
 * @returns whether they were open still
 */
export function settleAnswers(
  actor: Actor,
  clientId: string,
  answersId: string,
  words: string,
): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const [row] = await trx('client_answer')
      .where({ id: answersId, client_id: clientId })
      .whereNull('settled_at')
      .update({ settled_at: new Date(serverNow()), settled_by: actor.personId })
      .returning('id');
    if (!row) return false;
    await leaveTrail(trx, actor, 'answers-settled', { clientId, words });
    return true;
  });
}

/** What a client's page tells beside the questions. */
export interface PageFacts {
  readonly salonName: string;
  readonly clientName: string;
  /** The price that was agreed for the open visit. */
  readonly agreed: { readonly minor: number; readonly on: string } | null;
  /** The last recorded visit, with how long its toner holds. */
  readonly last: {
    readonly heldOn: string;
    readonly nextOn: string | null;
    readonly toned: boolean;
    readonly washesPerWeek: number | null;
  } | null;
  readonly consented: readonly ConsentKind[];
  /** Pictures that they gave on their page, newest first. */
  readonly photoIds: readonly string[];
}

const MOST_VISITS_READ = 6;
/** Pictures of a client's own that are shown to them, and that they may give. */
export const MOST_OWN_PHOTOS = 8;

/** What a client's page shows. Nothing else of the salon is read for it. */
export function pageFacts({ salonId, clientId }: OpenedPage): Promise<PageFacts | undefined> {
  return inSalon(salonId, async (trx): Promise<PageFacts | undefined> => {
    const names = await trx('client as c')
      .join('salon as s', 's.id', 'c.salon_id')
      .where('c.id', clientId)
      .select<{ client: string; salon: string }[]>('c.name as client', 's.name as salon')
      .first();
    if (!names) return undefined;
    const rows = await trx('visit as v')
      .leftJoin('mix as m', 'm.visit_id', 'v.id')
      .leftJoin('outcome as o', 'o.visit_id', 'v.id')
      .where('v.client_id', clientId)
      .orderBy('v.held_on', 'desc')
      .limit(MOST_VISITS_READ)
      .select<{ held_on: string; consult: unknown; mix: unknown; outcome: unknown }[]>(
        'v.held_on',
        'v.consult',
        'm.document as mix',
        'o.document as outcome',
      );
    const [open] = rows.filter(({ outcome }) => outcome === null);
    const [recorded] = rows.filter(({ outcome }) => outcome !== null);
    return {
      salonName: names.salon,
      clientName: names.client,
      agreed: open?.mix ? (mixOf(open.mix)?.money.agreed ?? null) : null,
      last: recorded ? lastOf(recorded) : null,
      consented: await consentedBy(trx, clientId),
      photoIds: (await ownPhotos(trx, clientId)).slice(0, MOST_OWN_PHOTOS),
    };
  });
}

const mixOf = (document: unknown) => {
  const read = parseMix(document);
  return read.ok ? read.value : undefined;
};

function lastOf({
  held_on,
  consult,
  mix,
  outcome,
}: {
  held_on: string;
  consult: unknown;
  mix: unknown;
  outcome: unknown;
}): PageFacts['last'] {
  const [record, asked] = [parseOutcome(outcome), parseConsult(consult)];
  if (!record.ok || !asked.ok) return null;
  return {
    heldOn: held_on,
    nextOn: record.value.nextOn,
    toned: (mixOf(mix)?.toners.length ?? 0) > 0,
    washesPerWeek: asked.value.washesPerWeek,
  };
}

async function ownPhotos(trx: Transaction, clientId: string): Promise<string[]> {
  const rows: { id: string }[] = await trx('photo')
    .where({ client_id: clientId })
    .whereNull('taken_by')
    .whereNull('archived_at')
    .orderBy('taken_at', 'desc')
    .select('id');
  return rows.map(({ id }) => id);
}

/** Pictures that were given on this client's page, newest first: of others a page shows none. */
export const ownPhotosOf = ({ salonId, clientId }: OpenedPage): Promise<readonly string[]> =>
  inSalon(salonId, (trx) => ownPhotos(trx, clientId));

async function consentedBy(trx: Transaction, clientId: string): Promise<ConsentKind[]> {
  const rows: { kind: ConsentKind }[] = await trx('consent')
    .where({ client_id: clientId })
    .whereNull('withdrawn_at')
    .distinct('kind');
  return rows.map(({ kind }) => kind);
}

/** What the client of this page has consented to. */
export const consentsOf = ({ salonId, clientId }: OpenedPage): Promise<readonly ConsentKind[]> =>
  inSalon(salonId, (trx) => consentedBy(trx, clientId));
