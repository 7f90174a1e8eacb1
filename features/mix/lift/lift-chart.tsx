'use client';

import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import type { LiftPoint } from '@/core/work';
import { tenth } from '../amounts';

interface LiftChartProps {
  points: readonly LiftPoint[];
  target: number;
  limitMinutes: number;
  tests: readonly { readonly minutes: number; readonly level: number }[];
  readyMinutes: number | null;
}

const TICK = { fontSize: 12, fill: 'var(--color-ink-soft)' } as const;

/**
 * Level over minutes with its spread, the level wished for, the maker's limit and what was read on strands.
 */
export function LiftChart({ points, target, limitMinutes, tests, readyMinutes }: LiftChartProps) {
  const data = points.map(({ minutes, level, low, high }) => ({ minutes, level, band: [low, high] }));
  const lowest = Math.max(1, Math.floor(points[0].level - 0.2));
  const until = points[points.length - 1].minutes;
  const at = (minutes: number) =>
    points.find((point) => point.minutes >= minutes) ?? points[points.length - 1];
  const said = `Level ${tenth(points[0].level)} at the start, ${[10, 20, 30, limitMinutes].map((minutes) => `${tenth(at(minutes).level)} after ${minutes} minutes`).join(', ')}`;
  return (
    <div role="img" aria-label={said} className="h-[248px]">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 640, height: 248 }}>
        <ComposedChart
          data={data}
          margin={{ top: 12, right: 16, bottom: 4, left: -18 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--color-line)" vertical={false} />
          <XAxis
            dataKey="minutes"
            type="number"
            domain={[0, until]}
            ticks={Array.from({ length: Math.floor(until / 10) + 1 }, (_, i) => i * 10)}
            tick={TICK}
            stroke="var(--color-edge)"
            unit=" min"
          />
          <YAxis
            type="number"
            domain={[lowest, 10]}
            ticks={Array.from({ length: 11 - lowest }, (_, i) => lowest + i)}
            tick={TICK}
            stroke="var(--color-edge)"
          />
          <Area
            dataKey="band"
            stroke="none"
            fill="var(--color-leaf)"
            fillOpacity={0.14}
            isAnimationActive={false}
          />
          <Line
            dataKey="level"
            stroke="var(--color-leaf)"
            strokeWidth={2.5}
            dot={false}
            isAnimationActive={false}
          />
          <ReferenceLine
            y={target}
            stroke="var(--color-ink)"
            strokeDasharray="5 4"
            label={{ value: 'wished', position: 'insideTopLeft', fontSize: 12, fill: 'var(--color-ink)' }}
          />
          <ReferenceLine
            x={limitMinutes}
            stroke="var(--color-rowan)"
            label={{
              value: 'maker’s limit',
              position: 'insideBottomRight',
              fontSize: 12,
              fill: 'var(--color-rowan)',
            }}
          />
          {readyMinutes !== null && readyMinutes <= until && (
            <ReferenceDot
              x={readyMinutes}
              y={target}
              r={5}
              fill="var(--color-leaf)"
              stroke="var(--color-field)"
            />
          )}
          {tests.map(({ minutes, level }, i) => (
            <ReferenceDot
              key={i}
              x={minutes}
              y={level}
              r={6}
              fill="var(--color-sun)"
              stroke="var(--color-ink)"
            />
          ))}
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
