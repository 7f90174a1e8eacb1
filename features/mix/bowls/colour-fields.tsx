'use client';

import type { ColourEnds, DepositFormula, PermanentFormula } from '@/core/visit';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { useComputed } from '../../visit/computed';
import { readAmount } from '../amounts';
import { useFormulaEdit } from '../edit';
import { ShadeParts } from '../tone/shade-parts';
import { Additives } from './additives';
import { ReachField } from './reach-field';

type Colour = DepositFormula | PermanentFormula;

/**
 * Colour that deposits, or lifts and deposits: line, shades, developer, time, how far it goes, and ends of
 * their own.
 */
export function ColourFields({ letter, formula }: { letter: string; formula: Colour }) {
  const { shelf } = useComputed();
  const { set } = useFormulaEdit(letter);
  const change = (label: string, part: Partial<Omit<Colour, 'kind'>>) =>
    set(
      label,
      (current) => (current.kind === 'lift' ? current : { ...current, ...part }),
      `${letter} ${Object.keys(part).join()}`,
    );
  const { ends } = formula;
  const changeEnds = (label: string, part: Partial<ColourEnds>) =>
    ends && change(label, { ends: { ...ends, ...part } });
  const line = shelf.line(formula.line);
  // A line that is used as it comes has no developer.
  const direct = line?.ratio.most === 0;
  return (
    <>
      <Select
        label="Line"
        value={formula.line}
        options={shelf.lines.map(({ id, name }) => ({ value: id, words: name }))}
        onChange={(id) => {
          const [shade] = shelf.shadesOf(id);
          const next = shelf.line(id);
          if (!shade || !next) return;
          set('line', (current) =>
            current.kind === 'lift'
              ? current
              : {
                  ...current,
                  kind: next.lifts ? 'permanent' : 'deposit',
                  line: id,
                  parts: [{ shade: shade.id, parts: 1 }],
                  ratio: next.ratio.usual,
                  minutes: next.minutes.usual ?? next.minutes.most,
                  ends: null,
                  volumes: Math.min(next.volumes.most, Math.max(next.volumes.least, current.volumes)),
                },
          );
        }}
      />
      <ShadeParts
        line={formula.line}
        parts={formula.parts}
        onChange={(parts) => change('shades', { parts })}
      />
      <div className="grid grid-cols-3 gap-2">
        {!direct && (
          <NumberField
            label="Strength"
            unit="vol"
            min={1}
            max={40}
            value={formula.volumes}
            parse={readAmount}
            onChange={(volumes) => volumes !== undefined && change('strength', { volumes })}
          />
        )}
        {!direct && (
          <NumberField
            label="Ratio 1 :"
            unit=""
            min={0.5}
            max={5}
            value={formula.ratio}
            parse={readAmount}
            onChange={(ratio) => ratio !== undefined && change('ratio', { ratio })}
          />
        )}
        <NumberField
          label="Time"
          unit="min"
          min={1}
          max={240}
          value={formula.minutes}
          parse={readAmount}
          onChange={(minutes) => minutes !== undefined && change('time', { minutes })}
        />
      </div>
      {direct && <p className="text-sm text-ink-soft">{line.name} is used as it comes, without developer.</p>}
      <ReachField
        letter={letter}
        reach={formula.reach}
        onChange={(words, reach) => change(words, { reach })}
      />
      <Additives letter={letter} formula={formula} />
      <div className="flex min-h-9 items-center justify-between gap-4">
        <span className="text-base">Another colour on the ends</span>
        <Switch
          label={`Another colour on the ends of ${letter}`}
          on={ends !== null}
          onChange={(on) =>
            change(on ? 'ends apart' : 'ends as the length', {
              ends: on
                ? {
                    parts: formula.parts,
                    volumes: formula.volumes,
                    ratio: formula.ratio,
                    lastMm: 80,
                    minutes: Math.min(15, formula.minutes),
                  }
                : null,
            })
          }
        />
      </div>
      {ends && (
        <>
          <ShadeParts
            line={formula.line}
            parts={ends.parts}
            onChange={(parts) => changeEnds('shades on the ends', { parts })}
          />
          <div className="grid grid-cols-2 gap-2">
            {!direct && (
              <NumberField
                label="Ends, strength"
                unit="vol"
                min={1}
                max={40}
                value={ends.volumes}
                parse={readAmount}
                onChange={(volumes) =>
                  volumes !== undefined && changeEnds('strength on the ends', { volumes })
                }
              />
            )}
            {!direct && (
              <NumberField
                label="Ends, ratio 1 :"
                unit=""
                min={0.5}
                max={5}
                value={ends.ratio}
                parse={readAmount}
                onChange={(ratio) => ratio !== undefined && changeEnds('ratio on the ends', { ratio })}
              />
            )}
            <NumberField
              label="The last"
              unit="mm"
              min={10}
              max={1000}
              value={ends.lastMm}
              parse={readAmount}
              onChange={(lastMm) => lastMm !== undefined && changeEnds('length of the ends', { lastMm })}
            />
            <NumberField
              label="for the last"
              unit="min"
              min={1}
              max={240}
              value={ends.minutes}
              parse={readAmount}
              onChange={(minutes) => minutes !== undefined && changeEnds('time on the ends', { minutes })}
            />
          </div>
        </>
      )}
    </>
  );
}
