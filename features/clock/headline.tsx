'use client';

import type { Timeline } from '@/core/clock';
import { hoursAndMinutes } from '../shared';

interface HeadlineProps {
  timeline: Timeline | undefined;
  /** Minutes that there are; null where nobody has said. */
  slot: number | null;
  lateMinutes: number;
  /** Minutes from the last rinse to the door. */
  afterMinutes: number;
}

/** Whether nothing stays on too long, and whether the whole visit fits into its time. */
export function Headline({ timeline, slot, lateMinutes, afterMinutes }: HeadlineProps) {
  if (!timeline) return <p role="status" className="text-xl font-bold wide">Working it out …</p>;
  const over = timeline.foils.filter(({ clear, limit }) => clear > limit + 1e-6);
  const worst = Math.max(0, ...over.map(({ clear, limit }) => clear - limit));
  const stages = timeline.stages.length;
  // As long as nothing is foiled between two stages it is the same visit to the basin.
  const visits = timeline.stages.filter(({ from }, i) => i === 0 || timeline.foils.some(({ placed }) => placed > timeline.stages[i - 1].to && placed <= from)).length;
  const foiled = Math.max(...timeline.foils.map(({ placed }) => placed));
  const whole = lateMinutes + timeline.end + afterMinutes;
  return (
    <div role="status">
      <p className={`text-xl font-bold wide ${over.length > 0 ? 'text-rowan' : ''}`}>
        {over.length === 0 ? 'No foil stays on too long' : `${over.length} ${over.length === 1 ? 'foil stays' : 'foils stay'} on too long, by up to ${Math.ceil(worst)} min`}
      </p>
      <p className="text-base text-ink-soft">
        {visits === 1 ? 'Once' : `${visits} times`} at the basin{stages > visits && `, ${stages} rinses`}; foiled after {hoursAndMinutes(foiled)}, rinsed after {hoursAndMinutes(timeline.end)}, dry after {hoursAndMinutes(whole)}
        {slot !== null && (whole > slot ? <b className="text-amber-bark">; {Math.ceil(whole - slot)} min more than there is ({hoursAndMinutes(slot)})</b> : `; within the ${hoursAndMinutes(slot)} that there are`)}.
      </p>
    </div>
  );
}
