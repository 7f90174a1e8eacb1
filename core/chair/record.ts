import { runService, type Action, type PlacedFoil } from '../clock';
import { levelAfter } from '../lift';
import type { ServiceEvent } from './events';
import type { ServiceScript } from './script';
import { MINUTE, serviceState, type FoilState, type ServiceState } from './state';

/** A foil as it was planned, and as it was done; minutes from the start. */
export interface FoilRecord {
  readonly id: string;
  /** Place in the plan; null for one that was added. */
  readonly number: number | null;
  readonly block: string;
  readonly standing: FoilState['standing'];
  readonly planned: { readonly placed: number; readonly seconds: number; readonly on: number } | null;
  readonly placed: number | null;
  readonly seconds: number | null;
  readonly by: string | null;
  /** Minutes that product was on. */
  readonly on: number | null;
  readonly limitMinutes: number;
  readonly why: string | null;
}

export interface ServiceRecord {
  readonly foils: readonly FoilRecord[];
  readonly placed: number;
  readonly skipped: number;
  readonly added: number;
  /** Longest that product was on, and of how many foils past the limit, minutes. */
  readonly longest: number;
  readonly over: number;
  /** Last level that was seen in each block, and minutes after its first foil. */
  readonly levels: readonly { readonly block: string; readonly name: string; readonly level: number; readonly minutes: number }[];
  /** Level over all foils: seen where it was checked, else estimated from the minutes on; null without a foil that lifts. */
  readonly levelReached: number | null;
  /** From the start to the end of the last rinse, planned and done; null where it was not. */
  readonly rinsed: { readonly planned: number | null; readonly done: number | null };
  /** Bowls that were mixed, by the letter of their formula. */
  readonly bowls: Readonly<Record<string, number>>;
  /** What followed the foils, minutes planned and done; null where it was not. */
  readonly steps: readonly { readonly id: string; readonly name: string; readonly planned: number; readonly done: number | null }[];
  readonly summary: string;
}

/** A service that was carried out: what was agreed, and what became of it. */
export interface Served {
  readonly script: ServiceScript;
  readonly record: ServiceRecord;
}

/** A service by what happened at it; null where it never began. */
export function servedBy(script: ServiceScript, events: readonly ServiceEvent[]): Served | null {
  const state = serviceState(script, events);
  return state.startedAt === null ? null : { script, record: recordOf(script, state) };
}

/** Planned against actual, foil by foil, computed from the script and what happened. */
export function recordOf(script: ServiceScript, state: ServiceState): ServiceRecord {
  const t0 = state.startedAt ?? 0;
  const minute = (at: number) => (at - t0) / MINUTE;
  const { foils: planned, end } = plannedTimes(script, state);
  const foils = state.blocks.flatMap(({ block, foils: own }) => own.map((foil): FoilRecord => {
    const script1 = script.foils.find(({ id }) => id === foil.id);
    const plan = planned.get(foil.id);
    return {
      id: foil.id, number: script1?.number ?? null, block: block.id, standing: foil.standing, why: foil.why, by: foil.closedBy, seconds: foil.seconds, limitMinutes: block.limitMinutes,
      planned: plan && script1 ? { placed: plan.placed, seconds: script1.seconds, on: plan.wet - plan.placed } : null,
      placed: foil.closedAt === null ? null : minute(foil.closedAt), on: foil.closedAt === null || foil.offAt === null ? null : (foil.offAt - foil.closedAt) / MINUTE,
    };
  }));
  const done = foils.filter(({ placed }) => placed !== null);
  const over = done.filter(({ on, limitMinutes }) => on !== null && on > limitMinutes);
  const levels = state.blocks.flatMap(({ block, checks, foils: own }) => {
    const last = checks.at(-1);
    const first = Math.min(...own.flatMap(({ closedAt }) => closedAt ?? []));
    return last ? [{ block: block.id, name: block.name, level: last.level, minutes: Math.round((last.at - first) / MINUTE) }] : [];
  });
  const lastRinse = Math.max(-Infinity, ...state.stages.flatMap(({ doneAt }) => doneAt ?? []));
  const record = {
    foils, placed: done.length, skipped: foils.filter(({ standing }) => standing === 'skipped').length, added: foils.filter(({ number }) => number === null).length,
    longest: Math.max(0, ...done.map(({ on }) => on ?? 0)), over: over.length, levels, levelReached: levelOver(state, foils), rinsed: { planned: end, done: lastRinse > 0 ? minute(lastRinse) : null },
    bowls: bowlsOf(state), steps: stepsOf(script, state),
  };
  return { ...record, summary: summaryOf(script, state, record) };
}

