import { headFactor, readingProblem, readyAfter, type HeadFactor, type StrandReading } from '../lift';
import { asTaken, inOrder, standing, type PlannedAction, type ServiceEvent } from './events';
import type { ScriptBlock, ServiceScript } from './script';

/** A level seen when a foil was opened. */
export interface Check {
  readonly at: number;
  readonly foil: string;
  readonly level: number;
  readonly then: 'more' | 'rinse';
  readonly minutes: number | null;
  readonly reason: string | null;
  readonly photo: string | null;
  readonly by: string;
}

export type FoilStanding = 'waiting' | 'skipped' | 'on' | 'pulled' | 'rinsed';

/** A foil as it stands. Moments are milliseconds since 1970. */
export interface FoilState {
  readonly id: string;
  readonly standing: FoilStanding;
  readonly closedAt: number | null;
  readonly closedBy: string | null;
  /** From the moment that hands were free for it until it was closed, seconds; null where that is not known. */
  readonly seconds: number | null;
  /** When it was opened alone, or wetted. */
  readonly offAt: number | null;
  readonly why: string | null;
}

/** A block as it stands; all of its moments are those of foils that still hold product. */
export interface BlockState {
  readonly block: ScriptBlock;
  /** Foils in the order that they lie in, what was added among them. */
  readonly foils: readonly FoilState[];
  readonly standing: 'waiting' | 'begun' | 'on' | 'at-basin' | 'rinsed';
  readonly firstAt: number | null;
  readonly lastAt: number | null;
  readonly checks: readonly Check[];
  /** Minutes until ready and until the limit, with what checks have shown. */
  readonly readyMinutes: number;
  readonly limitMinutes: number;
  /** Whether its target is expected at all. */
  readonly expected: boolean;
  /** Reasons that were given for staying on past the limit. */
  readonly pastLimit: readonly string[];
}

export interface BasinStage {
  readonly blocks: readonly string[];
  readonly begunAt: number;
  readonly doneAt: number | null;
  readonly incident: string | null;
}

export interface StepState {
  readonly begunAt: number | null;
  readonly doneAt: number | null;
}

/** Two devices said what cannot both be: which counts, in words. */
export interface Conflict {
  readonly at: number;
  /** A sentence; numbers in it are moments, said by the clock of whoever reads it. */
  readonly parts: readonly (string | number)[];
}

/** A conflict as a sentence. @param time says a moment, such as `10:42` */
export const conflictWords = ({ parts }: Conflict, time: (at: number) => string): string => parts.map((own) => (typeof own === 'number' ? time(own) : own)).join('');

/** Everything that a service is, computed from its script and what happened: nothing is counted while it runs. */
export interface ServiceState {
  readonly startedAt: number | null;
  /** The plan as it was then. */
  readonly plan: readonly PlannedAction[];
  readonly finishedAt: number | null;
  readonly blocks: readonly BlockState[];
  readonly stages: readonly BasinStage[];
  readonly steps: Readonly<Record<string, StepState>>;
  /** The bowl in use of each mix: when it was mixed. */
  readonly bowls: readonly { readonly mix: string; readonly at: number }[];
  /** Block that was chosen to be next. */
  readonly next: string | null;
  /** When hands were last free: the last foil, rinse or bowl was done. */
  readonly freeAt: number | null;
  readonly lastBlock: string | null;
  /** How this head takes each letter’s mix. */
  readonly heads: Readonly<Record<string, HeadFactor>>;
  readonly notes: readonly { readonly at: number; readonly words: string; readonly foil: string | null; readonly by: string }[];
  /** Alarms that some device has raised, the first of each; and those that somebody has heard, each with the moment. */
  readonly raised: ReadonlyMap<string, { readonly at: number; readonly due: number; readonly late: boolean; readonly device: string }>;
  readonly silenced: ReadonlyMap<string, number>;
  /** Device that has the step; null where it is free. */
  readonly heldBy: { readonly device: string; readonly person: string } | null;
  readonly handedAt: number | null;
  readonly conflicts: readonly Conflict[];
}

