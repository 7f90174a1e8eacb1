import {
  headFactor,
  levelAfter,
  onThisHead,
  readingProblem,
  readyAfter,
  warmedMinutes,
  type HeadFactor,
  type LiftOf,
  type StrandReading,
} from '../lift';
import { stepName } from '../steps';
import { asTaken, inOrder, standing, type PlannedAction, type ServiceEvent } from './events';
import { InForce } from './in-force';
import { MINUTE } from './minute';
import type { ScriptBlock, ScriptCourse, ScriptLift, ScriptMix, ScriptUnit, ServiceScript } from './script';
import { StepList, type StepEvent, type StepState } from './steps';

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

type UnitStanding = 'waiting' | 'skipped' | 'on' | 'pulled' | 'rinsed';

/** A unit as it stands. Moments are milliseconds since 1970. */
export interface UnitState {
  readonly id: string;
  /**
   * As it was planned when it was placed; for one that was added, the unit of its block that it was laid
   * beside.
   */
  readonly unit: ScriptUnit;
  readonly added: boolean;
  readonly standing: UnitStanding;
  readonly closedAt: number | null;
  readonly closedBy: string | null;
  /**
   * From the moment that hands were free for it until it was closed, seconds; null where that is not known.
   */
  readonly seconds: number | null;
  /** Minutes that it had product on before it was painted again; 0 where it was painted once. */
  readonly earlierMinutes: number;
  /** When it was opened alone, or wetted. */
  readonly offAt: number | null;
  readonly why: string | null;
  /**
   * Minutes from closing it until it is ready, with what checks have shown; at the limit where its target is
   * not expected. For what is still to be painted again, until then.
   */
  readonly readyMinutes: number;
  readonly expected: boolean;
  /** Still to be painted again: minutes from then until it is ready; null where it is not. */
  readonly again: { readonly readyMinutes: number } | null;
  /** When it is ready, and when it reaches the maker's limit; null while it is not on. */
  readonly readyAt: number | null;
  readonly limitAt: number | null;
}

/** A block as it stands; all of its moments are those of units that still hold product. */
export interface BlockState {
  readonly block: ScriptBlock;
  /** In the order that they lie in, what was added among them. */
  readonly units: readonly UnitState[];
  readonly standing: 'waiting' | 'begun' | 'on' | 'at-basin' | 'rinsed';
  readonly firstAt: number | null;
  readonly lastAt: number | null;
  /** When all of it is ready, and when the first of it reaches its limit; null while nothing is on. */
  readonly readyAt: number | null;
  readonly limitAt: number | null;
  readonly checks: readonly Check[];
  /** Whether every target is expected. */
  readonly expected: boolean;
  /** Reasons that were given for staying on past the limit. */
  readonly pastLimit: readonly string[];
}

interface BasinStage {
  readonly blocks: readonly string[];
  readonly begunAt: number;
  readonly doneAt: number | null;
  readonly incident: string | null;
}

/** Two devices said what cannot both be: which counts, in words. */
export interface Conflict {
  readonly at: number;
  /** A sentence; numbers in it are moments, said by the clock of whoever reads it. */
  readonly parts: readonly (string | number)[];
}

/** A conflict as a sentence. @param time says a moment, such as `10:42` */
export const conflictWords = ({ parts }: Conflict, time: (at: number) => string): string =>
  parts.map((part) => (typeof part === 'number' ? time(part) : part)).join('');

interface Decision {
  readonly at: number;
  readonly words: string;
  readonly by: string;
}

/**
 * Everything that a service is, computed from its script and what happened: nothing is counted while it runs.
 */
