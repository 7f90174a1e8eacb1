import 'server-only';
import { notFound } from 'next/navigation';
import { readTrail, type Act, type TrailEntry } from '@/data/trail';
import { currentOwner, requirePerson } from '../session/current';
import { isId } from '../shared';

export type { Act, TrailEntry };

/** The trail of the salon or of one client, for the owner; not found for anybody else. */
export async function loadTrail(of: { clientId?: string; before?: string }): Promise<TrailEntry[]> {
  await requirePerson();
  const owner = await currentOwner();
  if (!owner || (of.clientId !== undefined && !isId(of.clientId))) notFound();
  const before = of.before !== undefined && !Number.isNaN(Date.parse(of.before)) ? of.before : undefined;
  return readTrail(owner, { clientId: of.clientId, before });
}
