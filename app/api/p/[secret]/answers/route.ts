import { jsonOf, openRoute } from '@/features/http/route';
import { takeAnswers } from '@/features/their-page/queries';

const MOST_BYTES = 60_000;

/**
 * Keeps what a client answers on their own page: { base, document, sent }. The secret in the address is all
 * that is asked for.
 */
export const PUT = openRoute<{ secret: string }>(async (request, { secret }) =>
  Response.json(await takeAnswers(secret, await jsonOf(request, MOST_BYTES, 'The answers')), {
    headers: { 'Cache-Control': 'no-store' },
  }),
);
