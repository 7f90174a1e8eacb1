'use client';

import { mixesOf, type FoilAt, type Timeline } from '@/core/clock';
import type { VisitClock } from '@/core/visit';
import { numberWords, type WorkBlock } from '@/core/work';
import { useVisit } from '../visit/store';

interface OrderListProps {
  blocks: readonly WorkBlock[];
  timeline: Timeline;
}

/**
 * What is done one after the other. A panel can keep its place, and what is rinsed together can stay together
 * or not; the rest is solved around it.
 */
export function OrderList({ blocks, timeline }: OrderListProps) {
  const { mix, editMix } = useVisit();
  const { pinned, together, apart } = mix.clock;
  const decide = (label: string, part: Partial<VisitClock>) =>
    editMix(label, (before) => ({ ...before, clock: { ...before.clock, ...part } }));
  const unitsOf = (foils: readonly FoilAt[]) => foils.map(({ block, index }) => blocks[block].units[index]);
  const places = [...new Set(timeline.runs.map(({ block }) => block))];
  /** Panels of which a rinse takes a part while the rest still holds product. */
  const clipped = ({ blocks: set, foils, from }: Timeline['stages'][number]) =>
    set
      .filter((b) =>
        timeline.foils.some(
          (foil) =>
            foil.block === b &&
            foil.placed <= from &&
            foil.wet > from &&
            !foil.pulled &&
            !foils.some(({ block, index }) => block === b && index === foil.index),
        ),
      )
      .map((b) => blocks[b].name)
      .join(', ');
  const firsts = new Set(places.map((b) => timeline.runs.find((run) => run.block === b)));
  const steps = [
    ...timeline.runs.map((run) => ({ at: run.from, key: `${blocks[run.block].id} ${run.first}`, run })),
    ...timeline.pulls.map((pull, i) => ({ at: pull.from, key: `pull ${i}`, pull })),
    ...timeline.stages.map((stage, i) => ({ at: stage.from, key: `rinse ${i}`, stage })),
  ].sort((a, b) => a.at - b.at);
  return (
    <section aria-label="Order of work" className="border-t border-line pt-3">
      <h2 className="mb-1 text-md font-bold">Step by step</h2>
      <ol className="grid gap-1">
        {steps.map((step) => (
          <li
            key={step.key}
            className="grid grid-cols-[36px_minmax(0,1fr)_auto] items-center gap-2 text-base"
          >
            <span className="text-right font-semibold">{Math.round(step.at)}</span>
            {'run' in step && (
              <>
                <span>
                  Foil {blocks[step.run.block].name}
                  <span className="text-sm text-ink-soft">
                    , {numberWords(blocks[step.run.block].units.slice(step.run.first, step.run.next))} (
                    {mixesOf(blocks[step.run.block], timeline.strengths[step.run.block]).join(', ')})
                    {step.run.by === 1 && ', second person'}
                  </span>
                </span>
                {firsts.has(step.run) && blocks.length > 1 && (
                  <Pin
                    label={`Keep ${blocks[step.run.block].name} at this place`}
                    on={pinned[blocks[step.run.block].id] === places.indexOf(step.run.block)}
                    onChange={(on) =>
                      decide(on ? 'place kept' : 'place free', {
                        pinned: on
                          ? { ...pinned, [blocks[step.run.block].id]: places.indexOf(step.run.block) }
                          : without(pinned, blocks[step.run.block].id),
                      })
                    }
                  />
                )}
              </>
            )}
            {'pull' in step && (
              <span className="text-leaf">
                {step.pull.by === 1 ? 'Second person: open' : 'Open'}
                {step.pull.paintedAgain ? ', wipe and paint again' : ' and wipe'}{' '}
                {numberWords(unitsOf(step.pull.foils))}
              </span>
            )}
            {'stage' in step && (
              <>
                <span className="font-semibold text-sky">
                  Rinse {step.stage.blocks.map((b) => blocks[b].name).join(', ')}
                  {clipped(step.stage) && (
                    <span className="text-sm font-normal">
                      , the rest of {clipped(step.stage)} behind a clip
                    </span>
                  )}
                </span>
                {step.stage.blocks.length > 1 && (
                  <Shared
                    ids={step.stage.blocks.map((b) => blocks[b].id)}
                    names={step.stage.blocks.map((b) => blocks[b].name).join(', ')}
                    together={together}
                    apart={apart}
                    decide={decide}
                  />
                )}
              </>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

const without = <T,>(record: Readonly<Record<string, T>>, ...ids: readonly string[]) =>
  Object.fromEntries(Object.entries(record).filter(([id]) => !ids.includes(id)));

interface SharedProps extends Pick<VisitClock, 'together' | 'apart'> {
  ids: readonly string[];
  names: string;
  decide(label: string, part: Partial<VisitClock>): void;
}

/** Whether panels share their rinse, or never do. */
function Shared({ ids, names, together, apart, decide }: SharedProps) {
  const all = (record: Readonly<Record<string, string>>) =>
    ids.every((id) => record[id] !== undefined && record[id] === record[ids[0]]);
  const word = Object.fromEntries(ids.map((id) => [id, ids[0]]));
  return (
    <span className="flex gap-1">
      <Pin
        label={`Keep this rinse together: ${names}`}
        on={all(together)}
        onChange={(on) =>
          decide(on ? 'rinse kept together' : 'rinse free', {
            together: on ? { ...together, ...word } : without(together, ...ids),
            apart: without(apart, ...ids),
          })
        }
      />
      <Pin
        label={`Rinse these apart: ${names}`}
        words={['Apart', 'Apart']}
        on={all(apart)}
        onChange={(on) =>
          decide(on ? 'rinsed apart' : 'rinse free', {
            apart: on ? { ...apart, ...word } : without(apart, ...ids),
            together: without(together, ...ids),
          })
        }
      />
    </span>
  );
}

function Pin({
  label,
  on,
  onChange,
  words: [off, done] = ['Keep', 'Kept'],
}: {
  label: string;
  on: boolean;
  onChange(on: boolean): void;
  words?: readonly [string, string];
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={on}
      onClick={() => onChange(!on)}
      className={`h-9 rounded-ui border px-2 text-sm font-semibold ${on ? 'border-leaf bg-leaf text-on-leaf' : 'border-edge text-ink-soft hover:border-ink hover:text-ink'}`}
    >
      {on ? done : off}
    </button>
  );
}
