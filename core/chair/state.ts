import { stepName } from '../steps';
import { asTaken, inOrder, standing, type PlannedAction, type ServiceEvent } from './events';
import { InForce } from './in-force';
import { headsOf, minutesOn } from './lifting';
import { MINUTE } from './minute';
import { blockName, foilsSaid, unitName } from './said';
import type { ScriptCourse, ServiceScript } from './script';
import type { Check, Conflict, Decision, ServiceState } from './service-state';
import { StepList, type StepEvent } from './steps';
import { blockState, isPending, unitState, type UnitSoFar } from './unit-state';

/**
 * Folds what happened into how a service stands.
 * Where devices contradict each other the earlier event counts, and it is said; what makes no sense (a rinse
 * of what is not on) changes nothing.
 */
export function serviceState(script: ServiceScript, events: readonly ServiceEvent[]): ServiceState {
  const foils = new Map<string, UnitSoFar>();
  const blockOf = new Map<string, string>();
  const lists = new Map<string, string[]>(script.blocks.map(({ id, units: own }) => [id, [...own]]));
  const put = (id: string, block: string) => {
    foils.set(id, {
      standing: 'waiting',
      earlierMinutes: 0,
      longerUntil: null,
      closedAt: null,
      closedBy: null,
      seconds: null,
      offAt: null,
      why: null,
    });
    blockOf.set(id, block);
  };
  for (const { id, units: own } of script.blocks) for (const foil of own) put(foil, id);
  const inForce = new InForce(script);
  const unitOf = (id: string) => inForce.unit(id);
  const planned = new Set(script.units.map(({ id }) => id));
  const called = (id: string) => (planned.has(id) ? unitName(unitOf(id)) : 'An added foil');
  const pending = () =>
    [...foils].flatMap(([id, own]) => (own.standing === 'on' && isPending(unitOf(id), own) ? [id] : []));
  const waiting = () =>
    [...foils].flatMap(([id, { standing: unitStanding }]) => (unitStanding === 'waiting' ? [id] : []));
  const checks = new Map<string, Check[]>();
  const pastLimit = new Map<string, string[]>();
  const stages: { blocks: string[]; begunAt: number; doneAt: number | null; incident: string | null }[] = [];
  const steps = new StepList(script.steps);
  const decisions: Decision[] = [];
  const bowls: { mix: string; at: number; spent: boolean }[] = [];
  const notes: { at: number; words: string; foil: string | null; by: string }[] = [];
  const raised = new Map<string, { at: number; due: number; late: boolean; device: string }>();
  const silenced = new Map<string, number>();
  const conflicts: Conflict[] = [];
  let startedAt: number | null = null;
  let plan: readonly PlannedAction[] = [];
  let course: ScriptCourse | null = null;
  let round: number | null = null;
  let finishedAt: number | null = null;
  let endedBecause: string | null = null;
  let next: string | null = null;
  let freeAt: number | null = null;
  let lastBlock: string | null = null;
  const rinsedBlocks = new Set<string>();

  for (const { at, by, device, body } of standing(inOrder(events))) {
    switch (body.kind) {
      case 'started':
        if (startedAt === null) {
          startedAt = at;
          freeAt = at;
          plan = body.plan ?? [];
        }
        break;
      case 'replanned':
        course = body.course;
        break;
      case 'closed': {
        const foil = foils.get(body.foil);
        if (!foil || startedAt === null) break;
        if (foil.standing !== 'waiting') {
          conflicts.push({
            at,
            parts:
              foil.standing === 'skipped'
                ? [`${called(body.foil)} was skipped and then closed: it is on the head.`]
                : [
                    `${called(body.foil)} was closed twice: ${foil.closedBy} at `,
                    foil.closedAt!,
                    ` counts, ${by} at `,
                    at,
                    ' does not.',
                  ],
          });
          if (foil.standing !== 'skipped') break;
        }
        close(body.foil, foil, at, by);
        break;
      }
      case 'added': {
        const list = lists.get(body.block);
        if (!list || foils.has(body.foil) || startedAt === null) break;
        put(body.foil, body.block);
        const at0 = list.findIndex((id) => foils.get(id)!.standing === 'waiting');
        inForce.beside(body.foil, list[at0 < 0 ? list.length - 1 : at0]);
        list.splice(at0 < 0 ? list.length : at0, 0, body.foil);
        close(body.foil, foils.get(body.foil)!, at, by);
        break;
      }
      case 'skipped': {
        const foil = foils.get(body.foil);
        if (foil?.standing === 'waiting') Object.assign(foil, { standing: 'skipped', why: body.why });
        else if (foil && foil.standing !== 'skipped')
          conflicts.push({
            at,
            parts: [`${called(body.foil)} was closed before it was skipped: it is on the head.`],
          });
        break;
      }
      case 'next':
        if (lists.has(body.block)) next = body.block;
        break;
      case 'bowl':
        bowls.push({ mix: body.mix, at, spent: false });
        freeAt = at;
        round = null;
        break;
      case 'checked': {
        const block = blockOf.get(body.foil);
        if (block === undefined) break;
        const { foil, level, then, minutes, reason, photo } = body;
        checks.set(block, [
          ...(checks.get(block) ?? []),
          { at, foil, level, then, minutes, reason, photo, by },
        ]);
        break;
      }
      case 'pulled':
        {
          const onHead = body.foils
            .flatMap((id) => foils.get(id) ?? [])
            .filter((one) => one.standing === 'on');
          // Said of several at once: they were opened one after the other, the last just now.
          const since = freeAt ?? at;
          const opened = (i: number) =>
            Math.max(Math.min(since, at), at - (onHead.length - 1 - i) * script.rules.pullEach * MINUTE);
          onHead.forEach((one, i) =>
            Object.assign(one, { standing: 'pulled', offAt: opened(i), why: body.reason }),
          );
          // A second person who pulls leaves the hands that foil where they are.
          if (onHead.length > 0 && script.rules.second !== 'pulls') {
            freeAt = at;
            round = (round ?? 0) + onHead.length;
          }
        }
        break;
      case 'rinse-begun': {
        const open = stages.find(({ doneAt }) => doneAt === null);
        const own = body.blocks.filter(
          (id) =>
            lists.has(id) &&
            !rinsedBlocks.has(id) &&
            lists.get(id)!.some((foil) => ['on', 'pulled'].includes(foils.get(foil)!.standing)),
        );
        if (open) {
          const more = own.filter((id) => !open.blocks.includes(id));
          if (more.length === 0)
            conflicts.push({ at, parts: ['The same rinse was begun twice: ', open.begunAt, ' counts.'] });
          open.blocks.push(...more);
          if (body.incident !== null) open.incident = body.incident;
        } else if (own.length > 0)
          stages.push({ blocks: own, begunAt: at, doneAt: null, incident: body.incident });
        // What had to be rinsed all at once ends the foiling.
        if (body.incident !== null)
          for (const one of foils.values())
            if (one.standing === 'waiting') Object.assign(one, { standing: 'skipped', why: body.incident });
        for (const [j, id] of own.entries()) {
          if (rinsedBlocks.has(id)) continue;
          const only = body.foils && new Set(body.foils);
          if (
            !only ||
            lists
              .get(id)!
              .every((foil) => only.has(foil) || !['on', 'pulled'].includes(foils.get(foil)!.standing))
          )
            rinsedBlocks.add(id);
          for (const foil of lists.get(id)!) {
            const one = foils.get(foil)!;
            if (only && !only.has(foil)) continue;
            // One panel after the other is wetted.
            if (one.standing === 'on')
              Object.assign(one, {
                standing: 'rinsed',
                offAt: at + (script.rules.setUp + j * script.rules.each) * MINUTE,
              });
            else if (one.standing === 'pulled') one.standing = 'rinsed';
          }
        }
        break;
      }
      case 'rinse-done': {
        const open = stages.find(({ doneAt }) => doneAt === null);
        if (!open) break;
        open.doneAt = at;
        // What was rinsed sooner than the usual minutes was wet sooner.
        for (const id of open.blocks)
          for (const foil of lists.get(id)!) {
            const one = foils.get(foil)!;
            if (one.offAt !== null && one.offAt > at) one.offAt = at;
          }
        freeAt = at;
        round = null;
        break;
      }
      case 'past-limit':
        pastLimit.set(body.block, [...(pastLimit.get(body.block) ?? []), body.reason]);
        decisions.push({ at, by, words: `${blockName(script, body.block)} past the limit: ${body.reason}` });
        break;
      case 'longer': {
        const onHead = body.foils.flatMap((id) => foils.get(id) ?? []).filter((one) => one.standing === 'on');
        for (const one of onHead) one.longerUntil = { at, until: at + body.minutes * MINUTE };
        if (onHead.length > 0)
          decisions.push({
            at,
            by,
            words: `${body.minutes} min more for ${foilsSaid(onHead.length)}: ${body.reason}`,
          });
        break;
      }
      case 'reapplied': {
        const onHead = body.foils.flatMap((id) => foils.get(id) ?? []).filter((one) => one.standing === 'on');
        for (const one of onHead)
          Object.assign(one, { earlierMinutes: minutesOn(one, at), closedAt: at, longerUntil: null });
        if (onHead.length === 0) break;
        decisions.push({
          at,
          by,
          words: `Second application on ${foilsSaid(onHead.length)}: ${body.reason}`,
        });
        for (const { mix } of body.foils.flatMap((id) => (foils.has(id) ? (unitOf(id).again ?? []) : [])))
          openBowl(mix, freeAt ?? at);
        freeAt = at;
        round = null;
        break;
      }
      case 'strength': {
        const from = inForce.mixes[body.mix]?.volumes;
        if (!inForce.strengthen(body.mix, body.volumes, waiting(), pending())) break;
        mixedAnew(body.mix);
        decisions.push({
          at,
          by,
          words: `Mix ${body.mix} from ${from} to ${body.volumes} vol for what was not placed: ${body.reason}`,
        });
        break;
      }
      case 'rescripted': {
        const before = inForce.mixes;
        inForce.rescript(body.script, waiting());
        for (const [mix, { words }] of Object.entries(body.script.mixes))
          if (before[mix] && before[mix].words !== words) mixedAnew(mix);
        break;
      }
      case 'step-added':
      case 'step-moved':
      case 'step-changed':
      case 'step-skipped':
      case 'step-more':
      case 'step-begun':
      case 'step-done':
        takeStep(body, at, by);
        break;
      case 'note':
        notes.push({ at, words: body.words, foil: body.foil, by });
        break;
      case 'raised':
        if (!raised.has(body.alarm)) raised.set(body.alarm, { at, due: body.due, late: body.late, device });
        break;
      case 'silenced':
        if (!silenced.has(body.alarm)) silenced.set(body.alarm, at);
        break;
      case 'finished':
        if (finishedAt === null) {
          finishedAt = at;
          endedBecause = body.reason ?? null;
        }
        break;
      case 'handed':
      case 'taken':
      case 'undone':
        break;
    }
  }

  /** A bowl that nobody said was mixed was mixed when it was first needed. */
  function openBowl(mix: string, at: number): void {
    if (!bowls.some((bowl) => bowl.mix === mix)) bowls.push({ mix, at, spent: false });
  }

  /** What was mixed of it is of no use for what comes. */
  function mixedAnew(mix: string): void {
    for (let i = bowls.length - 1; i >= 0; i -= 1)
      if (bowls[i].mix === mix && !bowls[i].spent) bowls[i].spent = true;
  }

  function takeStep(body: StepEvent, at: number, by: string): void {
    const conflict = steps.take(body, at);
    if (conflict) conflicts.push({ at, parts: [conflict] });
    if (body.kind === 'step-more') {
      const stepState = steps.read().find(({ step }) => step.id === body.step);
      if (stepState)
        decisions.push({
          at,
          by,
          words: `${stepName(stepState.step)} ${body.minutes} min more: ${body.reason}`,
        });
    }
  }

  function close(id: string, foil: UnitSoFar, at: number, by: string): void {
    const block = blockOf.get(id)!;
    Object.assign(foil, {
      standing: 'on',
      closedAt: at,
      closedBy: by,
      seconds: freeAt === null ? null : Math.max(0, (at - freeAt) / 1000),
      why: null,
    });
    // On the head again: the block has to be rinsed again.
    rinsedBlocks.delete(block);
    for (const mix of unitOf(id).mixes) openBowl(mix, freeAt ?? at);
    freeAt = at;
    round = null;
    lastBlock = block;
    if (next === block && lists.get(block)!.every((other) => foils.get(other)!.standing !== 'waiting'))
      next = null;
  }

  const { heldBy, handedAt } = holderOf(events);
  const heads = headsOf({ script, lifts: inForce.lifts, checks, foils, unitOf });
  return {
    startedAt,
    plan,
    course,
    round,
    finishedAt,
    endedBecause,
    stages,
    steps: steps.read(),
    lifts: inForce.lifts,
    mixes: inForce.mixes,
    decisions,
    bowls,
    next,
    freeAt,
    lastBlock,
    heads,
    notes,
    raised,
    silenced,
    heldBy,
    handedAt,
    conflicts,
    blocks: script.blocks.map((block) => {
      const own = checks.get(block.id) ?? [];
      const units = lists.get(block.id)!.map((id) =>
        unitState({
          lifts: inForce.lifts,
          id,
          foil: foils.get(id)!,
          unit: unitOf(id),
          added: !planned.has(id),
          checks: own,
          letterOf: (foil) => unitOf(foil).letter,
          heads,
        }),
      );
      return blockState({ block, units, checks: own, pastLimit: pastLimit.get(block.id) ?? [], stages });
    }),
  };
}

/**
 * Who has the step: told in the order in which the server heard of it, whatever the clocks of the devices
 * say.
 */
function holderOf(events: readonly ServiceEvent[]): Pick<ServiceState, 'heldBy' | 'handedAt'> {
  const last = asTaken(events).findLast(({ body }) => body.kind === 'handed' || body.kind === 'taken');
  if (!last) return { heldBy: null, handedAt: null };
  return last.body.kind === 'taken'
    ? { heldBy: { device: last.device, person: last.by }, handedAt: null }
    : { heldBy: null, handedAt: last.at };
}
