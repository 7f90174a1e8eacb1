import type { Instrumentation } from 'next';

/** When the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { beginBackground } = await import('./data/background');
  beginBackground();
}

/** What goes wrong in a page or an action is written down under the number that its error page shows. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { errorFacts, routeOf, watch } = await import('./data/watch');
  const { digest } = error as { digest?: string };
  watch().log.error(
    {
      request: digest,
      method: request.method,
      route: routeOf(request.path.split('?')[0]),
      kind: context.routeType,
      ...errorFacts(error),
    },
    'failed',
  );
};
