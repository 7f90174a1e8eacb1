'use client';

import { memo, type ComponentType } from 'react';
import { directionName, gatherName, gatherOf, type Panel } from '@/core/pattern';
import { capital } from '@/core/units';
import { useVisit } from '../../visit/store';
import { FoilFields } from './foil';
import { GatherFields } from './gather';
import { LikenessFields } from './likeness';
import { PartingFields } from './parting';
import { PlaceFields } from './place';
import { SpacingFields } from './spacing';
import { SectionPreview } from './section-preview';
import { shownDropout } from '../shown-dropout';
import { usePanelEdit } from '../use-panel-edit';
import { DropoutFields } from './dropouts';
import type { RecipeProps } from './props';
import { RotationFields } from './rotation';

/** A part of the recipe that is drawn anew only when what it shows of the panel has changed. */
function reading(Fields: ComponentType<RecipeProps>, keys: readonly (keyof Panel)[]) {
  return memo(
    Fields,
    (before, after) =>
      before.change === after.change && keys.every((key) => before.panel[key] === after.panel[key]),
  );
}
const Gather = reading(GatherFields, ['gather', 'thicknessMm']);
const Parting = reading(PartingFields, ['direction', 'gather', 'place']);
const Rotation = reading(RotationFields, ['rotation', 'formula', 'direction']);
const OnFoil = reading(FoilFields, ['start', 'medium', 'hair', 'columns', 'cover']);
const Likeness = reading(LikenessFields, ['variation', 'side']);
const Between = reading(DropoutFields, ['dropouts', 'formula']);

/** The recipe of the selected panel; every change shows at once. */
export function Recipe() {
  const { plan, selected } = useVisit();
  const panel = plan.panels.find(({ id }) => id === selected.panel) ?? plan.panels[0];
  if (!panel) {
    return (
      <aside aria-label="Recipe" className="border-l border-line bg-raised px-4 py-4 text-base text-ink-soft">
        Add a panel, or choose a pattern from the library, to see its recipe here.
      </aside>
    );
  }
  return <PanelRecipe key={panel.id} panel={panel} />;
}

function PanelRecipe({ panel }: { panel: Panel }) {
  const { computed } = useVisit();
  const change = usePanelEdit(panel.id);
  const totals = computed.sheet.panels.find((panelTotals) => panelTotals.panel === panel.id);
  const name = gatherName(panel.gather, panel.thicknessMm);
  const parts: RecipeProps = { panel, totals, change };
  return (
    <aside
      aria-label={`Recipe of ${panel.name}`}
      className="overflow-y-auto border-l border-line bg-raised px-4 py-4"
    >
      <p className="text-sm font-semibold">{panel.name}</p>
      <h2 className="mb-2 text-lg leading-tight font-bold wide">
        {capital(name)}, {directionName(panel.direction)}
      </h2>
      <Gather {...parts} />
      <SectionPreview
        gather={gatherOf(panel.gather, 1)}
        thicknessMm={panel.thicknessMm}
        dropoutMm={shownDropout(panel, totals)}
      />
      <SpacingFields {...parts} />
      <Parting {...parts} />
      <Rotation {...parts} />
      <OnFoil {...parts} />
      <Between {...parts} />
      <PlaceFields {...parts} />
      <Likeness {...parts} />
      {totals && (
        <p className="mt-4 border-t border-line pt-3 text-sm text-ink-soft">
          {totals.foils} foils in {totals.rows} rows{panel.side === 'both' && ', both sides counted,'} on{' '}
          {Math.round(totals.areaCm2)} cm² of scalp
          {totals.takenBy.length > 0 &&
            `; ${Math.round(totals.takenBy.reduce((sum, taken) => sum + taken.areaCm2, 0))} cm² of its place are other panels’`}
          .
        </p>
      )}
    </aside>
  );
}