export interface ServiceState {
  readonly startedAt: number | null;
  /** The plan as an older service wrote it down when it began; [] where the script has its course. */
  readonly plan: readonly PlannedAction[];
  /** Course that the rest goes on by; null for that of the script. */
  readonly course: ScriptCourse | null;
  readonly finishedAt: number | null;
  /** Why it was ended before everything was done; null where it was not. */
  readonly endedBecause: string | null;
  readonly blocks: readonly BlockState[];
  readonly stages: readonly BasinStage[];
  /** What follows the foils, in its order. */
  readonly steps: readonly StepState[];
  /** Lifts and mixes by which it goes on; units name their lifts by their places here. */
  readonly lifts: readonly ScriptLift[];
  readonly mixes: Readonly<Record<string, ScriptMix>>;
  /** What was decided at the chair, with its reason: a sentence each. */
  readonly decisions: readonly Decision[];
  /** The bowl in use of each mix: when it was mixed. */
  readonly bowls: readonly {
    readonly mix: string;
    readonly at: number;
    /** It was mixed for a strength that is no longer wanted. */ readonly spent: boolean;
  }[];
  /** Foils that were opened since the hands last did anything else; null where they do something else. */
  readonly round: number | null;
  /** Block that was chosen to be next. */
  readonly next: string | null;
  /** When hands were last free: the last foil, rinse or bowl was done. */
  readonly freeAt: number | null;
  readonly lastBlock: string | null;
  /** How this head takes each letter’s mix. */
  readonly heads: Readonly<Record<string, HeadFactor>>;
  readonly notes: readonly {
    readonly at: number;
    readonly words: string;
    readonly foil: string | null;
    readonly by: string;
  }[];
  /**
   * Alarms that some device has raised, the first of each; and those that somebody has heard, each with the
   * moment.
   */
  readonly raised: ReadonlyMap<
    string,
    { readonly at: number; readonly due: number; readonly late: boolean; readonly device: string }
  >;
  readonly silenced: ReadonlyMap<string, number>;
  /** Device that has the step; null where it is free. */
  readonly heldBy: { readonly device: string; readonly person: string } | null;
  readonly handedAt: number | null;
  readonly conflicts: readonly Conflict[];
}

interface Mutable {
  standing: UnitStanding;
  earlierMinutes: number;
  /** When what was given to it is over; a check after that counts instead. */
  longerUntil: { at: number; until: number } | null;
  closedAt: number | null;
  closedBy: string | null;
  seconds: number | null;
  offAt: number | null;
  why: string | null;
}

/**
 * Folds what happened into how a service stands.
 * Where devices contradict each other the earlier event counts, and it is said; what makes no sense (a rinse
 * of what is not on) changes nothing.
 */
