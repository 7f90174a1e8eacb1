import Ajv2020, { type ValidateFunction } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import openApiSchema from '@seriousme/openapi-schema-validator/schemas/v3.1/schema.json';
import { dayAfter } from '@/core/units';
import { makeToken, revokeToken, listTokens } from '@/data/api-tokens';
import { closeDatabase, inSalon } from '@/data/database';
import { listPeople } from '@/data/people';
import type { SignedIn } from '@/data/sessions';
import { signedIn } from '@/data/testing/actor';
import { readTrail } from '@/data/trail';
import { address } from './harness';

type Status = number;
interface Described {
  readonly operationId: string;
  readonly responses: Readonly<
    Record<Status, { headers?: { ETag?: unknown }; content?: Record<string, unknown> }>
  >;
  readonly security: readonly { token: readonly string[] }[];
}
interface Description {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Described>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, unknown>> };
}

let all: string[];
const TODAY = new Date().toISOString().slice(0, 10);
let description: Description;
let operations: { id: string; method: string; path: string; own: Described }[];
let valid: (schema: unknown, body: unknown) => string | undefined;
let owner: SignedIn;
const tokens: Record<'owner' | 'assistant' | 'stranger' | 'reader', string> = {
  owner: '',
  assistant: '',
  stranger: '',
  reader: '',
};

beforeAll(async () => {
  description = (await (await fetch(`${address()}/api/v1/openapi.json`)).json()) as Description;
  operations = Object.entries(description.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, own]) => ({
      id: own.operationId,
      method: method.toUpperCase(),
      path,
      own,
    })),
  );
  all = [...new Set(operations.map(({ own }) => own.security[0].token[0]))];
  const ajv = new Ajv2020({ strict: false, allErrors: false });
  addFormats(ajv);
  ajv.addSchema({ $id: 'api', components: description.components });
  const compiled = new Map<string, ValidateFunction>();
  valid = (schema, body) => {
    const text = JSON.stringify(schema).replaceAll('"#/components', '"api#/components');
    if (!compiled.has(text)) compiled.set(text, ajv.compile(JSON.parse(text) as object));
    const check = compiled.get(text)!;
    return check(body) ? undefined : ajv.errorsText(check.errors);
  };
  owner = await signedIn('ottilie@fernhollow.example');
  const stranger = await signedIn('leocadia@osieryard.example');
  const { people } = await listPeople(owner);
  const assistant = people.find(({ role, active }) => role === 'assistant' && active)!;
  const made = async (by: SignedIn, name: string, scopes: readonly string[], personId = by.personId) =>
    (await makeToken(by, { name, scopes, personId }))!;
  tokens.owner = await made(owner, 'Till', all);
  tokens.assistant = await made(owner, 'Tablet', all, assistant.id);
  tokens.reader = await made(owner, 'Screen', ['appointments:read']);
  tokens.stranger = await made(stranger, 'Other till', all);
});
afterAll(async () => {
  for (const by of [owner, await signedIn('leocadia@osieryard.example')])
    for (const { id } of await listTokens(by)) await revokeToken(by, id);
  await closeDatabase();
});

interface Call {
  readonly ids?: readonly string[];
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: unknown;
  readonly follows?: number;
  readonly headers?: Readonly<Record<string, string>>;
}
interface Came {
  readonly status: number;
  readonly etag: string | null;
  readonly type: string;
  readonly body: Record<string, unknown>;
}

