import { respond } from '@/features/chair/answer';
import { runningServices } from '@/features/chair/queries';

/** Services that run in the salon. */
export async function GET() {
  return respond(await runningServices());
}
