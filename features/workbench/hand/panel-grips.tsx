'use client';

import { useMemo } from 'react';
import {
  changePanel,
  foilPoints,
  placeGrips,
  turnsByHand,
  withFoilMovedTo,
  withFoilTurnedTo,
  type Panel,
} from '@/core/pattern';
import { useUnits } from '../../house/context';
import { useVisit } from '../../visit/store';
import { GripMark } from './grip-mark';
import { shownDropout } from '../shown-dropout';
import { usePanelEdit } from '../use-panel-edit';

/** Grips on the edges of the selected panel and on what is left out of it. */
export function PanelGrips({ times }: { times: number }) {
  const { plan, computed, selected, editPlan } = useVisit();
  const { head } = computed.drawing;
  const panel = plan.panels.find(({ id, muted }) => id === selected.panel && !muted);
  const grips = useMemo(
    () => (panel ? placeGrips(panel, head, plan.head.part) : []),
    [panel, head, plan.head.part],
  );
  if (!panel) return null;
  return grips.map((grip) => {
    const said = (current: Panel) =>
      placeGrips(current, head, plan.head.part).find(({ id }) => id === grip.id)?.said ?? '';
    return (
      <GripMark
        key={grip.id}
        at={grip.at}
        label={`${grip.label}, ${panel.name}`}
        said={grip.said}
        times={times}
        onMove={(to, gesture) =>
          editPlan(
            (before, after) => {
              const [from, now] = [before, after].map((own) =>
                said(own.panels.find(({ id }) => id === panel.id)!),
              );
              return `${grip.label}${now && ` ${from} → ${now}`}, ${panel.name}`;
            },
            (before) => changePanel(before, panel.id, () => grip.moved(to)),
            gesture,
          )
        }
      />
    );
  });
}

/**
 * Grips on the selected foil: its middle changes the pitch of its panel, its end the angle of the partings.
 */
export function PartingGrips({ times }: { times: number }) {
  const { plan, computed, selected } = useVisit();
  const { sheet, drawing } = computed;
  const change = usePanelEdit(selected.panel);
  const { say } = useUnits();
  const i = sheet.foils.findIndex(({ id }) => id === selected.foil);
  const panel = plan.panels.find(({ id }) => id === selected.panel);
  if (i < 0 || !panel || panel.id !== sheet.foils[i].panel) return null;
  const foil = sheet.foils[i];
  const path = drawing.paths[i];
  const totals = sheet.panels.find((panelTotals) => panelTotals.panel === panel.id);
  const { middle, end } = foilPoints(path);
  return (
    <>
      {foil.row > 1 && (
        <GripMark
          at={middle}
          label={`row ${foil.row}, drag to change the pitch`}
          said={`drop-out ${say(foil.dropoutMm)}`}
          times={times}
          onMove={(to, gesture) =>
            change(
              'drop-out',
              (current) => say(shownDropout(current, totals)),
              () => withFoilMovedTo(panel, foil, path, to, totals),
              gesture,
            )
          }
        />
      )}
      {turnsByHand(panel.direction) && (
        <GripMark
          at={end}
          look="turn"
          label={`end of row ${foil.row}, drag to turn the partings`}
          said={`${Math.round(foil.angleDeg)}°`}
          times={times}
          onMove={(to, gesture) =>
            change('angle', angleOf, () => withFoilTurnedTo(panel, foil, path, drawing.head, to), gesture)
          }
        />
      )}
    </>
  );
}

function angleOf({ direction }: Panel): string {
  if (direction.kind === 'pivot') return `${direction.fromDeg}°`;
  return direction.kind === 'parallel' || direction.kind === 'crossed' ? `${direction.angleDeg}°` : '';
}
