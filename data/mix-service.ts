import { randomUUID } from 'node:crypto';
import same from 'fast-deep-equal';
import type { EventBody, ServiceState } from '../core/chair';
import type { ServiceStep } from '../core/steps';
import type { VisitMix } from '../core/visit';
import { factsOf } from '../core/visit/computed';
import { computedOf } from './compute';
import type { Actor, Transaction } from './database';
import { houseOf } from './house-row';
import { putEvents, serviceNow, type RunningService } from './service-rows';
import { documentsOf, visitIn } from './visits';

/** Device that changes of Mix come from. */
const MIX_DEVICE = 'mix';

/**
 * Tells a service that runs what a change of Mix means for it: steps that come, go or change, and formulas of
 * what is not placed.
 */
export async function tellService({
  trx,
  actor,
  visitId,
  runningService: { state, lastPosition },
  before,
  after,
}: {
  readonly trx: Transaction;
  readonly actor: Actor;
  readonly visitId: string;
  readonly runningService: RunningService;
  readonly before: VisitMix;
  readonly after: VisitMix;
}): Promise<void> {
  const visit = (await visitIn(trx, actor, visitId))!;
  const facts = factsOf(visit, await houseOf(trx, actor.salonId));
  const [was, is] = await Promise.all(
    [before, after].map((mix) =>
      computedOf(actor.salonId, { documents: { ...documentsOf(visit), mix, outcome: null }, facts }, [
        'steps',
        'scriptPart',
      ]),
    ),
  );
  const bodies: EventBody[] = stepChanges(was.steps, is.steps, state);
  const script = is.scriptPart;
  if (!same(was.scriptPart, script)) bodies.push({ kind: 'rescripted', script });
  if (bodies.length === 0) return;
  const at = await serviceNow(trx, visitId, undefined, { writing: true });
  await putEvents({
    trx,
    actor,
    visitId,
    lastPosition,
    events: bodies.map((body) => ({ id: randomUUID(), device: MIX_DEVICE, at, madeAt: at, body })),
  });
}

/**
 * Steps as Mix suggests them now against those that it suggested before. What the chair decided since stays.
 */
function stepChanges(
  was: readonly ServiceStep[],
  is: readonly ServiceStep[],
  { steps }: ServiceState,
): EventBody[] {
  const old = new Map(was.map((step) => [step.id, step]));
  const there = new Map(steps.map((step) => [step.step.id, step]));
  const waits = (id: string) => there.get(id)?.standing === 'waiting';
  const out: EventBody[] = [];
  for (const { id } of was)
    if (!is.some((step) => step.id === id) && waits(id))
      out.push({ kind: 'step-skipped', step: id, why: 'removed in Mix' });
  is.forEach((step, i) => {
    const before = old.get(step.id);
    if (before && same(before, step)) return;
    const standing = there.get(step.id)?.standing;
    if (standing === undefined)
      out.push({
        kind: 'step-added',
        step,
        after: is.slice(0, i).findLast(({ id }) => there.has(id))?.id ?? null,
      });
    else if (standing === 'waiting' || (standing === 'skipped' && !before))
      out.push({ kind: 'step-changed', step });
  });
  return out;
}
