'use client';

import { mixesOf, strengthsOf, type Block, type Timeline } from '@/core/clock';
import { Select } from '@/ui/select';
import { useVisit } from '../visit/store';

interface OrderListProps {
  blocks: readonly Block[];
  timeline: Timeline;
  /** Whether what is found may be pinned: in one's own order everything is. */
  searched: boolean;
}

/** What is done one after the other; each of it can be kept as it is, and the rest is solved around it. */
export function OrderList({ blocks, timeline, searched }: OrderListProps) {
  const { mix, editMix } = useVisit();
  const { pinned, kept, together } = mix.clock;
  const decide = (label: string, part: Partial<typeof mix.clock>) => editMix(label, (before) => ({ ...before, clock: { ...before.clock, ...part } }));
  const places = blocks.map((_, b) => b).sort((a, b) => placed(timeline, a) - placed(timeline, b));
  const steps = [
    ...places.map((b, place) => ({ at: placed(timeline, b) - blocks[b].foils[0].seconds / 60, key: blocks[b].id, foil: { b, place } })),
    ...timeline.stages.map(({ from, blocks: set }, i) => ({ at: from, key: `rinse ${i}`, rinse: set })),
    ...timeline.pulls.map(({ from, block }) => ({ at: from, key: `pull ${block}`, pull: block })),
  ].sort((a, b) => a.at - b.at);
  const without = <T,>(record: Readonly<Record<string, T>>, ...ids: readonly string[]) => Object.fromEntries(Object.entries(record).filter(([id]) => !ids.includes(id)));
  const joined = (set: readonly number[]) => set.length > 1 && set.every((b) => together[blocks[b].id] !== undefined && together[blocks[b].id] === together[blocks[set[0]].id]);
  return (
    <section aria-label="Order of work" className="border-t border-line pt-3">
      <h2 className="mb-1 text-md font-bold">In this order</h2>
      <ol className="grid gap-1">
        {steps.map((step) => (
          <li key={step.key} className="grid grid-cols-[36px_minmax(0,1fr)_auto] items-center gap-2 text-base">
            <span className="text-right font-semibold">{Math.round(step.at)}</span>
            {'foil' in step && step.foil && (
              <>
                <span>Foil {blocks[step.foil.b].name}<span className="text-sm text-ink-soft">, {blocks[step.foil.b].foils.length} foils{timeline.by[step.foil.b] === 1 && ', second person'}</span>
                  {searched && strengthsOf(blocks[step.foil.b]) > 1
                    ? <Strength block={blocks[step.foil.b]} at={timeline.strengths[step.foil.b]} kept={kept[blocks[step.foil.b].id]} onKeep={(own) => decide('strength kept', { kept: own === undefined ? without(kept, step.key) : { ...kept, [step.key]: own } })} />
                    : <span className="text-sm text-ink-soft">, {mixesOf(blocks[step.foil.b], timeline.strengths[step.foil.b]).join(', ')}</span>}
                </span>
                {searched && <Pin label={`Keep ${blocks[step.foil.b].name} at this place`} on={pinned[step.key] === step.foil.place} onChange={(on) => decide(on ? 'place kept' : 'place free', { pinned: on ? { ...pinned, [step.key]: step.foil.place } : without(pinned, step.key) })} />}
              </>
            )}
            {'rinse' in step && step.rinse && (
              <>
                <span className="font-semibold text-sky">Rinse {step.rinse.map((b) => blocks[b].name).join(', ')}</span>
                {searched && step.rinse.length > 1 && <Pin label={`Keep this rinse together: ${step.rinse.map((b) => blocks[b].name).join(', ')}`} on={joined(step.rinse)} onChange={(on) => {
                  const ids = step.rinse.map((b) => blocks[b].id);
                  decide(on ? 'rinse kept together' : 'rinse free', { together: on ? { ...together, ...Object.fromEntries(ids.map((id) => [id, ids[0]])) } : without(together, ...ids) });
                }} />}
              </>
            )}
            {'pull' in step && step.pull !== undefined && <span className="text-sky">Second person pulls {blocks[step.pull].name}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}

const mixName = (block: Block, strength: number) => mixesOf(block, strength).join(', ');
const placed = ({ foils }: Timeline, b: number) => foils.find((own) => own.block === b)!.placed;

function Pin({ label, on, onChange }: { label: string; on: boolean; onChange(on: boolean): void }) {
  return (
    <button type="button" aria-label={label} title={label} aria-pressed={on} onClick={() => onChange(!on)} className={`h-9 rounded-ui border px-2 text-sm font-semibold ${on ? 'border-leaf bg-leaf text-on-leaf' : 'border-edge text-ink-soft hover:border-ink hover:text-ink'}`}>
      {on ? 'Kept' : 'Keep'}
    </button>
  );
}

function Strength({ block, at, kept, onKeep }: { block: Block; at: number; kept: string | undefined; onKeep(mix: string | undefined): void }) {
  const all = Array.from({ length: strengthsOf(block) }, (_, i) => mixName(block, i));
  return (
    <Select label={`Strength of ${block.name}`} hideLabel value={kept ?? ''} onChange={(own: string) => onKeep(own === '' ? undefined : own)}
      options={[{ value: '', words: `found: ${all[at]}` }, ...all.map((mix) => ({ value: mix, words: `always ${mix}` }))]} />
  );
}