interface Mutable {
  standing: FoilStanding;
  closedAt: number | null;
  closedBy: string | null;
  seconds: number | null;
  offAt: number | null;
  why: string | null;
}

/**
 * Folds what happened into how a service stands.
 * Where devices contradict each other the earlier event counts, and it is said; what makes no sense (a rinse of what is not on) changes nothing.
 */
export function serviceState(script: ServiceScript, events: readonly ServiceEvent[]): ServiceState {
  const foils = new Map<string, Mutable>();
  const blockOf = new Map<string, string>();
  const lists = new Map<string, string[]>(script.blocks.map(({ id, foils: own }) => [id, [...own]]));
  const put = (id: string, block: string) => {
    foils.set(id, { standing: 'waiting', closedAt: null, closedBy: null, seconds: null, offAt: null, why: null });
    blockOf.set(id, block);
  };
  for (const { id, foils: own } of script.blocks) for (const foil of own) put(foil, id);
  const numberOf = new Map(script.foils.map(({ id, number }) => [id, number]));
  const called = (id: string) => (numberOf.has(id) ? `Foil ${numberOf.get(id)}` : 'An added foil');
  const checks = new Map<string, Check[]>();
  const pastLimit = new Map<string, string[]>();
  const stages: { blocks: string[]; begunAt: number; doneAt: number | null; incident: string | null }[] = [];
  const steps: Record<string, { begunAt: number | null; doneAt: number | null }> = Object.fromEntries(script.after.map(({ id }) => [id, { begunAt: null, doneAt: null }]));
  const bowls: { mix: string; at: number }[] = [];
  const notes: { at: number; words: string; foil: string | null; by: string }[] = [];
  const raised = new Map<string, { at: number; due: number; late: boolean; device: string }>();
  const silenced = new Map<string, number>();
  const conflicts: Conflict[] = [];
  let startedAt: number | null = null;
  let plan: readonly PlannedAction[] = [];
  let finishedAt: number | null = null;
  let next: string | null = null;
  let freeAt: number | null = null;
  let lastBlock: string | null = null;
  const rinsedBlocks = new Set<string>();
  const mixOf = (block: string) => script.blocks.find(({ id }) => id === block)?.formula;

  for (const { at, by, device, body } of standing(inOrder(events))) {
    switch (body.kind) {
      case 'started':
        if (startedAt === null) {
          startedAt = at;
          freeAt = at;
          plan = body.plan;
        }
        break;
      case 'closed': {
        const own = foils.get(body.foil);
        if (!own || startedAt === null) break;
        if (own.standing !== 'waiting') {
          conflicts.push({ at, parts: own.standing === 'skipped' ? [`${called(body.foil)} was skipped and then closed: it is on the head.`] : [`${called(body.foil)} was closed twice: ${own.closedBy} at `, own.closedAt!, ` counts, ${by} at `, at, ' does not.'] });
          if (own.standing !== 'skipped') break;
        }
        close(body.foil, own, at, by);
        break;
      }
      case 'added': {
        const list = lists.get(body.block);
        if (!list || foils.has(body.foil) || startedAt === null) break;
        put(body.foil, body.block);
        const at0 = list.findIndex((id) => foils.get(id)!.standing === 'waiting');
        list.splice(at0 < 0 ? list.length : at0, 0, body.foil);
        close(body.foil, foils.get(body.foil)!, at, by);
        break;
      }
      case 'skipped': {
        const own = foils.get(body.foil);
        if (own?.standing === 'waiting') Object.assign(own, { standing: 'skipped', why: body.why });
        else if (own && own.standing !== 'skipped') conflicts.push({ at, parts: [`${called(body.foil)} was closed before it was skipped: it is on the head.`] });
        break;
      }
      case 'next':
        if (lists.has(body.block)) next = body.block;
        break;
      case 'bowl':
        bowls.push({ mix: body.mix, at });
        freeAt = at;
        break;
      case 'checked': {
        const block = blockOf.get(body.foil);
        if (block === undefined) break;
        const { foil, level, then, minutes, reason, photo } = body;
        checks.set(block, [...(checks.get(block) ?? []), { at, foil, level, then, minutes, reason, photo, by }]);
        break;
      }
      case 'pulled':
        for (const id of body.foils) {
          const own = foils.get(id);
          if (own?.standing === 'on') Object.assign(own, { standing: 'pulled', offAt: at, why: body.reason });
        }
        break;
      case 'rinse-begun': {
        const open = stages.find(({ doneAt }) => doneAt === null);
        const own = body.blocks.filter((id) => lists.has(id) && !rinsedBlocks.has(id) && lists.get(id)!.some((foil) => ['on', 'pulled'].includes(foils.get(foil)!.standing)));
        if (open) {
          const more = own.filter((id) => !open.blocks.includes(id));
          if (more.length === 0) conflicts.push({ at, parts: ['The same rinse was begun twice: ', open.begunAt, ' counts.'] });
          open.blocks.push(...more);
          if (body.incident !== null) open.incident = body.incident;
          own.push(...more);
        } else if (own.length > 0) stages.push({ blocks: own, begunAt: at, doneAt: null, incident: body.incident });
        for (const [j, id] of own.entries()) {
          if (rinsedBlocks.has(id)) continue;
          rinsedBlocks.add(id);
          for (const foil of lists.get(id)!) {
            const one = foils.get(foil)!;
            // One panel after the other is wetted.
            if (one.standing === 'on') Object.assign(one, { standing: 'rinsed', offAt: at + (script.rules.setUp + j * script.rules.each) * MINUTE });
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
        for (const id of open.blocks) for (const foil of lists.get(id)!) {
          const one = foils.get(foil)!;
          if (one.offAt !== null && one.offAt > at) one.offAt = at;
        }
        freeAt = at;
        break;
      }
      case 'past-limit':
        pastLimit.set(body.block, [...(pastLimit.get(body.block) ?? []), body.reason]);
        break;
      case 'step-begun':
        if (steps[body.step] && steps[body.step].begunAt === null) steps[body.step].begunAt = at;
        break;
      case 'step-done':
        if (steps[body.step] && steps[body.step].doneAt === null) {
          steps[body.step].doneAt = at;
          steps[body.step].begunAt ??= at;
        }
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
        finishedAt ??= at;
        break;
      case 'handed': case 'taken': case 'undone':
        break;
    }
  }

  function close(id: string, own: Mutable, at: number, by: string): void {
    const block = blockOf.get(id)!;
    Object.assign(own, { standing: 'on', closedAt: at, closedBy: by, seconds: freeAt === null ? null : Math.max(0, (at - freeAt) / 1000), why: null });
    if (rinsedBlocks.has(block)) {
      // On the head anew: the block has to be rinsed again.
      rinsedBlocks.delete(block);
    }
    const mix = mixOf(block)!;
    if (!bowls.some((bowl) => bowl.mix === mix)) bowls.push({ mix, at: freeAt ?? at });
    freeAt = at;
    lastBlock = block;
    if (next === block && lists.get(block)!.every((foil) => foils.get(foil)!.standing !== 'waiting')) next = null;
  }

  const { heldBy, handedAt } = holderOf(events);
  const heads = headsOf(script, checks, foils);
  return {
    startedAt, plan, finishedAt, stages, steps, bowls, next, freeAt, lastBlock, heads, notes, raised, silenced, heldBy, handedAt, conflicts,
    blocks: script.blocks.map((block) => blockState(block, lists.get(block.id)!.map((id) => ({ id, ...foils.get(id)! })), checks.get(block.id) ?? [], pastLimit.get(block.id) ?? [], heads[block.formula], stages)),
  };
}

/** Who has the step: told in the order in which the server heard of it, whatever the clocks of the devices say. */
function holderOf(events: readonly ServiceEvent[]): Pick<ServiceState, 'heldBy' | 'handedAt'> {
  const last = asTaken(events).findLast(({ body }) => body.kind === 'handed' || body.kind === 'taken');
  if (!last) return { heldBy: null, handedAt: null };
  return last.body.kind === 'taken' ? { heldBy: { device: last.device, person: last.by }, handedAt: null } : { heldBy: null, handedAt: last.at };
}

export const MINUTE = 60_000;

function blockState(block: ScriptBlock, foils: readonly FoilState[], checks: readonly Check[], pastLimit: readonly string[], head: HeadFactor, stages: readonly BasinStage[]): BlockState {
  const on = foils.filter((own) => own.standing === 'on');
  const placed = on.map(({ closedAt }) => closedAt!);
  const waiting = foils.some((own) => own.standing === 'waiting');
  const off = foils.some((own) => own.standing === 'rinsed');
  const pulled = foils.some((own) => own.standing === 'pulled');
  const open = stages.find(({ doneAt }) => doneAt === null);
  const standingOf = (): BlockState['standing'] => {
    if (on.length > 0 || pulled) return waiting ? 'begun' : 'on';
    if (open?.blocks.includes(block.id)) return 'at-basin';
    if (off) return waiting ? 'begun' : 'rinsed';
    return waiting ? 'waiting' : 'rinsed';
  };
  const ready = readyMinutesOf(block, head);
  // What was decided at a check goes before any estimate: it is ready when those minutes are over.
  const last = checks.at(-1);
  const decided = last && placed.length > 0 ? (last.at + (last.then === 'rinse' ? 0 : (last.minutes ?? 0) * MINUTE) - Math.max(...placed)) / MINUTE : null;
  return {
    block, foils, checks, pastLimit, standing: standingOf(),
    firstAt: placed.length > 0 ? Math.min(...placed) : null, lastAt: placed.length > 0 ? Math.max(...placed) : null,
    readyMinutes: Math.max(0, decided ?? Math.min(ready ?? block.limitMinutes, block.limitMinutes)), limitMinutes: block.limitMinutes, expected: ready !== null && ready <= block.limitMinutes,
  };
}

/** Minutes until all of a block’s hair has its target, by what is known of the head; null where that is not expected. */
export function readyMinutesOf({ lifts, depositMinutes }: Pick<ScriptBlock, 'lifts' | 'depositMinutes'>, head: HeadFactor): number | null {
  const ready = lifts.map(({ from, target, lift }) => readyAfter(from, target, { ...lift, factor: lift.factor * head.factor }));
  return ready.some((own) => own === null) ? null : Math.max(0, depositMinutes, ...ready.map((own) => own!));
}

/** A check as a reading of the lift; undefined where it says nothing: the foil was not closed, or nothing was lifted. */
export function readingOf({ lifts }: Pick<ScriptBlock, 'lifts'>, check: Pick<Check, 'at' | 'level'>, closedAt: number | null): StrandReading | undefined {
  const own = lifts.find(({ stretch }) => stretch === 'length') ?? lifts[0];
  if (!own || closedAt === null) return undefined;
  const most = own.lift.most ? Math.min(own.from + own.lift.most.levels, own.lift.most.top) : 10;
  const reading: StrandReading = { from: own.from, volumes: own.lift.volumes, minutes: ((check.at - closedAt) / MINUTE) * (own.lift.warmth ?? 1), level: check.level, known: own.lift.factor, atCap: check.level >= most };
  return readingProblem(reading) === undefined ? reading : undefined;
}

/** What each letter’s mix does on this head: readings from before, and its checks of today. */
function headsOf(script: ServiceScript, checks: ReadonlyMap<string, readonly Check[]>, foils: ReadonlyMap<string, Mutable>): Record<string, HeadFactor> {
  const letters = [...new Set(script.blocks.map(({ formula }) => formula))];
  return Object.fromEntries(letters.map((letter) => {
    const today = script.blocks.filter(({ formula }) => formula === letter).flatMap((block): StrandReading[] =>
      (checks.get(block.id) ?? []).flatMap((check) => {
        const reading = readingOf(block, check, foils.get(check.foil)?.closedAt ?? null);
        return reading ? [reading] : [];
      }));
    return [letter, headFactor([...script.readings, ...today])];
  }));
}

