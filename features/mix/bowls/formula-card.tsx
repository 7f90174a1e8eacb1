'use client';

import { groupsOf, groupWords, type FormulaRow } from '@/core/work';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { useComputed } from '../../visit/computed';
import { useVisit } from '../../visit/store';
import { useAmounts } from '../amounts';
import { useFormulaEdit } from '../edit';
import { ColourFields } from './colour-fields';
import { LiftFields } from './lift-fields';

const KIND_WORDS = {
  lift: 'Lifts',
  deposit: 'Lowlight, deposits',
  permanent: 'Permanent, lifts and deposits',
} as const;

/** One formula: what, how strong, how thick, and how far along the hair. */
export function FormulaCard({ row }: { row: FormulaRow }) {
  const { letter, formula, units, chosen, problem, notes } = row;
  const { work } = useComputed();
  const taken = work.units.filter((unit) => unit.letter === letter);
  const { editMix } = useVisit();
  const said = useSaid();
  const remove = () =>
    editMix(`formula ${letter} removed`, (mix) => {
      const formulas = { ...mix.formulas };
      delete formulas[letter];
      return { ...mix, formulas };
    });
  return (
    <article aria-label={`Formula ${letter}`} className="card grid gap-3 p-4">
      <header className="flex items-center gap-3">
        <span className="grid size-9 place-items-center rounded-ui bg-ink text-lg font-bold text-raised">
          {letter}
        </span>
        <h3 className="flex-1 text-md font-bold">{KIND_WORDS[formula.kind]}</h3>
        <p className="text-sm text-ink-soft">
          {units === 0 ? 'in no foil yet' : groupWords(groupsOf(taken)).replaceAll(` ${letter}`, '')}
          {!chosen && ', usual'}
        </p>
        {chosen && units === 0 && (
          <Button small look="quiet" onClick={remove}>
            Remove
          </Button>
        )}
      </header>
      {problem && (
        <p role="alert" className="text-base font-semibold text-rowan">
          Formula {letter}: {said(problem)}.
        </p>
      )}
      {formula.kind === 'lift' ? (
        <LiftFields letter={letter} formula={formula} />
      ) : (
        <ColourFields letter={letter} formula={formula} />
      )}
      <Regrowth letter={letter} />
      {notes.length > 0 && (
        <ul className="grid gap-1">
          {notes.map((note) => (
            <li key={note} className="text-sm font-medium text-amber-bark">
              {said(note)}.
            </li>
          ))}
        </ul>
      )}
    </article>
  );
}

/**
 * A colour along the whole hair where the regrowth alone may want it: what that saves, and one press for it.
 */
function Regrowth({ letter }: { letter: string }) {
  const { regrowthOnly } = useComputed();
  const { set } = useFormulaEdit(letter);
  const { say } = useAmounts();
  const only = regrowthOnly.find((one) => one.letter === letter);
  if (!only) return null;
  return (
    <div className="flex items-center justify-between gap-3 rounded-ui bg-amber-pale p-3">
      <p className="text-sm">
        Painted to the ends, it takes about {say(Math.round(only.now))}. The regrowth alone takes about{' '}
        <b>{say(Math.round(only.then))}</b>.
      </p>
      <Button
        small
        onClick={() => set('painted on the regrowth only', (formula) => ({ ...formula, reach: 'regrowth' }))}
      >
        Regrowth only
      </Button>
    </div>
  );
}
