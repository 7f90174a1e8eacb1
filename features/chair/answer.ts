import type { Answer } from './queries';

const STATUS = { missing: 404, invalid: 400, 'not-begun': 409, nothing: 409 } as const;

export function respond<T>(answer: Answer<T>): Response {
  return Response.json(answer.ok ? { ok: true, ...answer.value } : answer, {
    status: answer.ok ? 200 : STATUS[answer.reason],
    headers: { 'Cache-Control': 'no-store' },
  });
}
