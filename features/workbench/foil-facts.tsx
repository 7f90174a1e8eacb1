'use client';

import {
  dropFoil,
  GATHER_PRESETS,
  moveFoil,
  restoreFoil,
  retypeFoil,
  type Foil,
  type Panel,
} from '@/core/pattern';
import { NumberField } from '@/ui/number-field';
import { useUnits } from '../house/context';
import { useLit, useVisit } from '../visit/store';
import { foilWords } from './foil-words';

const LETTERS = ['A', 'B', 'C', 'D'];

/**
 * What is known of the foil under the pointer, or of the selected one, and what can be changed of it by hand.
 */
export function FoilFacts() {
  const { computed, plan, selected } = useVisit();
  const lit = useLit();
  const { foils, problems } = computed.sheet;
  const chosen = foils.find(({ id }) => id === selected.foil);
  const foil = foils.find(({ id }) => id === lit) ?? chosen;
  const panelOf = ({ panel }: Foil) => plan.panels.find((other) => other.id === panel)!;
  return (
    <div className="min-h-[92px] pr-[140px] xl:pr-[180px] pl-5 pb-2 text-base">
      {foil ? (
        <p>
          <FoilWords foil={foil} panel={panelOf(foil)} />
        </p>
      ) : problems.length > 0 ? (
        <p role="alert" className="font-semibold text-rowan">
          {problems[0].problem}
        </p>
      ) : (
        <p className="text-ink-soft">Point at a foil to see its measures; tap it to change it alone.</p>
      )}
      {chosen && <FoilActions foil={chosen} panel={panelOf(chosen).name} />}
    </div>
  );
}

function FoilWords({ foil, panel }: { foil: Foil; panel: Panel }) {
  const { say } = useUnits();
  const { place, measures } = foilWords(foil, panel, say);
  return (
    <>
      <b>{place}</b>: {measures}
    </>
  );
}

function FoilActions({ foil, panel }: { foil: Foil; panel: string }) {
  const { editPlan, select } = useVisit();
  const { say, read } = useUnits();
  const named = `row ${foil.row}, ${panel}`;
  const button = 'h-9 rounded-ui border border-edge bg-raised px-3 text-sm font-semibold hover:border-ink';
  const next = LETTERS[(LETTERS.indexOf(foil.formula) + 1) % LETTERS.length];
  return (
    <div role="group" aria-label="Change this foil" className="mt-1 flex flex-wrap gap-2">
      <button
        type="button"
        className={button}
        onClick={() => {
          editPlan(`foil removed, ${named}`, (before) => dropFoil(before, foil.id));
          select(foil.panel);
        }}
      >
        Remove
      </button>
      <button
        type="button"
        className={button}
        onClick={() =>
          editPlan(
            `${foil.gather} → ${foil.gather === 'slice' ? 'fine weave' : 'slice'}, ${named}`,
            (before) =>
              retypeFoil(before, foil.id, {
                gather: foil.gather === 'slice' ? GATHER_PRESETS.fine.gather : GATHER_PRESETS.slice.gather,
              }),
          )
        }
      >
        {foil.gather === 'slice' ? 'Make it a fine weave' : 'Make it a slice'}
      </button>
      <button
        type="button"
        className={button}
        onClick={() =>
          editPlan(`formula ${foil.formula} → ${next}, ${named}`, (before) =>
            retypeFoil(before, foil.id, { formula: next }),
          )
        }
      >
        Formula {next}
      </button>
      <button
        type="button"
        className={button}
        aria-label="Move it 1 mm down"
        onClick={() =>
          editPlan(`moved 1 mm, ${named}`, (before) => moveFoil(before, foil.id, -1), `move/${foil.id}`)
        }
      >
        ↓ 1 mm
      </button>
      <button
        type="button"
        className={button}
        aria-label="Move it 1 mm up"
        onClick={() =>
          editPlan(`moved 1 mm, ${named}`, (before) => moveFoil(before, foil.id, 1), `move/${foil.id}`)
        }
      >
        ↑ 1 mm
      </button>
      <div className="w-[150px]">
        <NumberField
          label="Start of this foil"
          hideLabel
          unit="mm to start"
          min={0}
          max={600}
          value={Math.round(foil.startMm)}
          parse={read}
          onChange={(mm) =>
            mm !== undefined &&
            editPlan(
              `start ${say(foil.startMm)} → ${say(mm)}, ${named}`,
              (before) => retypeFoil(before, foil.id, { startMm: mm }),
              `start/${foil.id}`,
            )
          }
        />
      </div>
      {foil.byHand && (
        <button
          type="button"
          className={button}
          onClick={() => editPlan(`by the recipe again, ${named}`, (before) => restoreFoil(before, foil.id))}
        >
          Back to the recipe
        </button>
      )}
    </div>
  );
}
