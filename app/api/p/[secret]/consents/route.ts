import { jsonOf, openRoute } from '@/features/http/route';
import { signOwnConsent } from '@/features/their-page/queries';

/** A client signs a consent on their own page: { kind, signedName }. */
export const POST = openRoute<{ secret: string }>(async (request, { secret }) =>
  Response.json(await signOwnConsent(secret, await jsonOf(request, 2000, 'The consent'))),
);
