import { basinMinutes, type ClockRules } from '../clock';
import { staysOn, stepName } from '../steps';
import { UNIT_WORDS } from '../work';
import type { ServiceScript } from './script';
import { endOf, stepTurn } from './steps';
import { MINUTE } from './minute';
import type { BlockState, ServiceState } from './service-state';

/** Something that wants to be heard at a moment. */
export interface Alarm {
  /** The same for every device that computes it. */
  readonly key: string;
  readonly kind: 'check' | 'again' | 'ready' | 'limit' | 'over' | 'bowl' | 'basin' | 'step';
  readonly due: number;
  readonly words: string;
  readonly urgent: boolean;
  readonly block: string | null;
  /** Mix that it is about, for bowls. */
  readonly mix?: string;
}

/**
 * Checks: the first so long before the oldest foil is ready, then again and again. Middle of the usual 5–10
 * minutes.
 */
const CHECK_EVERY = 8;
/** Before a limit is reached there is a warning: once less is left than the plan keeps in hand. */
const limitAhead = ({ margin }: ClockRules) => Math.max(1, margin - 1);
/**
 * After a reason for staying on was given, or a call was heard and nothing done, it is asked again. Working
 * assumption.
 */
const ASK_AGAIN = 5;
/** What somebody has to do something about: heard is not yet done. */
const WANTS_DOING: ReadonlySet<Alarm['kind']> = new Set(['check', 'over']);

/**
 * Every alarm of a service as it stands, past and to come, soonest first. Computed from recorded moments,
 * never from a counter.
 */
export function alarmsOf(script: ServiceScript, state: ServiceState): Alarm[] {
  if (state.startedAt === null || state.finishedAt !== null) return [];
  const first = [
    ...state.blocks.flatMap((block) => blockAlarms(block, limitAhead(script.rules))),
    ...bowlAlarms(script, state),
    ...basinAlarms(script, state),
    ...stepAlarms(state),
  ];
  return first
    .flatMap((alarm) => [alarm, ...askedAgain(alarm, state.silenced)])
    .sort((a, b) => a.due - b.due);
}

/** What was heard and not done is called again, each time it was heard. */
function askedAgain(alarm: Alarm, silenced: ServiceState['silenced']): Alarm[] {
  const heard = silenced.get(alarm.key);
  if (heard === undefined || !WANTS_DOING.has(alarm.kind)) return [];
  const again = { ...alarm, key: `${alarm.key} again`, due: heard + ASK_AGAIN * MINUTE };
  return [again, ...askedAgain(again, silenced)];
}

/** Alarms that are due and that no device has raised. */
export function dueAlarms(
  alarms: readonly Alarm[],
  raised: ReadonlyMap<string, unknown>,
  now: number,
): Alarm[] {
  return alarms.filter(({ key, due }) => due <= now && !raised.has(key));
}

function blockAlarms(
  { block, units, standing, firstAt, lastAt, readyAt, limitAt, checks, pastLimit, expected }: BlockState,
  ahead: number,
): Alarm[] {
  if (firstAt === null || lastAt === null || readyAt === null || limitAt === null) return [];
  const { id, name } = block;
  const out: Alarm[] = [];
  const add = ({
    key,
    kind,
    due,
    words,
    urgent = false,
  }: {
    readonly key: string;
    readonly kind: Alarm['kind'];
    readonly due: number;
    readonly words: string;
    readonly urgent?: boolean;
  }) => out.push({ key: `${kind} ${id} ${key}`, kind, due, words, urgent, block: id });
  const on = units.filter((unit) => unit.standing === 'on');
  // Only what lifts is opened to be compared.
  const lifting = on.filter(({ unit }) => unit.lifts);
  const last = checks.at(-1);
  if (last?.then !== 'rinse' && lifting.length > 0) {
    const firstCheck = Math.min(
      ...lifting.map(
        ({ closedAt, readyMinutes }) =>
          closedAt! + Math.max(readyMinutes - CHECK_EVERY, readyMinutes / 2) * MINUTE,
      ),
    );
    const due = last ? last.at + Math.min(CHECK_EVERY, last.minutes ?? CHECK_EVERY) * MINUTE : firstCheck;
    add({
      key: `${checks.length} ${firstAt}`,
      kind: 'check',
      due,
      words: `Check ${name}: open a foil, wipe, compare.`,
    });
  }
  const pending = on.filter((unitState) => unitState.again !== null);
  if (pending.length > 0) {
    const oldest = pending.reduce((a, b) => (b.readyAt! < a.readyAt! ? b : a));
    const { mix } = oldest.unit.again!;
    add({
      key: `${oldest.closedAt}`,
      kind: 'again',
      due: oldest.readyAt!,
      words: `Paint ${name} again, with bowl ${mix}: ${pending.length} ${UNIT_WORDS[oldest.unit.kind][pending.length === 1 ? 0 : 1]}, oldest first.`,
      urgent: true,
    });
  } else if (standing === 'on')
    add({
      key: `${checks.length} ${lastAt}`,
      kind: 'ready',
      due: readyAt,
      words: expected
        ? `${name} is ready, by the estimate.`
        : `${name} has had its time; its target was not expected.`,
    });
  const first = on.reduce((a, b) => (b.limitAt! < a.limitAt! ? b : a));
  add({
    key: `${first.closedAt}`,
    kind: 'limit',
    due: limitAt - ahead * MINUTE,
    words: `${name}: its first ${UNIT_WORDS[first.unit.kind][0]} reaches the maker’s limit in ${ahead} min: open and wipe it.`,
    urgent: true,
  });
  add({
    key: `${first.closedAt} ${pastLimit.length}`,
    kind: 'over',
    due: limitAt + pastLimit.length * ASK_AGAIN * MINUTE,
    words: `${name} is past the maker’s limit: open and wipe it, or say why not.`,
    urgent: true,
  });
  return out;
}

