import { appendFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { z } from 'zod';

/** A message as it was taken. */
const messageSchema = z.strictObject({
  id: z.uuid('id must be a UUID'),
  to: z.string('to must be a phone number').regex(/^\+?[\d\s()/.-]{7,40}$/, 'to must be a phone number'),
  words: z
    .string('words must be a text')
    .min(1, 'words must not be empty')
    .max(1000, 'words must be at most 1000 characters'),
});
export type Message = z.infer<typeof messageSchema>;

/**
 * What can be wrong with it: it answers 503; it answers nothing; it takes a message and its answer is lost.
 */
export const OUTBOX_FAULTS = ['off', 'refuses', 'silent', 'lost'] as const;
export type OutboxFault = (typeof OUTBOX_FAULTS)[number];

export interface OutboxStand {
  readonly port: number;
  close(): Promise<void>;
}

const MOST_BYTES = 8192;

/**
 * An outbox that is simulated: it takes texts over HTTP on loopback and sends them to nobody. A message whose
 * id it has is
 * answered again and kept once.
 * @param file where messages are kept, a line of JSON each; none are kept over a restart without
 */
export async function startOutbox(port: number, file?: string): Promise<OutboxStand> {
  const messages = new Map<string, Message>();
  if (file) for (const message of keptIn(file)) keep(message);
  let fault: OutboxFault = 'off';

  function keep(message: Message): boolean {
    if (messages.has(message.id)) return false;
    messages.set(message.id, message);
    return true;
  }

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const say = (status: number, body: unknown) =>
      response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
    if (request.method === 'GET' && request.url === '/messages') return void say(200, [...messages.values()]);
    const body = request.method === 'POST' ? await bodyOf(request) : undefined;
    if (request.url === '/fault') {
      const read = z.strictObject({ fault: z.enum(OUTBOX_FAULTS) }).safeParse(body);
      if (!read.success)
        return void say(400, { problem: `fault must be one of ${OUTBOX_FAULTS.join(', ')}` });
      fault = read.data.fault;
      return void say(200, { fault });
    }
    if (request.method !== 'POST' || request.url !== '/messages')
      return void say(404, { problem: 'There is no such address here.' });
    if (fault === 'refuses') return void say(503, { problem: 'The outbox takes no messages at the moment.' });
    if (fault === 'silent') return;
    const read = messageSchema.safeParse(body);
    if (!read.success) return void say(400, { problem: read.error.issues[0].message });
    if (keep(read.data) && file) appendFileSync(file, `${JSON.stringify(read.data)}\n`);
    if (fault === 'lost') return void request.socket.destroy();
    say(202, { id: read.data.id });
  }

  const server = createServer(
    (request, response) =>
      void answer(request, response).catch((error: Error) => response.writeHead(500).end(error.message)),
  );
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    port: (server.address() as AddressInfo).port,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

/**
 * What a file holds. A last line that was torn off as it was written is taken out: it was never answered, and
 * comes again.
 */
function keptIn(file: string): Message[] {
  if (!existsSync(file)) return [];
  const text = readFileSync(file, 'utf8');
  const whole = text.slice(0, text.lastIndexOf('\n') + 1);
  if (whole.length < text.length) writeFileSync(file, whole);
  return whole
    .split('\n')
    .filter(Boolean)
    .map((line) => messageSchema.parse(JSON.parse(line)));
}

/** A request's JSON; undefined for what is none or too long. */
async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const piece of request.setEncoding('utf8')) {
    text += piece;
    if (text.length > MOST_BYTES) return undefined;
  }
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
