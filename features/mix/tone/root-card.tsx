'use client';

import { usualShadow, usualTap } from '@/core/mix';
import { HAIR_STATE_WORDS, HAIR_STATES, placeWords, rootName, shadowOf, type RootMix } from '@/core/visit';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { PlaceField } from '../../places/place-field';
import { useComputed } from '../../visit/computed';
import { useVisit } from '../../visit/store';
import { readAmount, tenth } from '../amounts';
import { changed, freshId } from '../edit';
import { LockedPart } from '../locked';
import { Items } from './items';
import { MixFigures } from './mix-figures';

const LEVELS = [-3, -2, -1, 0, 1, 2, 3] as const;

function off(levels: number): string {
  if (levels === 0) return 'the natural level';
  return `${Math.abs(levels)} ${Math.abs(levels) === 1 ? 'level' : 'levels'} ${levels < 0 ? 'darker' : 'lighter'}`;
}

/** Root colour: a shadow on all roots, which Wear shows, and taps on some of them. */
export function RootCards() {
  const { mix, editMix } = useVisit();
  const { shelf } = useComputed();
  const line = shelf.depositLine;
  const add = (words: string, root: RootMix) =>
    editMix(`${words} added`, (visitMix) => ({ ...visitMix, roots: [...visitMix.roots, root] }));
  return (
    <section aria-label="Root colour" className="card grid gap-3 p-4">
      <header className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-md font-bold">Root colour</h2>
        <span className="flex gap-2">
          <Button
            small
            disabled={!line || shadowOf(mix) !== undefined}
            onClick={() => line && add('root shadow', usualShadow('shadow', line))}
          >
            Root shadow
          </Button>
          <Button
            small
            disabled={!line}
            onClick={() => line && add('root tap', usualTap(freshId(mix.roots, 'tap'), line))}
          >
            Root tap
          </Button>
        </span>
      </header>
      {mix.roots.length === 0 && (
        <p className="text-base text-ink-soft">
          A shadow on all roots, or a tap behind the front hairline; none where the spacing gives depth.
        </p>
      )}
      {mix.roots.map((root) => (
        <RootCard key={root.id} root={root} />
      ))}
    </section>
  );
}

function RootCard({ root }: { root: RootMix }) {
  const { mix, editMix } = useVisit();
  const visit = useComputed();
  const { shelf } = visit;
  const depositLine = shelf.line(root.line);
  const rule = root.rule ?? depositLine?.root ?? { natural: 3, ash: 1, levels: 0 };
  const result = visit.colours.roots.find(({ id }) => id === root.id)?.result;
  const name = root.id === shadowOf(mix)?.id ? 'Root shadow' : rootName(root.place);
  const said = name.toLowerCase();
  const set = (label: string, part: Partial<RootMix>) =>
    editMix(
      `${said}: ${label}`,
      (before) => ({ ...before, roots: changed(before.roots, root.id, (was) => ({ ...was, ...part })) }),
      `root ${root.id} ${Object.keys(part).join()}`,
    );
  const remove = () =>
    editMix(`${said} removed`, (before) => ({
      ...before,
      roots: before.roots.filter(({ id }) => id !== root.id),
    }));
  return (
    <LockedPart step={`root ${root.id}`}>
      <article aria-label={name} className="grid gap-3 border-t border-line pt-3">
        <header className="flex items-center gap-3">
          <h3 className="flex-1 text-base font-semibold">
            {name}, {placeWords(root.place)}, {tenth(root.mm)} mm down
          </h3>
          <Button small look="quiet" onClick={remove}>
            Remove
          </Button>
        </header>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
          <PlaceField place={root.place} onChange={(place) => set('place', { place })} />
          <NumberField
            label="Drawn down"
            unit="mm"
            min={2}
            max={200}
            value={root.mm}
            parse={readAmount}
            onChange={(mm) => mm !== undefined && set('depth', { mm })}
          />
          <Select
            label="Line"
            value={root.line}
            options={shelf.lines.map(({ id, name: words }) => ({ value: id, words }))}
            onChange={(id) => set('line', { line: id, rule: null })}
          />
          <Select
            label="Hair"
            value={root.state}
            options={HAIR_STATES.map((value) => ({ value, words: HAIR_STATE_WORDS[value] }))}
            onChange={(state) => set('state of hair', { state })}
          />
        </div>
        <MixFigures own={root} set={set} />
        <div className="flex min-h-9 items-center gap-3">
          <Switch
            label="The house’s rule for the line"
            on={root.rule === null}
            onChange={(house) =>
              set(house ? 'by the house’s rule' : 'own parts', { rule: house ? null : rule })
            }
          />
          <span className="text-base">
            By the house’s rule for {depositLine?.name ?? 'the line'}: {tenth(depositLine?.root.natural ?? 3)}{' '}
            natural : {tenth(depositLine?.root.ash ?? 1)} ash, {off(depositLine?.root.levels ?? 0)}
          </span>
        </div>
        {root.rule && (
          <div className="grid grid-cols-3 gap-3">
            <NumberField
              label="Parts of natural"
              unit=""
              min={0}
              max={10}
              value={root.rule.natural}
              parse={readAmount}
              onChange={(natural) =>
                natural !== undefined &&
                natural + rule.ash > 0 &&
                set('parts', { rule: { ...rule, natural } })
              }
            />
            <NumberField
              label="Parts of ash"
              unit=""
              min={0}
              max={10}
              value={root.rule.ash}
              parse={readAmount}
              onChange={(ash) =>
                ash !== undefined && ash + rule.natural > 0 && set('parts', { rule: { ...rule, ash } })
              }
            />
            <Select
              label="Level"
              value={String(root.rule.levels)}
              options={LEVELS.map((value) => ({ value: String(value), words: off(value) }))}
              onChange={(levels) => set('level', { rule: { ...rule, levels: Number(levels) } })}
            />
          </div>
        )}
        {result && !result.ok && (
          <p role="alert" className="text-base font-semibold text-rowan">
            It cannot be mixed: {result.problem}.
          </p>
        )}
        {result?.ok && (
          <div>
            <Items read={result.items} />
            <p className="text-sm text-ink-soft">
              Level {tenth(result.level)}. {result.lineNote}
            </p>
            {result.nearest && (
              <p role="status" className="text-base font-medium text-amber-bark">
                {result.nearest}
              </p>
            )}
            {result.warning && (
              <p role="status" className="text-base font-semibold text-amber-bark">
                {result.warning}
              </p>
            )}
          </div>
        )}
      </article>
    </LockedPart>
  );
}
