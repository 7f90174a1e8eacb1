'use client';

import type { Block, Timeline } from '@/core/clock';
import { useWidth } from '@/ui/use-width';

const ROW = 34;
const LEFT = 132;
/** Narrower than this it scrolls. */
const LEAST_WIDTH = 520;
const TOP = 26;

interface TimeAxisProps {
  blocks: readonly Block[];
  timeline: Timeline;
}

/** The service on a time axis: each part while it is foiled, when it is ready, its limit, and the basin across all of them. */
export function TimeAxis({ blocks, timeline }: TimeAxisProps) {
  const [room, frame] = useWidth<HTMLDivElement>();
  const width = Math.max(LEAST_WIDTH, room);
  const rows = blocks
    .map((block, b) => {
      const foils = timeline.foils.filter((own) => own.block === b);
      return { block, first: foils[0], last: foils[foils.length - 1] };
    })
    .sort((a, b) => a.first.placed - b.first.placed);
  const end = Math.max(timeline.end, ...rows.map(({ first }) => first.limit));
  const until = Math.ceil((end + 5) / 15) * 15;
  const x = (minutes: number) => LEFT + (minutes / until) * (width - LEFT - 16);
  const height = TOP + rows.length * ROW + 34;
  const step = until > 240 ? 60 : until > 100 ? 30 : 15;
  const said = `${rows.length} parts, ${timeline.stages.length} rinse stages, done after ${Math.round(timeline.end)} minutes`;
  return (
    <div ref={frame} className="overflow-x-auto">
      <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label={said} className="block">
        {Array.from({ length: Math.floor(until / step) + 1 }, (_, i) => i * step).map((minutes) => (
          <g key={minutes}>
            <path d={`M${x(minutes)} ${TOP - 4}V${height - 30}`} className="stroke-line" />
            <text x={x(minutes)} y={16} textAnchor="middle" className="fill-ink-soft text-[12px]">{minutes}</text>
          </g>
        ))}
        {timeline.stages.map(({ from, to }, i) => (
          <g key={i}>
            <rect x={x(from)} y={TOP - 2} width={Math.max(2, x(to) - x(from))} height={height - TOP - 28} className="fill-sky" opacity="0.16" />
            <text x={(x(from) + x(to)) / 2} y={height - 12} textAnchor="middle" className="fill-sky text-[12px] font-semibold">rinse {i + 1}</text>
          </g>
        ))}
        {rows.map(({ block, first, last }, i) => {
          const y = TOP + i * ROW;
          const late = first.clear > first.limit;
          return (
            <g key={block.id}>
              <text x="0" y={y + 20} className="fill-ink text-[13px] font-semibold">{block.name}</text>
              <rect x={x(first.placed - block.seconds[0] / 60)} y={y + 6} width={x(last.placed) - x(first.placed - block.seconds[0] / 60)} height="20" rx="3" className="fill-ink" />
              <text x={(x(first.placed) + x(last.placed)) / 2} y={y + 20} textAnchor="middle" className="fill-raised text-[11px] font-semibold">{block.seconds.length}</text>
              <rect x={x(last.placed)} y={y + 12} width={Math.max(0, x(Math.min(last.ready, first.limit)) - x(last.placed))} height="8" className="fill-edge" opacity="0.55" />
              <rect x={x(Math.min(last.ready, first.limit))} y={y + 9} width={Math.max(0, x(first.limit) - x(Math.min(last.ready, first.limit)))} height="14" className="fill-sun stroke-ink" strokeWidth="0.6" />
              <path d={`M${x(first.limit)} ${y + 4}v24`} className="stroke-rowan" strokeWidth="2" />
              <circle cx={x(first.wet)} cy={y + 16} r="5" className={late ? 'fill-rowan' : 'fill-sky'} stroke="white" strokeWidth="1.5" />
            </g>
          );
        })}
        {timeline.bowls.map(({ formula, at }, i) => <text key={i} x={x(at)} y={height - 12} textAnchor="middle" className="fill-ink text-[11px] font-bold">{formula}</text>)}
      </svg>
    </div>
  );
}