async function ask(
  id: string,
  { ids = [], query = {}, body, follows, headers = {} }: Call,
  token: string | undefined,
): Promise<Came> {
  const { path, method } = operations.find((operation) => operation.id === id)!;
  let at = 0;
  const filled = path.replace(/\{\w+\}/g, () => ids[at++]);
  const answer = await fetch(`${address()}/api/v1${filled}?${new URLSearchParams(query)}`, {
    method,
    headers: {
      ...(token !== undefined && { Authorization: `Bearer ${token}` }),
      ...(body !== undefined && { 'Content-Type': 'application/json' }),
      ...(follows !== undefined && { 'If-Match': `"${follows}"` }),
      ...headers,
    },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    etag: answer.headers.get('etag'),
    type: answer.headers.get('content-type') ?? '',
    body: text ? (JSON.parse(text) as Record<string, unknown>) : {},
  };
}

/** Answers as they are described: the status, the shape, the ETag. */
function fits(id: string, came: Came): void {
  const { own } = operations.find((one) => one.id === id)!;
  const response = own.responses[came.status];
  expect([id, came.status, Object.keys(own.responses)]).toEqual([
    id,
    came.status,
    expect.arrayContaining([String(came.status)]),
  ]);
  if (came.status === 304) return;
  const [[type, content]] = Object.entries(response.content!) as [string, { schema: unknown }][];
  expect([id, came.type]).toEqual([id, type]);
  expect([id, valid(content.schema, came.body)]).toEqual([id, undefined]);
  expect([id, came.etag !== null]).toEqual([id, response.headers?.ETag !== undefined]);
}

test('the description is OpenAPI 3.1, and every operation has a scope', () => {
  const ajv = new Ajv2020({ strict: false, validateFormats: false });
  const check = ajv.compile(openApiSchema);
  expect([check(description), ajv.errorsText(check.errors)]).toEqual([true, 'No errors']);
  expect(all.sort()).toEqual(
    ['appointments', 'clients', 'records', 'visits'].flatMap((of) => [`${of}:read`, `${of}:write`]),
  );
  expect(operations).toHaveLength(21);
});

/**
 * One visit through the API as a tool of the salon makes it; every operation of the description is asked once
 * at least.
 */
test('every operation answers as it is described: to the owner, to an assistant, to a stranger, to a narrow token, to nobody', async () => {
  const clientId = crypto.randomUUID();
  const appointmentId = crypto.randomUUID();
  const visit = { id: '' };
  const on = dayAfter(TODAY, 40);
  const fields = {
    name: 'Tooled Fell',
    phone: '0700 900 777',
    email: '',
    note: 'From the website.',
    bornOn: '1990-02-28',
  };
  const slot = { personId: owner.personId, on, at: '09:30', minutes: 120, kind: 'full', note: '' };
  const documents: Record<string, unknown> = {};
  const revision: Record<string, number> = {};
  const record = {
    version: 2,
    done: 'Fine weaves.',
    foilsPlaced: 40,
    levelReached: 8,
    nextOn: null,
    nextWhat: null,
    zones: {},
    said: '',
    inspection: {},
    corrections: [],
  };
  const part = (name: string) => ({
    ids: [visit.id],
    get body() {
      return documents[name];
    },
    get follows() {
      return revision[name];
    },
  });
  const calls: [id: string, status: number, call: () => Call, then?: (came: Came) => void][] = [
    ['listPeople', 200, () => ({})],
    ['addClient', 201, () => ({ body: { ...fields, id: clientId } })],
    ['readClient', 200, () => ({ ids: [clientId] })],
    ['changeClient', 200, () => ({ ids: [clientId], body: { ...fields, note: 'Changed.' }, follows: 1 })],
    [
      'listClients',
      200,
      () => ({ query: { find: 'tooled' } }),
      ({ body }) => expect(body.items).toMatchObject([{ id: clientId, note: 'Changed.', revision: 2 }]),
    ],
    ['book', 201, () => ({ body: { ...slot, clientId, id: appointmentId } })],
    [
      'readAppointment',
      200,
      () => ({ ids: [appointmentId] }),
      ({ body }) => expect(body).toMatchObject({ at: '09:30', on, state: 'booked' }),
    ],
    ['moveAppointment', 200, () => ({ ids: [appointmentId], body: { ...slot, at: '11:15' }, follows: 1 })],
    [
      'listAppointments',
      200,
      () => ({ query: { from: on, to: on } }),
      ({ body }) =>
        expect(body.items).toEqual(
          expect.arrayContaining([expect.objectContaining({ id: appointmentId, at: '11:15' })]),
        ),
    ],
    [
      'setAppointmentState',
      200,
      () => ({ ids: [appointmentId], body: { state: 'cancelled' }, follows: 2 }),
      ({ body }) => expect(body).toMatchObject({ state: 'cancelled', revision: 3 }),
    ],
    [
      'openVisit',
      201,
      () => ({ body: { clientId, heldOn: TODAY } }),
      ({ body }) => void (visit.id = body.id as string),
    ],
    ['readVisit', 200, () => ({ ids: [visit.id] })],
    [
      'listVisits',
      200,
      () => ({ query: { clientId } }),
      ({ body }) => expect(body.items).toMatchObject([{ id: visit.id, recorded: false }]),
    ],
    ...['Consult', 'Plan', 'Mix'].flatMap((name): typeof calls => {
      const key = name.toLowerCase();
      return [
        [
          `read${name}`,
          200,
          () => ({ ids: [visit.id] }),
          ({ body, etag }) => {
            documents[key] = key === 'consult' ? { ...body, notes: 'Asked at home.' } : body;
            revision[key] = Number(etag!.slice(1, -1));
          },
        ],
        [`write${name}`, 200, () => part(key)],
      ];
    }),
    ['writeRecord', 200, () => ({ ids: [visit.id], body: record, headers: { 'If-None-Match': '*' } })],
    ['readRecord', 200, () => ({ ids: [visit.id] }), ({ body }) => expect(body).toMatchObject(record)],
  ];
  expect(calls.map(([id]) => id).sort()).toEqual(operations.map(({ id }) => id).sort());

  for (const [id, status, call, then] of calls) {
    if (id === 'writeRecord') {
      // What was not begun is not recorded.
      const early = await ask(id, call(), tokens.owner);
      fits(id, early);
      expect(early).toMatchObject({ status: 409, body: { detail: expect.stringContaining('not begun') } });
      await inSalon(owner.salonId, (trx) =>
        trx('visit').where({ id: visit.id }).update({ begun_at: trx.fn.now(), begun_by: owner.personId }),
      );
    }
    for (const token of [undefined, 'lattice_x', tokens.reader]) {
      const came = await ask(id, call(), token);
      if (
        token === tokens.reader &&
        operations.find((operation) => operation.id === id)!.own.security[0].token[0] === 'appointments:read'
      )
        continue;
      fits(id, came);
      expect([id, came.status]).toEqual([id, token === tokens.reader ? 403 : 401]);
    }
    const came = await ask(id, call(), tokens.owner);
    fits(id, came);
    expect([id, came.status, came.body]).toEqual([id, status, came.body]);
    then?.(came);

    const theirs = await ask(id, call(), tokens.stranger);
    fits(id, theirs);
    if (theirs.status < 300) {
      // In their own salon they add whom they like; under an id of ours they get another.
      if (id === 'addClient') expect(theirs.body.id).not.toBe(clientId);
      else {
        expect(id).toMatch(/^list/);
        expect(JSON.stringify(theirs.body)).not.toMatch(
          new RegExp(`${clientId}|${visit.id || 'no visit'}|Ottilie|Maren`),
        );
      }
    } else expect([id, theirs.status]).toEqual([id, theirs.status === 422 ? 422 : 404]);
  }

  // An assistant does the same, but lists no clients without saying whom.
  for (const id of [
    'listPeople',
    'readClient',
    'readAppointment',
    'readVisit',
    'readConsult',
    'readPlan',
    'readMix',
    'readRecord',
  ]) {
    const came = await ask(id, calls.find(([own]) => own === id)![2](), tokens.assistant);
    fits(id, came);
    expect([id, came.status]).toEqual([id, 200]);
  }
  expect(await ask('listClients', {}, tokens.assistant)).toMatchObject({
    status: 403,
    body: { detail: expect.stringContaining('by words only') },
  });
  expect((await ask('listClients', { query: { find: 'tooled' } }, tokens.assistant)).status).toBe(200);
  expect(
    (
      await ask(
        'changeClient',
        { ids: [clientId], body: { ...fields, note: 'By the tablet.' }, follows: 2 },
        tokens.assistant,
      )
    ).status,
  ).toBe(200);

  // The trail says who, and by which tool.
  const trail = await readTrail(owner, { clientId });
  expect(trail[0]).toMatchObject({ act: 'client-changed', personName: 'Suki Thornfield', via: 'Tablet' });
  expect(trail.find(({ act }) => act === 'outcome')).toMatchObject({
    personName: 'Ottilie Marsh',
    via: 'Till',
  });
});

describe('what is asked wrongly', () => {
  let clientId: string;
  const fields = { name: 'Asked Wrongly', phone: '', email: '', note: '', bornOn: null };
  beforeAll(async () => {
    clientId = (await ask('addClient', { body: fields }, tokens.owner)).body.id as string;
  });

  test('a change says what it follows; one that comes too late overwrites nothing', async () => {
    const change = { ids: [clientId], body: { ...fields, note: 'first' } };
    expect(await ask('changeClient', change, tokens.owner)).toMatchObject({
      status: 428,
      body: { detail: expect.stringContaining('If-Match') },
    });
    expect((await ask('changeClient', { ...change, follows: 1 }, tokens.owner)).status).toBe(200);
    expect(
      await ask('changeClient', { ...change, body: { ...fields, note: 'late' }, follows: 1 }, tokens.owner),
    ).toMatchObject({ status: 412, type: 'application/problem+json' });
    const read = await ask('readClient', { ids: [clientId] }, tokens.owner);
    expect(read).toMatchObject({ etag: '"2"', body: { note: 'first' } });
    expect(
      (await ask('readClient', { ids: [clientId], headers: { 'If-None-Match': '"2"' } }, tokens.owner))
        .status,
    ).toBe(304);
    expect(
      (await ask('readClient', { ids: [clientId], headers: { 'If-None-Match': '"1"' } }, tokens.owner))
        .status,
    ).toBe(200);
  });

  test.each<[string, Call & { id?: string }, number, RegExp]>([
    ['a field that is none', { body: { ...fields, mood: 'good' } }, 422, /mood/],
    ['a name that is empty', { body: { ...fields, name: ' ' } }, 422, /^name: must not be empty\.$/],
    [
      'a birthday to come',
      { body: { ...fields, bornOn: '2190-01-01' } },
      422,
      /^bornOn: must be a day from 1900 to today\.$/,
    ],
    ['a body that is no JSON', { body: '{' }, 400, /not JSON/],
    ['half a character', { body: '{"name":"\\ud800"}' }, 422, /./],
    ['a character zero', { body: { ...fields, name: 'a\u0000b' } }, 422, /./],
    [
      'a body of more than a megabyte',
      { body: { ...fields, note: 'x'.repeat(1_100_000) } },
      413,
      /larger than a megabyte/,
    ],
    ['a page too large', { id: 'listClients', query: { limit: '1000' } }, 422, /^limit/],
    ['a query that is none', { id: 'listClients', query: { sort: 'name' } }, 422, /sort/],
    [
      'days that run backwards',
      { id: 'listAppointments', query: { from: '2027-02-02', to: '2027-02-01' } },
      422,
      /^to: must be/,
    ],
    [
      'a day that is none',
      { id: 'listAppointments', query: { from: '2027-02-30', to: '2027-02-30' } },
      422,
      /^from: must be a day/,
    ],
    ['an id that is none', { id: 'readClient', ids: ['one'] }, 404, /openapi\.json/],
  ])('%s: a sentence', async (_, { id = 'addClient', ...call }, status, detail) => {
    const came = await ask(id, call, tokens.owner);
    expect(came).toMatchObject({
      status,
      type: 'application/problem+json',
      body: { status, detail: expect.stringMatching(detail) },
    });
  });

  test('the same request sent again makes nothing twice; a document with the same key is taken once', async () => {
    const id = crypto.randomUUID();
    const first = await ask('addClient', { body: { ...fields, id } }, tokens.owner);
    expect((await ask('addClient', { body: { ...fields, id } }, tokens.owner)).body.id).toBe(first.body.id);
    const visit = async () => await ask('openVisit', { body: { clientId: id, heldOn: TODAY } }, tokens.owner);
    const [one, two] = await Promise.all([visit(), visit()]);
    expect([one.status, two.status].sort()).toEqual([200, 201]);
    expect(one.body).toEqual(two.body);
    const ids = [one.body.id as string];
    const { body } = await ask('readConsult', { ids }, tokens.owner);
    const write = {
      ids,
      body: { ...body, notes: 'once' },
      follows: 1,
      headers: { 'Idempotency-Key': crypto.randomUUID() },
    };
    expect((await ask('writeConsult', write, tokens.owner)).body).toEqual({ revision: 2 });
    expect((await ask('writeConsult', write, tokens.owner)).body).toEqual({ revision: 2 });
    // What is refused leaves no draft on anybody's screen.
    expect((await ask('writeConsult', { ...write, headers: {} }, tokens.owner)).status).toBe(412);
    expect(await inSalon(owner.salonId, (trx) => trx('draft').where({ visit_id: ids[0] }))).toEqual([]);
    expect(await ask('writeConsult', { ids, body: { version: 99 }, follows: 2 }, tokens.owner)).toMatchObject(
      { status: 422, type: 'application/problem+json' },
    );
  });

  test('pages follow each other without a gap', async () => {
    const seen: string[] = [];
    let after: string | undefined;
    for (let i = 0; i < 200; i += 1) {
      const { body } = await ask(
        'listClients',
        { query: { limit: '7', ...(after && { after }) } },
        tokens.owner,
      );
      seen.push(...(body.items as { id: string }[]).map(({ id }) => id));
      after = (body.next as string | null) ?? undefined;
      if (!after) break;
    }
    const whole = await inSalon(owner.salonId, (trx) =>
      trx('client').whereNull('merged_into').whereNull('archived_at').pluck('id'),
    );
    expect(seen.sort()).toEqual((whole as string[]).sort());
  });

  test('no page of another address, no cookie, and no method that is none', async () => {
    const at = `${address()}/api/v1/clients`;
    expect(
      (await fetch(at, { method: 'DELETE', headers: { Authorization: `Bearer ${tokens.owner}` } })).status,
    ).toBe(405);
    expect((await fetch(at, { headers: { Cookie: 'lattice=1' } })).status).toBe(401);
    expect(
      (await fetch(`${at}?find=a`, { headers: { Authorization: `Bearer ${tokens.owner}` } })).headers.get(
        'access-control-allow-origin',
      ),
    ).toBeNull();
  });

  test('a token asks 600 times in a minute, and no more', async () => {
    const token = (await makeToken(owner, {
      name: 'Busy',
      scopes: ['appointments:read'],
      personId: owner.personId,
    }))!;
    const statuses: number[] = [];
    for (let i = 0; i < 31; i += 1)
      statuses.push(
        ...(await Promise.all(Array.from({ length: 20 }, () => ask('listPeople', {}, token)))).map(
          ({ status }) => status,
        ),
      );
    expect(statuses.filter((status) => status === 200)).toHaveLength(600);
    expect(statuses.filter((status) => status === 429)).toHaveLength(20);
  });

  test('withdrawn, or its person gone, a token opens nothing', async () => {
    const token = (await makeToken(owner, {
      name: 'Gone',
      scopes: ['appointments:read'],
      personId: owner.personId,
    }))!;
    expect((await ask('listPeople', {}, token)).status).toBe(200);
    const { id } = (await listTokens(owner)).find(({ name }) => name === 'Gone')!;
    expect(await revokeToken(owner, id)).toBe(true);
    expect(await ask('listPeople', {}, token)).toMatchObject({
      status: 401,
      body: { detail: expect.stringContaining('opens nothing') },
    });
  });
});