function bowlAlarms({ rules }: ServiceScript, { blocks, bowls }: ServiceState): Alarm[] {
  const mixes = [...new Set(bowls.map(({ mix }) => mix))];
  return mixes.flatMap((mix): Alarm[] => {
    if (
      !blocks.some(({ units }) =>
        units.some(({ standing, unit }) => standing === 'waiting' && unit.mixes.includes(mix)),
      )
    )
      return [];
    const { at, spent } = bowls.findLast((bowl) => bowl.mix === mix)!;
    if (spent) return [];
    return [
      {
        key: `bowl ${mix} ${at}`,
        kind: 'bowl',
        due: at + rules.usefulMinutes * MINUTE,
        words: `Bowl ${mix} is ${rules.usefulMinutes} min old: treat it as weak.`,
        urgent: false,
        block: null,
        mix,
      },
    ];
  });
}

function basinAlarms({ rules }: ServiceScript, { stages }: ServiceState): Alarm[] {
  return stages.flatMap(({ begunAt, doneAt, blocks }, i): Alarm[] => {
    if (doneAt !== null) return [];
    const minutes = basinMinutes(blocks.length, rules);
    return [
      {
        key: `basin ${i} ${begunAt}`,
        kind: 'basin',
        due: begunAt + minutes * MINUTE,
        words: `The rinse has had its ${minutes} min.`,
        urgent: false,
        block: null,
      },
    ];
  });
}

/** Steps that have had their minutes, and a colour whose turn it is so that all are done together. */
function stepAlarms({ steps }: ServiceState): Alarm[] {
  const over = steps.flatMap((step): Alarm[] => {
    if (step.standing !== 'on') return [];
    const { id, minutes } = step.step;
    const words = `${stepName(step.step)}: ${Math.round(minutes)} min are up.`;
    return [
      {
        key: `step ${id} ${step.begunAt} ${minutes}`,
        kind: 'step',
        due: endOf(step),
        words,
        urgent: staysOn(step.step),
        block: null,
      },
    ];
  });
  const turn = stepTurn(steps, -Infinity);
  if (turn?.kind !== 'until') return over;
  const { own, at } = turn;
  const words = `${stepName(own.step)}: put it on now, so that all are done together.`;
  return [
    ...over,
    { key: `put on ${own.step.id} ${at}`, kind: 'step', due: at, words, urgent: true, block: null },
  ];
}

/** What is shown of time, each minute from recorded moments. */
export interface Timers {
  readonly oldest: { readonly name: string; readonly minutes: number; readonly limitMinutes: number } | null;
  readonly nextCheck: { readonly name: string; readonly due: number } | null;
  readonly nextLimit: { readonly name: string; readonly due: number } | null;
  /** Units that are ready and still on, and in which panels. */
  readonly ready: { readonly count: number; readonly names: readonly string[] };
  readonly bowls: readonly {
    readonly mix: string;
    readonly minutes: number;
    readonly usefulMinutes: number;
  }[];
}

export function timersOf(script: ServiceScript, state: ServiceState, now: number): Timers {
  const on = state.blocks.filter(({ firstAt }) => firstAt !== null);
  const ready = on.flatMap(({ block: { name }, units }) => {
    const count = units.filter(
      ({ readyAt, again }) => readyAt !== null && again === null && readyAt <= now,
    ).length;
    return count > 0 ? [{ name, count }] : [];
  });
  const oldest = on.reduce<BlockState | null>(
    (best, blockState) => (best === null || blockState.firstAt! < best.firstAt! ? blockState : best),
    null,
  );
  const alarms = alarmsOf(script, state);
  const check = alarms.find(({ kind }) => kind === 'check');
  const next = on.reduce<BlockState | null>(
    (best, blockState) => (best === null || blockState.limitAt! < best.limitAt! ? blockState : best),
    null,
  );
  return {
    oldest: oldest && {
      name: oldest.block.name,
      minutes: (now - oldest.firstAt!) / MINUTE,
      limitMinutes: oldest.units.find(
        ({ closedAt, standing }) => standing === 'on' && closedAt === oldest.firstAt,
      )!.unit.limitMinutes,
    },
    nextCheck: check
      ? { name: state.blocks.find(({ block }) => block.id === check.block)!.block.name, due: check.due }
      : null,
    nextLimit: next && { name: next.block.name, due: next.limitAt! },
    ready: { count: ready.reduce((sum, own) => sum + own.count, 0), names: ready.map(({ name }) => name) },
    bowls: alarms.flatMap(({ mix, due }) =>
      mix === undefined
        ? []
        : [
            {
              mix,
              minutes: (now - due) / MINUTE + script.rules.usefulMinutes,
              usefulMinutes: script.rules.usefulMinutes,
            },
          ],
    ),
  };
}
