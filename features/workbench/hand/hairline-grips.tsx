'use client';

import { fromOpened, hairlineKnots, mirrored, moveLandmark, toOpened } from '@/core/head';
import { useSaid } from '@/ui/measures';
import { useVisit } from '../../visit/store';
import { GripMark } from './grip-mark';

/** Landmarks of the hairline, to be moved to where this client's runs. Sides that are alike stay alike. */
export function HairlineGrips({ times }: { times: number }) {
  const { plan, computed, editConsult } = useVisit();
  const said = useSaid();
  const { head } = computed.drawing;
  const { left, right } = plan.head.hairline;
  const alike = JSON.stringify(hairlineKnots(left)) === JSON.stringify(hairlineKnots(right));
  return (['left', 'right'] as const).flatMap((side) => {
    const knots = hairlineKnots(side === 'left' ? left : right);
    return knots.map(([azimuth, y], i) => {
      // The middle of the forehead and of the nape belong to both sides and stand once.
      const inMiddle = i === 0 || i === knots.length - 1;
      if (inMiddle && side === 'right') return null;
      const sign = side === 'left' ? 1 : -1;
      const at = toOpened(head, head.hairlinePoint((sign * ownAzimuth(azimuth, head.skull) * Math.PI) / 180));
      return (
        <GripMark
          key={`${side}${i}`}
          at={at}
          look="landmark"
          times={times}
          label={
            inMiddle
              ? i === 0
                ? 'hairline, middle of the forehead'
                : 'hairline, middle of the nape'
              : `hairline, ${side}, landmark ${i + 1} of ${knots.length}`
          }
          said={said(`${azimuth}°, ${y} mm`)}
          onMove={(to, gesture) => {
            const point = fromOpened(head, to);
            editConsult(
              inMiddle ? 'hairline, middle' : `hairline, ${alike ? 'both sides' : side}`,
              (before) => {
                const { hairline } = before.head;
                const moved = moveLandmark(
                  hairline[side],
                  i,
                  head.skull,
                  side === 'left' ? point : mirrored(point),
                );
                const other = side === 'left' ? 'right' : 'left';
                const opposite = alike
                  ? moved
                  : inMiddle
                    ? moveLandmark(
                        hairline[other],
                        i === 0 ? 0 : hairlineKnots(hairline[other]).length - 1,
                        head.skull,
                        point,
                      )
                    : hairline[other];
                return {
                  ...before,
                  head: { ...before.head, hairline: { ...hairline, [side]: moved, [other]: opposite } },
                };
              },
              gesture,
            );
          }}
        />
      );
    });
  });
}

/** Landmarks are given on the average head and move with the skin. */
function ownAzimuth(deg: number, { x, z }: { x: number; z: number }): number {
  const a = (deg * Math.PI) / 180;
  return (Math.atan2(x * Math.sin(a), z * Math.cos(a)) * 180) / Math.PI;
}
