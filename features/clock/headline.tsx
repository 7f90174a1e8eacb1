'use client';

import { isPast, type ClockPlanned } from '@/core/clock';
import { hoursAndMinutes } from '../shared';

interface HeadlineProps {
  plan: ClockPlanned | undefined;
  /** Minutes that there are; null where nobody has said. */
  slot: number | null;
  lateMinutes: number;
  /** Minutes from the last rinse to the door. */
  afterMinutes: number;
}

/**
 * Whether nothing stays on too long with the plan that is followed, and whether the whole visit fits into its
 * time.
 */
export function Headline({ plan, slot, lateMinutes, afterMinutes }: HeadlineProps) {
  if (!plan)
    return (
      <p role="status" className="text-xl font-bold wide">
        Working it out …
      </p>
    );
  const { foils, end } = plan.timeline;
  const { basinVisits, pulled, worstOver } = plan.figures;
  const over = foils.filter(isPast).length;
  const foiled = Math.max(0, ...foils.map(({ placed }) => placed));
  const whole = lateMinutes + end + afterMinutes;
  return (
    <div role="status">
      <p className={`text-xl font-bold wide ${over > 0 ? 'text-rowan' : ''}`}>
        {over === 0
          ? 'No foil stays on too long'
          : `${over} ${over === 1 ? 'foil stays' : 'foils stay'} on too long, by up to ${Math.ceil(worstOver)} min`}
      </p>
      <p className="text-base text-ink-soft">
        {basinVisits === 1 ? 'Once' : `${basinVisits} times`} at the basin
        {pulled > 0 && `, ${pulled} foils opened before`}; foiled after {hoursAndMinutes(foiled)}, rinsed
        after {hoursAndMinutes(end)}, dry after {hoursAndMinutes(whole)}
        {slot !== null &&
          (whole > slot ? (
            <b className="text-amber-bark">
              ; {Math.ceil(whole - slot)} min more than there is ({hoursAndMinutes(slot)})
            </b>
          ) : (
            `; within the ${hoursAndMinutes(slot)} that there are`
          ))}
        .
      </p>
    </div>
  );
}
