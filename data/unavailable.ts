/**
 * What was asked cannot be done now, or not at all in the time there is; the message is a sentence for
 * whoever asked.
 */
export class NotNow extends Error {}

/**
 * What PostgreSQL, its driver and the pool say where nothing is wrong with what was asked, only now is not
 * the time.
 */
const FULL = new Set(['53100']);
const BUSY = new Set(['53300', '53400', '55P03', '57014', '40001', '40P01']);
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  '57P01',
  '57P02',
  '57P03',
  '08000',
  '08001',
  '08003',
  '08004',
  '08006',
  '08P01',
]);

/**
 * Why something cannot be done now, in a sentence; undefined where the fault is another.
 * Codes: PostgreSQL, Appendix A, “Error Codes”, and Node's of its sockets.
 */
export function unavailable(error: unknown): string | undefined {
  if (error instanceof NotNow) return error.message;
  if (!(error instanceof Error)) return undefined;
  const { code } = error as { code?: string };
  if (code !== undefined && FULL.has(code))
    return 'The disk of the database is full. Nothing was saved; what you wrote is kept here. Make room on it, then try again.';
  if ((code !== undefined && BUSY.has(code)) || error.name === 'KnexTimeoutError')
    return 'The database is busy. Nothing was saved; try again in a moment.';
  if (
    (code !== undefined && AWAY.has(code)) ||
    /Connection terminated|server closed the connection/.test(error.message)
  )
    return 'The database cannot be reached. Nothing was saved; try again in a moment.';
  return error instanceof AggregateError
    ? error.errors.map(unavailable).find((own) => own !== undefined)
    : undefined;
}
