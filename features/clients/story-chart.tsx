'use client';

import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import type { ZoneLine } from '@/core/growth';
import { CONDITION_WORDS } from '@/core/hair-map';
import { formatLevel } from '@/core/units';
import { CONDITIONS } from '@/core/visit';
import { useSaid, useShownUnit } from '@/ui/measures';
import { useCalendar } from '../house/calendar';
import { daysBetween } from '../shared';

type Unit = 'mm' | 'level' | 'condition';

interface StoryChartProps {
  title: string;
  lines: readonly ZoneLine[];
  unit: Unit;
  today: string;
  /** A level across the chart. */
  goal?: number;
  empty: string;
}

/** Told apart by colour, by the dashes of the line and by the words beside them. */
const LOOKS = [
  { stroke: 'var(--color-leaf)', dash: undefined },
  { stroke: 'var(--color-rowan)', dash: '7 4' },
  { stroke: 'var(--color-sky)', dash: '2 4' },
  { stroke: 'var(--color-amber-bark)', dash: '10 3 2 3' },
  { stroke: 'var(--color-ink)', dash: '4 2' },
] as const;
const TICK = { fontSize: 12, fill: 'var(--color-ink-soft)' } as const;
const say = (unit: Unit, value: number) =>
  unit === 'mm'
    ? `${Math.round(value)} mm`
    : unit === 'level'
      ? formatLevel(Math.round(value * 2) / 2)
      : CONDITION_WORDS[CONDITIONS[value]];

function scaleOf(unit: Unit, values: readonly number[], goal: number | undefined): [number, number] {
  if (unit === 'condition') return [-0.25, CONDITIONS.length - 0.75];
  if (unit === 'mm') return [0, Math.ceil(Math.max(10, ...values) / 10) * 10];
  return [
    Math.max(1, Math.floor(Math.min(...values, goal ?? 10)) - 1),
    Math.min(10, Math.ceil(Math.max(...values, goal ?? 1)) + 1),
  ];
}

/** Regrowth, level or condition through the visits, a line for zones that went the same way. */
export function StoryChart({ title, lines, unit, today, goal, empty }: StoryChartProps) {
  const calendar = useCalendar();
  const shown = lines.slice(0, LOOKS.length);
  const points = shown.flatMap((line) => line.points);
  const days = [...new Set(points.map(({ on }) => on))].sort();
  const rows = days.map((on) => ({
    at: Date.parse(on),
    ...Object.fromEntries(
      shown.flatMap((line, i) =>
        line.points.flatMap((point) => (point.on === on ? [[`line${i}`, point.value]] : [])),
      ),
    ),
  }));
  // Regrowth has the day before a visit and its day: the visit's is named.
  const marks = days.filter((on, i) => i === days.length - 1 || daysBetween(on, days[i + 1]) > 1);
  const values = points.map(({ value }) => value);
  const [least, most] = scaleOf(unit, values, goal);
  const inHouse = useSaid();
  const { show } = useShownUnit('mm');
  const said = shown
    .map(
      ({ name, points: own }) =>
        `${name}: ${own.map(({ on, value }) => `${inHouse(say(unit, value))} on ${calendar.day(on)}`).join(', ')}`,
    )
    .join('. ');
  return (
    <figure className="grid content-start gap-1">
      <figcaption className="text-md font-bold">{title}</figcaption>
      {points.length === 0 ? (
        <p className="text-sm text-ink-soft">{empty}</p>
      ) : (
        <>
          <div role="img" aria-label={`${title}. ${said}`} className="h-[196px]">
            <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 380, height: 196 }}>
              <ComposedChart
                data={rows}
                margin={{ top: 10, right: 14, bottom: 0, left: unit === 'condition' ? -4 : -24 }}
                accessibilityLayer={false}
              >
                <CartesianGrid stroke="var(--color-line)" vertical={false} />
                <XAxis
                  dataKey="at"
                  type="number"
                  domain={[Date.parse(days[0]), Math.max(Date.parse(today), Date.parse(days.at(-1)!))]}
                  ticks={marks.map((on) => Date.parse(on))}
                  tickFormatter={(at: number) =>
                    calendar.day(new Date(at).toISOString().slice(0, 10)).replace(/ \d{4}$/, '')
                  }
                  tick={TICK}
                  stroke="var(--color-edge)"
                  interval="preserveStartEnd"
                />
                <YAxis
                  type="number"
                  domain={[least, most]}
                  allowDecimals={false}
                  reversed={unit === 'condition'}
                  ticks={unit === 'condition' ? CONDITIONS.map((_, i) => i) : undefined}
                  tickFormatter={
                    unit === 'condition'
                      ? (at: number) => CONDITION_WORDS[CONDITIONS[at]]
                      : unit === 'mm'
                        ? show
                        : undefined
                  }
                  tick={TICK}
                  stroke="var(--color-edge)"
                />
                {goal !== undefined && (
                  <ReferenceLine
                    y={goal}
                    stroke="var(--color-ink)"
                    strokeDasharray="5 4"
                    label={{
                      value: 'goal',
                      position: 'insideTopLeft',
                      fontSize: 12,
                      fill: 'var(--color-ink)',
                    }}
                  />
                )}
                {shown.length === 1 && unit === 'mm' && (
                  <Area
                    dataKey="line0"
                    stroke="none"
                    fill="var(--color-leaf)"
                    fillOpacity={0.12}
                    isAnimationActive={false}
                    connectNulls
                  />
                )}
                {shown.map((line, i) => (
                  <Line
                    key={line.name}
                    dataKey={`line${i}`}
                    stroke={LOOKS[i].stroke}
                    strokeDasharray={LOOKS[i].dash}
                    strokeWidth={2.5}
                    dot={unit !== 'mm' ? { r: 4, strokeWidth: 0, fill: LOOKS[i].stroke } : false}
                    isAnimationActive={false}
                    connectNulls
                  />
                ))}
              </ComposedChart>
            </ResponsiveContainer>
          </div>
          <ul className="flex flex-wrap gap-x-4 gap-y-0.5 text-sm">
            {shown.map(({ name, points: own }, i) => (
              <li key={name} className="flex items-center gap-1.5">
                <svg width="26" height="6" aria-hidden>
                  <line
                    x1="0"
                    x2="26"
                    y1="3"
                    y2="3"
                    stroke={LOOKS[i].stroke}
                    strokeWidth="2.5"
                    strokeDasharray={LOOKS[i].dash}
                  />
                </svg>
                {name} <b>{inHouse(say(unit, own.at(-1)!.value))}</b>
              </li>
            ))}
            {lines.length > shown.length && (
              <li className="text-ink-soft">{lines.length - shown.length} more not drawn</li>
            )}
          </ul>
        </>
      )}
    </figure>
  );
}
