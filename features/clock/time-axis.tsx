'use client';

import { mixesOf, type Block, type ClockRules, type Timeline } from '@/core/clock';
import type { AfterStep } from '@/core/work';
import { useWidth } from '@/ui/use-width';

const ROW = 34;
const LEFT = 148;
/** Narrower than this it scrolls. */
const LEAST_WIDTH = 520;
const TOP = 26;

interface TimeAxisProps {
  blocks: readonly Block[];
  timeline: Timeline;
  rules: ClockRules;
  after: readonly AfterStep[];
}

/** The service on a time axis: each part while it is foiled, when it is ready, its limit, the basin across all of them, and what follows. */
export function TimeAxis({ blocks, timeline, rules, after }: TimeAxisProps) {
  const [room, frame] = useWidth<HTMLDivElement>();
  const width = Math.max(LEAST_WIDTH, room);
  const rows = blocks
    .map((block, b) => {
      const foils = timeline.foils.filter((own) => own.block === b);
      const first = foils.find(({ index }) => block.pulled?.[index] === undefined) ?? foils[0];
      return { block, b, foils, first, from: foils[0].placed - block.foils[0].seconds / 60, pull: timeline.pulls.find((own) => own.block === b), mix: mixesOf(block, timeline.strengths[b]).join(', '), limit: Math.min(...foils.map((own) => own.limit)), ready: Math.max(...foils.map((own) => own.ready)) };
    })
    .sort((a, b) => a.from - b.from);
  const end = Math.max(timeline.end + (after.at(-1)?.to ?? 0), ...rows.map(({ limit }) => limit));
  const until = Math.ceil((end + 5) / 15) * 15;
  const x = (minutes: number) => LEFT + (minutes / until) * (width - LEFT - 16);
  const body = TOP + rows.length * ROW;
  const height = body + 34 + (after.length > 0 ? ROW : 0);
  const step = until > 240 ? 60 : until > 100 ? 30 : 15;
  const said = `${rows.length} parts, ${timeline.stages.length} rinse stages, rinsed after ${Math.round(timeline.end)} minutes`;
  return (
    <div ref={frame} className="overflow-x-auto">
      <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label={said} className="block">
        {Array.from({ length: Math.floor(until / step) + 1 }, (_, i) => i * step).map((minutes) => (
          <g key={minutes}>
            <path d={`M${x(minutes)} ${TOP - 4}V${height - 30}`} className="stroke-line" />
            <text x={x(minutes)} y={16} textAnchor="middle" className="fill-ink-soft text-[12px]">{minutes}</text>
          </g>
        ))}
        {rules.away.map(({ from, to }) => (
          <g key={from}>
            <rect x={x(from)} y={TOP - 2} width={x(to) - x(from)} height={body - TOP} className="fill-edge" opacity="0.18" />
            <text x={(x(from) + x(to)) / 2} y={body + 12} textAnchor="middle" className="fill-ink-soft text-[11px]">away</text>
          </g>
        ))}
        {timeline.stages.map(({ from, to }, i) => (
          <g key={i}>
            <rect x={x(from)} y={TOP - 2} width={Math.max(2, x(to) - x(from))} height={body - TOP + 6} className="fill-sky" opacity="0.16" />
            <text x={(x(from) + x(to)) / 2} y={body + 26} textAnchor="middle" className="fill-sky text-[12px] font-semibold">{i + 1}</text>
          </g>
        ))}
        <text x="0" y={body + 12} className="fill-ink-soft text-[12px]">Bowls mixed</text>
        <text x="0" y={body + 26} className="fill-sky text-[12px] font-semibold">Rinses</text>
        {rows.map(({ block, foils, first, from, pull, mix, limit, ready: allReady, b }, i) => {
          const y = TOP + i * ROW;
          const late = foils.some((own) => own.clear > own.limit + 1e-6);
          const closed = Math.max(...foils.map(({ placed }) => placed));
          const ready = Math.min(allReady, limit);
          return (
            <g key={block.id}>
              <text x="0" y={y + 20} className="fill-ink text-[13px] font-semibold">{block.name.length > 19 ? `${block.name.slice(0, 18)}…` : block.name}<title>{`${block.name}: ${foils.length} foils, ${mix}`}</title></text>
              <rect x={x(from)} y={y + 6} width={x(closed) - x(from)} height="20" rx="3" className={timeline.by[b] === 1 ? 'fill-leaf' : 'fill-ink'} />
              <text x={(x(from) + x(closed)) / 2} y={y + 20} textAnchor="middle" className="fill-raised text-[11px] font-semibold">{block.foils.length}</text>
              <rect x={x(closed)} y={y + 12} width={Math.max(0, x(ready) - x(closed))} height="8" className="fill-edge" opacity="0.55" />
              <rect x={x(ready)} y={y + 9} width={Math.max(0, x(limit) - x(ready))} height="14" className="fill-sun stroke-ink" strokeWidth="0.6" />
              <path d={`M${x(limit)} ${y + 4}v24`} className="stroke-rowan" strokeWidth="2" />
              {timeline.strengths[b] > 0 && <text x={x(closed) + 4} y={y + 9} className="fill-ink text-[10px] font-semibold">{mix}</text>}
              {foils.filter(({ index }) => block.pulled?.[index] !== undefined).map((own) => <path key={own.index} d={`M${x(own.wet)} ${y + 6}l5 10l-5 10l-5-10z`} className="fill-raised stroke-ink" strokeWidth="1.5"><title>foil {own.index + 1} is pulled</title></path>)}
              {pull
                ? <path d={`M${x(pull.from)} ${y + 8}h${x(pull.to) - x(pull.from)}v16h-${x(pull.to) - x(pull.from)}z`} className={`${late ? 'stroke-rowan' : 'stroke-sky'} fill-raised`} strokeWidth="2" strokeDasharray="4 2" />
                : <circle cx={x(first.wet)} cy={y + 16} r="5" className={late ? 'fill-rowan' : 'fill-sky'} stroke="white" strokeWidth="1.5" />}
            </g>
          );
        })}
        {timeline.bowls.map(({ mix, at }, i) => <text key={i} x={x(at)} y={body + 12} textAnchor="middle" className="fill-ink text-[11px] font-bold">{mix}</text>)}
        {after.length > 0 && (
          <g>
            <text x="0" y={body + 34 + 16} className="fill-ink text-[13px] font-semibold">Afterwards</text>
            {after.map(({ id, kind, name, from, to }, i) => {
              const left = x(timeline.end + from);
              const wide = x(timeline.end + to) - left;
              return (
                <g key={id}>
                  <rect x={left + 1} y={body + 34 + (kind === 'toner' || kind === 'root' ? 3 * (i % 2) : 0)} width={Math.max(2, wide - 2)} height="22" rx="3" className={kind === 'toner' || kind === 'root' ? 'fill-dusk' : kind === 'dry' ? 'fill-edge' : 'fill-sky'} opacity={kind === 'dry' ? 0.5 : 0.85}><title>{`${name}: ${Math.round(to - from)} min`}</title></rect>
                  {wide > 30 && <text x={left + wide / 2} y={body + 34 + 16} textAnchor="middle" className={`${kind === 'dry' ? 'fill-ink' : 'fill-raised'} text-[11px] font-semibold`}>{kind === 'dry' ? 'dry' : kind}</text>}
                </g>
              );
            })}
          </g>
        )}
      </svg>
    </div>
  );
}
