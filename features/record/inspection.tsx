'use client';

import { zoneName, ZONES } from '@/core/head';
import { CORRECTIONS, INSPECTION, type Outcome } from '@/core/visit';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { CORRECTION_WORDS, INSPECTION_WORDS, MARK_OPTIONS } from './words';

interface InspectionProps {
  inspection: Outcome['inspection'];
  disabled: boolean;
  onChange(inspection: Outcome['inspection']): void;
}

/** What is looked at before they leave: a touch each; words where something was put right or left. */
export function InspectionList({ inspection, disabled, onChange }: InspectionProps) {
  const seen = Object.keys(inspection).length;
  return (
    <fieldset disabled={disabled} className="grid gap-1">
      <div className="mb-1 flex items-center justify-between gap-3">
        <legend className="text-md font-bold">Checked</legend>
        <span className="text-sm text-ink-soft">
          {seen} of {INSPECTION.length}
        </span>
        <Button
          small
          look="quiet"
          disabled={disabled || seen === INSPECTION.length}
          onClick={() =>
            onChange(
              Object.fromEntries(
                INSPECTION.map((point) => [point, inspection[point] ?? { mark: 'good', words: '' }]),
              ),
            )
          }
        >
          Everything else is good
        </Button>
      </div>
      <ul aria-label="Checked" className="grid gap-1">
        {INSPECTION.map((point) => {
          const own = inspection[point];
          return (
            <li key={point} className="grid md:grid-cols-[minmax(0,1fr)_13.5rem] items-center gap-x-3">
              <span className="text-base leading-tight">{INSPECTION_WORDS[point]}</span>
              <Segmented
                label={INSPECTION_WORDS[point]}
                value={own?.mark ?? null}
                options={MARK_OPTIONS}
                onChange={(mark) => onChange({ ...inspection, [point]: { mark, words: own?.words ?? '' } })}
              />
              {own && own.mark !== 'good' && (
                <input
                  aria-label={`${INSPECTION_WORDS[point]}: what was seen`}
                  placeholder="What was seen"
                  maxLength={300}
                  value={own.words}
                  className="col-span-2 mt-1 h-9 rounded-ui border border-edge bg-field px-2 text-base hover:border-ink"
                  onChange={(event) =>
                    onChange({ ...inspection, [point]: { ...own, words: event.target.value } })
                  }
                />
              )}
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}

interface CorrectionsProps {
  corrections: Outcome['corrections'];
  disabled: boolean;
  onChange(corrections: Outcome['corrections']): void;
}

/** What was put right after the rinse. */
export function CorrectionList({ corrections, disabled, onChange }: CorrectionsProps) {
  const change = (at: number, part: Partial<Outcome['corrections'][number]>) =>
    onChange(corrections.map((correction, i) => (i === at ? { ...correction, ...part } : correction)));
  const box = 'h-9 rounded-ui border border-edge bg-field px-1.5 text-base hover:border-ink';
  return (
    <fieldset disabled={disabled} className="grid gap-2">
      <div className="flex items-center justify-between gap-3">
        <legend className="text-md font-bold">Corrections</legend>
        <Button
          small
          disabled={disabled || corrections.length >= 20}
          onClick={() => onChange([...corrections, { what: 'tone-again', zone: null, words: '' }])}
        >
          Add a correction
        </Button>
      </div>
      {corrections.length === 0 && <p className="text-sm text-ink-soft">None.</p>}
      {corrections.map((correction, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_auto] gap-2">
          <select
            aria-label={`Correction ${i + 1}`}
            className={box}
            value={correction.what}
            onChange={(event) => change(i, { what: event.target.value as typeof correction.what })}
          >
            {CORRECTIONS.map((what) => (
              <option key={what} value={what}>
                {CORRECTION_WORDS[what]}
              </option>
            ))}
          </select>
          <select
            aria-label={`Where, correction ${i + 1}`}
            className={box}
            value={correction.zone ?? ''}
            onChange={(event) =>
              change(i, { zone: ZONES.find((zone) => zone === event.target.value) ?? null })
            }
          >
            <option value="">all over</option>
            {ZONES.map((zone) => (
              <option key={zone} value={zone}>
                {zoneName(zone)}
              </option>
            ))}
          </select>
          <Button
            small
            look="quiet"
            aria-label={`Remove correction ${i + 1}`}
            onClick={() => onChange(corrections.filter((_, at) => at !== i))}
          >
            Remove
          </Button>
          <input
            aria-label={`Words, correction ${i + 1}`}
            placeholder="With what, how long"
            maxLength={300}
            className={`${box} col-span-3`}
            value={correction.words}
            onChange={(event) => change(i, { words: event.target.value })}
          />
        </div>
      ))}
    </fieldset>
  );
}
