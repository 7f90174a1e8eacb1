import { answerApi, sayRefused } from '@/features/api/answer';
import { openRoute } from '@/features/http/route';

/** The API for a salon's own tools: every operation of features/api, behind its token. */
const answer = openRoute<{ path: string[] }>((request, { path }) => answerApi(request, path), {
  say: sayRefused,
});

export { answer as DELETE, answer as GET, answer as PATCH, answer as POST, answer as PUT };
