import { respond } from '@/features/chair/answer';
import { serviceFor } from '@/features/chair/queries';

/** The script of a service and everything that happened. */
export async function GET(_request: Request, { params }: { params: Promise<{ visitId: string }> }) {
  return respond(await serviceFor((await params).visitId));
}