export function serviceState(script: ServiceScript, events: readonly ServiceEvent[]): ServiceState {
  const foils = new Map<string, Mutable>();
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

  function close(id: string, foil: Mutable, at: number, by: string): void {
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

const foilsSaid = (n: number) => `${n} ${n === 1 ? 'foil' : 'foils'}`;
const blockName = ({ blocks }: ServiceScript, id: string) =>
  blocks.find((block) => block.id === id)?.name ?? id;

const NAMES = {
  foil: 'Foil',
  'open-air': 'Section',
  'tip-out': 'Tip-out',
  lowlight: 'Lowlight',
  paint: 'Painting',
} as const;

/** A unit by its number in the order of work: `Foil 14`, `Tip-out 60`. */
export const unitName = ({ kind, number }: Pick<ScriptUnit, 'kind' | 'number'>): string =>
  `${NAMES[kind]} ${number}`;

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

/** Whether a unit is still to be painted again, as it was planned. */
const isPending = (
  { again }: Pick<ScriptUnit, 'again'>,
  { earlierMinutes }: Pick<Mutable, 'earlierMinutes'>,
) => again !== null && earlierMinutes === 0;

function unitState({
  lifts,
  id,
  foil,
  unit,
  added,
  checks,
  letterOf,
  heads,
}: {
  readonly lifts: readonly ScriptLift[];
  readonly id: string;
  readonly foil: Mutable;
  readonly unit: ScriptUnit;
  readonly added: boolean;
  readonly checks: readonly Check[];
  readonly letterOf: (foil: string) => string;
  readonly heads: ServiceState['heads'];
}): UnitState {
  const { letter, limitMinutes } = unit;
  const painted = unit.again !== null && isPending(unit, foil) ? unit.again.afterMinutes : null;
  const whole = readyMinutesOf(unit, lifts, heads[letter], painted ?? foil.earlierMinutes);
  const expected = whole !== null && whole <= limitMinutes;
  // What is still to be painted again is opened then.
  const estimate = painted === null || foil.standing === 'waiting' ? whole : painted;
  // What was decided at a check goes before any estimate, for foils of that mix that were on then.
  const last =
    foil.closedAt === null
      ? undefined
      : checks.findLast((check) => check.at >= foil.closedAt! && letterOf(check.foil) === letter);
  const { longerUntil, ...shown } = foil;
  const given =
    longerUntil !== null && (last === undefined || longerUntil.at > last.at)
      ? (longerUntil.until - foil.closedAt!) / MINUTE
      : undefined;
  const decided =
    given ??
    (last && (last.at - foil.closedAt!) / MINUTE + (last.then === 'rinse' ? 0 : (last.minutes ?? 0)));
  const readyMinutes = Math.max(0, decided ?? Math.min(estimate ?? limitMinutes, limitMinutes));
  const on = foil.standing === 'on';
  return {
    id,
    unit,
    added,
    ...shown,
    readyMinutes,
    expected,
    again: painted === null ? null : { readyMinutes: Math.min(whole ?? limitMinutes, limitMinutes) },
    readyAt: on ? foil.closedAt! + readyMinutes * MINUTE : null,
    limitAt: on ? foil.closedAt! + limitMinutes * MINUTE : null,
  };
}

function blockState({
  block,
  units,
  checks,
  pastLimit,
  stages,
}: {
  readonly block: ScriptBlock;
  readonly units: readonly UnitState[];
  readonly checks: readonly Check[];
  readonly pastLimit: readonly string[];
  readonly stages: readonly BasinStage[];
}): BlockState {
  const on = units.filter((unit) => unit.standing === 'on');
  const waiting = units.some((unit) => unit.standing === 'waiting');
  const off = units.some((unit) => unit.standing === 'rinsed');
  const pulled = units.some((unit) => unit.standing === 'pulled');
  const open = stages.find(({ doneAt }) => doneAt === null);
  const standingOf = (): BlockState['standing'] => {
    if (on.length > 0 || pulled) return waiting ? 'begun' : 'on';
    if (open?.blocks.includes(block.id)) return 'at-basin';
    if (off) return waiting ? 'begun' : 'rinsed';
    return waiting ? 'waiting' : 'rinsed';
  };
  const over = (of: (state: UnitState) => number, most: (...all: number[]) => number) =>
    on.length > 0 ? most(...on.map(of)) : null;
  return {
    block,
    units,
    checks,
    pastLimit,
    standing: standingOf(),
    firstAt: over(({ closedAt }) => closedAt!, Math.min),
    lastAt: over(({ closedAt }) => closedAt!, Math.max),
    readyAt: over(({ readyAt }) => readyAt!, Math.max),
    limitAt: over(({ limitAt }) => limitAt!, Math.min),
    expected: units.every((unit) => unit.expected),
  };
}

/**
 * Minutes until a unit has its target, by what is known of the head; null where that is not expected. What
 * deposits is done after its own time.
 * @param earlierMinutes that product was on before it was painted again: what that lifted is there already
 */
export function readyMinutesOf(
  { lifting, depositMinutes }: Pick<ScriptUnit, 'lifting' | 'depositMinutes'>,
  lifts: readonly ScriptLift[],
  head: HeadFactor,
  earlierMinutes = 0,
): number | null {
  let most = Math.max(0, depositMinutes - earlierMinutes);
  for (const at of lifting) {
    const { from, target, lift } = lifts[at];
    const ready = readyAfter(from, target, onThisHead(asPainted(lift, earlierMinutes), head.factor));
    if (ready === null) return null;
    most = Math.max(most, ready - earlierMinutes);
  }
  return most;
}

/**
 * A lift as it was painted: a second application that came sooner or later than planned, or was not planned
 * at all, or not done.
 */
function asPainted({ second, ...lift }: LiftOf, earlierMinutes: number): LiftOf {
  return earlierMinutes > 0
    ? { ...lift, second: { volumes: second?.volumes ?? lift.volumes, afterMinutes: earlierMinutes } }
    : lift;
}

/** The stretch of a unit that a check looks at; undefined where nothing lifts. */
export function lengthOf(
  { lifting }: Pick<ScriptUnit, 'lifting'>,
  lifts: readonly ScriptLift[],
): ScriptLift | undefined {
  const own = lifting.map((at) => lifts[at]);
  return own.find(({ stretch }) => stretch === 'length') ?? own[0];
}

/**
 * Minutes that product was on a unit until a moment, all applications together; null where it was not put on.
 */
export const minutesOn = (
  { closedAt, earlierMinutes }: Pick<UnitState, 'closedAt' | 'earlierMinutes'>,
  until: number,
): number | null => (closedAt === null ? null : earlierMinutes + (until - closedAt) / MINUTE);

/**
 * Level that a unit is expected to have now, by what is known of this head; null where nothing of it lifts,
 * or it is not on.
 */
export function levelNow(
  state: UnitState,
  { lifts, heads }: Pick<ServiceState, 'lifts' | 'heads'>,
  now: number,
): number | null {
  const row = lengthOf(state.unit, lifts);
  const minutes = minutesOn(state, now);
  return !row || minutes === null
    ? null
    : levelAfter(
        row.from,
        onThisHead(asPainted(row.lift, state.earlierMinutes), heads[state.unit.letter].factor),
        minutes,
      );
}

/**
 * A check as a reading of the lift; undefined where it says nothing: the foil was not closed, or nothing was
 * lifted.
 */
export function readingOf(
  scriptLift: ScriptLift | undefined,
  check: Pick<Check, 'at' | 'level'>,
  unit: Pick<UnitState, 'closedAt' | 'earlierMinutes'> | undefined,
): StrandReading | undefined {
  const minutes = unit ? minutesOn(unit, check.at) : null;
  if (!scriptLift || !unit || minutes === null) return undefined;
  // Of two strengths one after the other a single reading says too little.
  if (
    unit.earlierMinutes > 0 &&
    scriptLift.lift.second &&
    scriptLift.lift.second.volumes !== scriptLift.lift.volumes
  )
    return undefined;
  const most = scriptLift.lift.most
    ? Math.min(scriptLift.from + scriptLift.lift.most.levels, scriptLift.lift.most.top)
    : 10;
  const reading: StrandReading = {
    from: scriptLift.from,
    volumes: scriptLift.lift.volumes,
    minutes: warmedMinutes(minutes, scriptLift.lift),
    level: check.level,
    known: scriptLift.lift.factor,
    atCap: check.level >= most,
  };
  return readingProblem(reading) === undefined ? reading : undefined;
}

/** What each letter’s mix does on this head: readings from before, and its checks of today. */
function headsOf({
  script,
  lifts,
  checks,
  foils,
  unitOf,
}: {
  readonly script: ServiceScript;
  readonly lifts: readonly ScriptLift[];
  readonly checks: ReadonlyMap<string, readonly Check[]>;
  readonly foils: ReadonlyMap<string, Mutable>;
  readonly unitOf: (id: string) => ScriptUnit;
}): Record<string, HeadFactor> {
  const seen = [...checks.values()].flat();
  const letters = new Set(script.units.map(({ letter }) => letter));
  return Object.fromEntries(
    [...letters].map((letter) => {
      const today = seen.flatMap((check): StrandReading[] => {
        const unit = unitOf(check.foil);
        const reading =
          unit.letter === letter ? readingOf(lengthOf(unit, lifts), check, foils.get(check.foil)) : undefined;
        return reading ? [reading] : [];
      });
      return [letter, headFactor([...script.readings, ...today])];
    }),
  );
}
