'use client';

import type { RootMix } from '@/core/visit';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { useVisit } from '../../visit/store';
import { readAmount, tenth } from '../amounts';
import { useComputed } from '../../visit/computed';
import { Items } from './items';

const LEVELS = [-3, -2, -1, 0, 1, 2, 3] as const;
const off = (levels: number) => (levels === 0 ? 'the natural level' : `${Math.abs(levels)} ${Math.abs(levels) === 1 ? 'level' : 'levels'} ${levels < 0 ? 'darker' : 'lighter'}`);

/** Root colour: the house's rule for the line, or an own one, and what grows out as a band. */
export function RootCard() {
  const { mix, editMix } = useVisit();
  const visit = useComputed();
  const { shelf } = visit;
  const { root } = mix;
  const line = shelf.lines.find(({ id }) => shelf.shadesOf(id).length > 0);
  const set = (label: string, part: Partial<RootMix>) => editMix(`root colour: ${label}`, (own) => ({ ...own, root: own.root && { ...own.root, ...part } }), `root ${Object.keys(part).join()}`);
  if (!root) {
    return (
      <section aria-label="Root colour" className="card flex items-center justify-between gap-4 p-4">
        <div><h2 className="text-md font-bold">Root colour</h2><p className="text-base text-ink-soft">A root shadow, or a tap behind the hairline; none where the spacing gives depth.</p></div>
        <Button small disabled={!line} onClick={() => editMix('root colour added', (own) => ({ ...own, root: { line: line!.id, rule: null, grams: 45, ratio: line!.ratio.usual, volumes: Math.min(10, line!.volumes.most), minutes: Math.min(15, line!.minutes.most) } }))}>Add root colour</Button>
      </section>
    );
  }
  const own = shelf.line(root.line);
  const rule = root.rule ?? own?.root ?? { natural: 3, ash: 1, levels: 0 };
  const result = visit.colours.root;
  return (
    <section aria-label="Root colour" className="card grid gap-3 p-4">
      <header className="flex items-center gap-3"><h2 className="flex-1 text-md font-bold">Root colour</h2><Button small look="quiet" onClick={() => editMix('root colour removed', (before) => ({ ...before, root: null }))}>Remove</Button></header>
      <div className="grid grid-cols-5 gap-3">
        <Select label="Line" value={root.line} options={shelf.lines.map(({ id, name }) => ({ value: id, words: name }))} onChange={(id) => set('line', { line: id, rule: null })} />
        <NumberField label="In all" unit="g" min={5} max={500} value={root.grams} parse={readAmount} onChange={(grams) => grams !== undefined && set('amount', { grams })} />
        <NumberField label="Ratio 1 :" unit="" min={0.5} max={5} value={root.ratio} parse={readAmount} onChange={(ratio) => ratio !== undefined && set('ratio', { ratio })} />
        <NumberField label="Strength" unit="vol" min={1} max={40} value={root.volumes} parse={readAmount} onChange={(volumes) => volumes !== undefined && set('strength', { volumes })} />
        <NumberField label="Time" unit="min" min={1} max={60} value={root.minutes} parse={readAmount} onChange={(minutes) => minutes !== undefined && set('time', { minutes })} />
      </div>
      <div className="flex min-h-9 items-center gap-3">
        <Switch label="The house’s rule for the line" on={root.rule === null} onChange={(house) => set(house ? 'by the house’s rule' : 'own parts', { rule: house ? null : rule })} />
        <span className="text-base">By the house’s rule for {own?.name ?? 'the line'}: {tenth(own?.root.natural ?? 3)} natural : {tenth(own?.root.ash ?? 1)} ash, {off(own?.root.levels ?? 0)}</span>
      </div>
      {root.rule && (
        <div className="grid grid-cols-3 gap-3">
          <NumberField label="Parts of natural" unit="" min={0} max={10} value={root.rule.natural} parse={readAmount} onChange={(natural) => natural !== undefined && natural + rule.ash > 0 && set('parts', { rule: { ...rule, natural } })} />
          <NumberField label="Parts of ash" unit="" min={0} max={10} value={root.rule.ash} parse={readAmount} onChange={(ash) => ash !== undefined && ash + rule.natural > 0 && set('parts', { rule: { ...rule, ash } })} />
          <Select label="Level" value={String(root.rule.levels)} options={LEVELS.map((value) => ({ value: String(value), words: off(value) }))} onChange={(levels) => set('level', { rule: { ...rule, levels: Number(levels) } })} />
        </div>
      )}
      {result && !result.ok && <p role="alert" className="text-base font-semibold text-rowan">It cannot be mixed: {result.problem}.</p>}
      {result?.ok && (
        <div>
          <Items read={result.items} />
          <p className="text-sm text-ink-soft">Level {tenth(result.level)}. {result.lineNote}</p>
          {result.nearest && <p role="status" className="text-base font-medium text-amber-bark">{result.nearest}</p>}
          {result.warning && <p role="status" className="text-base font-semibold text-amber-bark">{result.warning}</p>}
        </div>
      )}
    </section>
  );
}