function bowlsOf({ bowls }: ServiceState): Record<string, number> {
  const count: Record<string, number> = {};
  for (const { mix } of bowls) {
    const [letter] = mix.split(' ');
    count[letter] = (count[letter] ?? 0) + 1;
  }
  return count;
}

const stepsOf = ({ after }: ServiceScript, { steps }: ServiceState): ServiceRecord['steps'] => after.map(({ id, name, from, to }) => {
  const { begunAt, doneAt } = steps[id];
  return { id, name, planned: to - from, done: begunAt !== null && doneAt !== null ? (doneAt - begunAt) / MINUTE : null };
});

/** Minutes that the plan had for each foil when the service started. */
function plannedTimes(script: ServiceScript, { plan }: ServiceState): { foils: ReadonlyMap<string, PlacedFoil>; end: number | null } {
  const at = new Map(script.blocks.map(({ id }, b) => [id, b]));
  const known = (id: string) => at.has(id);
  const actions = plan.filter((own) => (own.kind === 'rinse' ? own.blocks.every(known) : known(own.block))).map((own): Action => (own.kind === 'rinse' ? { kind: 'rinse', blocks: own.blocks.map((id) => at.get(id)!) } : { kind: own.kind, block: at.get(own.block)! }));
  if (actions.length === 0) return { foils: new Map(), end: null };
  const timeline = runService(script.blocks, actions, script.rules);
  return { foils: new Map(timeline.foils.map((own) => [script.blocks[own.block].foils[own.index], own])), end: timeline.end };
}

function levelOver(state: ServiceState, foils: readonly FoilRecord[]): number | null {
  const levels = state.blocks.flatMap(({ block, checks }) => {
    const own = foils.filter((foil) => foil.block === block.id && foil.on !== null);
    const lift = block.lifts.find(({ stretch }) => stretch === 'length') ?? block.lifts[0];
    const seen = checks.at(-1)?.level;
    if (seen !== undefined) return own.map(() => seen);
    return lift ? own.map(({ on }) => levelAfter(lift.from, { ...lift.lift, factor: lift.lift.factor * state.heads[block.formula].factor }, on!)) : [];
  });
  return levels.length === 0 ? null : levels.reduce((sum, own) => sum + own, 0) / levels.length;
}

function summaryOf(script: ServiceScript, state: ServiceState, { placed, skipped, added, longest, over, levels, rinsed, steps }: Omit<ServiceRecord, 'summary' | 'foils'>): string {
  const panels = script.plan.panels.map(({ id, name }) => {
    const own = state.blocks.filter(({ block }) => block.panel === id).flatMap(({ foils }) => foils).filter(({ closedAt }) => closedAt !== null).length;
    const mix = script.blocks.find(({ panel }) => panel === id)?.formula;
    return own > 0 ? `${name}: ${own} foils${mix ? `, ${mix}` : ''}` : '';
  }).filter(Boolean);
  const incidents = state.stages.flatMap(({ incident }) => (incident ? [`Rinsed all at once: ${incident}`] : []));
  const followed = steps.flatMap(({ name, done }) => (done === null ? [] : [`${name} ${Math.round(done)} min`]));
  return [
    script.foils.length === 0 && added === 0 ? 'No foils.' : `${placed} foils placed of ${script.foils.length} planned${skipped > 0 ? `, ${skipped} skipped` : ''}${added > 0 ? `, ${added} added` : ''}.`,
    ...panels.map((own) => `${own}.`),
    ...Object.entries(script.mixes).filter(([mix]) => script.blocks.some(({ formula }) => formula === mix)).map(([mix, words]) => `${mix}: ${words}.`),
    ...(placed > 0 ? [`Longest on ${Math.round(longest)} min${over > 0 ? `; ${over} past the limit` : ''}${rinsed.done !== null ? `; rinsed after ${Math.round(rinsed.done)} min` : ''}.`] : []),
    ...levels.map(({ name, level, minutes }) => `${name}: level ${Math.round(level * 10) / 10} seen after ${minutes} min.`),
    ...(followed.length > 0 ? [`${followed.join(', ')}.`] : []),
    ...incidents.map((own) => `${own}.`),
    ...state.notes.map(({ words }) => `${words}.`),
  ].join('\n').replace(/\.\.(?=\n|$)/g, '.');
}
