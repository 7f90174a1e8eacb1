import { randomUUID } from 'node:crypto';
import same from 'fast-deep-equal';
import { serviceState, usedOf, usedProblem, type EventBody, type ScriptPart, type ServiceState } from '../core/chair';
import type { ServiceStep } from '../core/steps';
import type { VisitMix } from '../core/visit';
import { createVisitEngine, factsOf } from '../core/visit/computed';
import type { Actor, Transaction } from './database';
import { houseOf } from './house-row';
import { serverNow } from './now';
import { eventsAfter, keptScript, putEvents } from './service-rows';
import { visitIn } from './visits';

const engine = createVisitEngine();

/** Device that changes of Mix come from. */
const MIX_DEVICE = 'mix';

/** A service that runs; undefined where none was begun, or it is over. Its row is locked. */
async function running(
  trx: Transaction,
  visitId: string,
): Promise<{ readonly state: ServiceState; readonly lastPosition: number } | undefined> {
  const row = await trx('service')
    .where({ visit_id: visitId })
    .whereNull('finished_at')
    .forUpdate()
    .select('last_position')
    .first();
  const script = row && (await keptScript(trx, visitId));
  return (
    script && {
      state: serviceState(script, await eventsAfter(trx, visitId, 0)),
      lastPosition: row.last_position as number,
    }
  );
}

/** Why a mix may not be saved while its service runs, as a sentence; null where it may. */
export async function mixRefused(
  trx: Transaction,
  visitId: string,
  before: VisitMix,
  after: VisitMix,
): Promise<string | null> {
  const service = await running(trx, visitId);
  return service ? usedProblem(before, after, usedOf(service.state)) : null;
}

/** Tells a service that runs what a change of Mix means for it: steps that come, go or change, and formulas of what is not placed. */
export async function tellService(
  trx: Transaction,
  actor: Actor,
  visitId: string,
  before: VisitMix,
  after: VisitMix,
): Promise<void> {
  const service = await running(trx, visitId);
  const visit = service && (await visitIn(trx, actor, visitId));
  if (!service || !visit) return;
  const facts = factsOf(visit, await houseOf(trx, actor.salonId));
  const [was, is] = [before, after].map(
    (mix) => engine.compute({ consult: visit.consult.document, plan: visit.plan.document, mix }, facts).script,
  );
  const bodies: EventBody[] = stepChanges(was.steps, is.steps, service.state);
  if (!same(partOf(was), partOf(is))) bodies.push({ kind: 'rescripted', script: partOf(is) });
  if (bodies.length === 0) return;
  const at = serverNow();
  await putEvents(
    trx,
    actor,
    visitId,
    service.lastPosition,
    bodies.map((body) => ({ id: randomUUID(), device: MIX_DEVICE, at, madeAt: at, body })),
  );
}

const partOf = ({ units, lifts, mixes, products }: ScriptPart): ScriptPart => ({ units, lifts, mixes, products });

/** Steps as Mix suggests them now against those that it suggested before. What the chair decided since stays. */
function stepChanges(was: readonly ServiceStep[], is: readonly ServiceStep[], { steps }: ServiceState): EventBody[] {
  const old = new Map(was.map((step) => [step.id, step]));
  const there = new Map(steps.map((own) => [own.step.id, own]));
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
      out.push({ kind: 'step-added', step, after: is.slice(0, i).findLast(({ id }) => there.has(id))?.id ?? null });
    else if (standing === 'waiting' || (standing === 'skipped' && !before)) out.push({ kind: 'step-changed', step });
  });
  return out;
}
