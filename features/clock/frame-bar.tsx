'use client';

import { BASIN_VISITS, type BasinVisits } from '@/core/visit';
import { Segmented } from '@/ui/segmented';
import { Switch } from '@/ui/switch';
import { useHouse } from '../house/context';
import { useVisit } from '../visit/store';

/** The frame that a person sets: how often to the basin, and whether the back goes first. */
export function FrameBar() {
  const { mix, editMix } = useVisit();
  const { clock, schools } = useHouse();
  const { visits, backFirst } = mix.clock;
  const usual = schools.rinse === 'once' ? 1 : clock.visits;
  const words = (own: BasinVisits) =>
    own === 'house' ? `House (${usual})` : own === 'free' ? 'As often as it helps' : String(own);
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 max-md:w-full">
        <span className="text-base">Visits to the basin at most</span>
        <div className="w-[25rem] max-md:w-full">
          <Segmented
            label="Visits to the basin"
            value={String(visits)}
            options={BASIN_VISITS.map((basinVisit) => ({
              value: String(basinVisit),
              words: words(basinVisit),
            }))}
            onChange={(text) =>
              editMix('visits to the basin', (before) => ({
                ...before,
                clock: {
                  ...before.clock,
                  visits: BASIN_VISITS.find((basinVisit) => String(basinVisit) === text) ?? 'house',
                  chosen: null,
                },
              }))
            }
          />
        </div>
      </div>
      <div className="flex items-center gap-3">
        <span className="text-base">Back once, then the rest</span>
        <Switch
          label="Back once, then the rest"
          on={backFirst}
          onChange={(on) =>
            editMix(on ? 'back first' : 'back free', (before) => ({
              ...before,
              clock: { ...before.clock, backFirst: on, chosen: null },
            }))
          }
        />
      </div>
    </div>
  );
}
