import 'server-only';
import { z } from 'zod';
import { clientAnswersSchema, NO_ANSWERS, parseWith } from '@/core/formats';
import { calendarOf, moneyIn, type CalendarWriting } from '@/core/units';
import {
  answersOf,
  consentsOf,
  keepAnswers,
  MOST_OWN_PHOTOS,
  openPage,
  ownPhotosOf,
  pageFacts,
  pageMayWrite,
  type OpenedPage,
} from '@/data/client-pages';
import { comingAppointments } from '@/data/appointments';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { addPhoto, photoBytes } from '@/data/photos';
import { readPicture } from '@/data/picture';
import { addConsent } from '@/data/safety';
import { askedFrom, waitWords } from '../http/asked-from';
import { Refused } from '../http/route';
import { CONSENT_WORDS } from '../safety/words';
import { isId, today } from '../shared';
import { OWN_CONSENTS, type TheirPage } from './types';

const CLOSED = 'This page is not open any more, or its address is cut short. Ask the salon for a new one.';

async function opened(secret: string): Promise<OpenedPage> {
  const page = await openPage(secret, await askedFrom());
  if (page && 'waitSeconds' in page)
    throw new Refused(429, `Too many addresses were tried from here. Wait ${waitWords(page.waitSeconds)}.`);
  if (!page) throw new Refused(404, CLOSED, 'closed');
  return page;
}

/** The same for what writes, counted by page. @throws Refused */
async function openedToWrite(secret: string, what: 'page-write' | 'page-photo'): Promise<OpenedPage> {
  const page = await opened(secret);
  const waitSeconds = await pageMayWrite(page, what);
  if (waitSeconds > 0)
    throw new Refused(429, `That was a lot at once. Wait ${waitWords(waitSeconds)}; nothing was lost.`);
  return page;
}

/** What a client's page shows; a sentence where it is not open. */
export async function theirPage(secret: string): Promise<TheirPage | { readonly closed: string }> {
  try {
    const page = await opened(secret);
    const [facts, answers, { document: house }] = await Promise.all([
      pageFacts(page),
      answersOf(page),
      readHouse(page),
    ]);
    if (!facts) return { closed: CLOSED };
    const calendar = calendarOf(house);
    const day = today(house.timeZone, new Date(serverNow()));
    const [next] = await comingAppointments(page, page.clientId, day, house.timeZone);
    const weeks =
      facts.last?.toned && facts.last.washesPerWeek
        ? Math.round(TONER_WASHES / facts.last.washesPerWeek)
        : null;
    const after = facts.last && [
      ...house.aftercare.split(/\n+/).filter(Boolean),
      ...(weeks !== null
        ? [
            `Your toner lasts about ${TONER_WASHES} washes: at ${facts.last.washesPerWeek} a week, about ${weeks} weeks.`,
          ]
        : facts.last.toned
          ? [`Your toner lasts about ${TONER_WASHES} washes.`]
          : []),
      ...(!next && facts.last.nextOn !== null && facts.last.nextOn > day
        ? [
            `Your next visit was planned for about ${calendar.day(facts.last.nextOn)}. Ring the salon to book it.`,
          ]
        : []),
    ];
    return {
      salonName: facts.salonName,
      clientName: facts.clientName,
      expiresOn: calendar.dayOf(page.expiresAt),
      today: day,
      next: next
        ? {
            words: `${calendar.weekday(next.on)} at ${calendar.time(next.from)}, with ${next.personName}`,
            minutes: next.minutes,
          }
        : null,
      agreed: facts.agreed
        ? `${moneyIn(house.prices.currency)(facts.agreed.minor)}, agreed on ${calendar.day(facts.agreed.on)}`
        : null,
      after:
        facts.last && after && after.length > 0
          ? { on: calendar.day(facts.last.heldOn), words: after }
          : null,
      answers: answers?.document ?? NO_ANSWERS,
      sentAt: answers?.sentAt ? calendar.moment(answers.sentAt) : null,
      consented: facts.consented,
      photoIds: facts.photoIds,
      currency: house.prices.currency,
      written: { calendar: house.calendar as CalendarWriting, timeZone: house.timeZone },
    };
  } catch (error) {
    if (error instanceof Refused) return { closed: error.message };
    throw error;
  }
}

/** A toner lasts about so many washes. */
const TONER_WASHES = 20;

const editSchema = z.object({ base: clientAnswersSchema, document: clientAnswersSchema, sent: z.boolean() });

/** Keeps answers, and says what is kept. @throws Refused */
export async function takeAnswers(secret: string, body: unknown) {
  const page = await openedToWrite(secret, 'page-write');
  const read = parseWith(editSchema, body);
  if (!read.ok) throw new Refused(400, read.problem, 'invalid');
  const day = today((await readHouse(page)).document.timeZone, new Date(serverNow()));
  const later = read.value.document.history.find(({ on }) => on > day);
  if (later) throw new Refused(400, 'Done to your hair before: that day lies in the future.', 'invalid');
  const { document, sentAt } = await keepAnswers(page, read.value);
  return { ok: true, document, sentAt };
}

const consentSchema = z.object({
  kind: z.enum(OWN_CONSENTS, 'Consent: to the service, photos or reminders.'),
  signedName: z
    .string()
    .trim()
    .min(1, 'Name: who signs?')
    .max(120, 'Name: it is longer than 120 characters.'),
});

/** Keeps a consent that was signed with the name typed. @throws Refused */
export async function signOwnConsent(secret: string, body: unknown) {
  const page = await openedToWrite(secret, 'page-write');
  const read = consentSchema.safeParse(body);
  if (!read.success) throw new Refused(400, read.error.issues[0].message, 'invalid');
  const { kind, signedName } = read.data;
  // Pressed twice, it is signed once.
  if (!(await consentsOf(page)).includes(kind))
    await addConsent({ salonId: page.salonId, personId: null }, page.clientId, {
      kind,
      signedName,
      signature: [],
      words: CONSENT_WORDS[kind].words,
    });
  return { ok: true };
}

/** Whether a page may give one more picture, asked before its bytes are read. @throws Refused */
export async function mayGivePhoto(secret: string): Promise<OpenedPage> {
  const page = await openedToWrite(secret, 'page-photo');
  if ((await ownPhotosOf(page)).length >= MOST_OWN_PHOTOS)
    throw new Refused(409, `${MOST_OWN_PHOTOS} pictures are here already; bring the others along.`, 'full');
  return page;
}

/** Reads a picture and keeps it as the client's. @throws Refused */
export async function giveOwnPhoto(page: OpenedPage, form: FormData) {
  const file = form.get('file');
  const kind = form.get('kind') === 'hair' ? 'hair' : 'wish';
  if (!(file instanceof File)) throw new Refused(400, 'Choose a picture first.', 'invalid');
  const read = await readPicture(Buffer.from(await file.arrayBuffer()));
  if (!read.ok) throw new Refused(422, read.problem, 'invalid');
  const photoId = await addPhoto({ salonId: page.salonId, personId: null }, page.clientId, {
    visitId: null,
    kind,
    note: '',
    picture: read.value,
  });
  if (!photoId) throw new Refused(404, CLOSED, 'closed');
  return { ok: true, photoId };
}

/** A picture that was given on this page, small; undefined for any other. @throws Refused */
export async function ownPhotoFile(secret: string, photoId: string): Promise<Buffer | undefined> {
  const page = await opened(secret);
  return isId(photoId) && (await ownPhotosOf(page)).includes(photoId)
    ? photoBytes(page, photoId, 'small')
    : undefined;
}
