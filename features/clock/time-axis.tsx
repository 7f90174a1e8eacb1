'use client';

import type { ClockRules, PlacedFoil, Timeline } from '@/core/clock';
import { isColour, wholeMinutes, type TimedStep } from '@/core/steps';
import type { WorkBlock } from '@/core/work';
import { useWidth } from '@/ui/use-width';

const LEFT = 148;
/** Narrower than this it scrolls. */
const LEAST_WIDTH = 520;
const TOP = 26;
const GAP = 8;
/** Height of a panel: a line for each foil, within these. */
const LINE = 1.2;
const LEAST_ROW = 24;
const MOST_ROW = 84;

interface TimeAxisProps {
  blocks: readonly WorkBlock[];
  timeline: Timeline;
  rules: ClockRules;
  after: readonly TimedStep[];
}

/**
 * The service on a time axis: a line for each foil, from placing to the moment that it is off; the basin
 * across all of them, and what follows.
 */
export function TimeAxis({ blocks, timeline, rules, after }: TimeAxisProps) {
  const [room, frame] = useWidth<HTMLDivElement>();
  const width = Math.max(LEAST_WIDTH, room);
  const places = [...new Set([...timeline.runs.map(({ block }) => block), ...blocks.map((_, b) => b)])];
  let next = TOP;
  const rows = places.flatMap((b) => {
    const foils = timeline.foils.filter(({ block }) => block === b);
    if (foils.length === 0) return [];
    const height = Math.min(MOST_ROW, Math.max(LEAST_ROW, foils.length * LINE));
    const top = next;
    next += height + GAP;
    return [{ b, block: blocks[b], foils, top, height }];
  });
  const end = timeline.end + wholeMinutes(after);
  const until = Math.ceil((end + 5) / 15) * 15;
  const x = (minutes: number) => LEFT + (minutes / until) * (width - LEFT - 16);
  const body = next;
  const height = body + 34 + (after.length > 0 ? 34 : 0);
  const step = until > 240 ? 60 : until > 100 ? 30 : 15;
  const said = `${rows.length} panels, ${timeline.stages.length} visits to the basin, ${timeline.foils.filter(({ pulled }) => pulled).length} foils opened before, rinsed after ${Math.round(timeline.end)} minutes`;
  return (
    <div ref={frame} role="group" aria-label="Over time" tabIndex={0} className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        height={height}
        role="img"
        aria-label={said}
        className="block"
      >
        {Array.from({ length: Math.floor(until / step) + 1 }, (_, i) => i * step).map((minutes) => (
          <g key={minutes}>
            <path d={`M${x(minutes)} ${TOP - 4}V${height - 30}`} className="stroke-line" />
            <text x={x(minutes)} y={16} textAnchor="middle" className="fill-ink-soft text-[12px]">
              {minutes}
            </text>
          </g>
        ))}
        {rules.away.map(({ from, to }) => (
          <g key={from}>
            <rect
              x={x(from)}
              y={TOP - 2}
              width={x(to) - x(from)}
              height={body - TOP}
              className="fill-edge"
              opacity="0.18"
            />
            <text
              x={(x(from) + x(to)) / 2}
              y={body + 12}
              textAnchor="middle"
              className="fill-ink-soft text-[11px]"
            >
              away
            </text>
          </g>
        ))}
        {timeline.stages.map(({ from, to }, i) => (
          <g key={i}>
            <rect
              x={x(from)}
              y={TOP - 2}
              width={Math.max(2, x(to) - x(from))}
              height={body - TOP + 2}
              className="fill-sky"
              opacity="0.16"
            />
            <text
              x={(x(from) + x(to)) / 2}
              y={body + 26}
              textAnchor="middle"
              className="fill-sky text-[12px] font-semibold"
            >
              {i + 1}
            </text>
          </g>
        ))}
        <text x="0" y={body + 12} className="fill-ink-soft text-[12px]">
          Bowls mixed
        </text>
        <text x="0" y={body + 26} className="fill-sky text-[12px] font-semibold">
          Rinses
        </text>
        {rows.map(({ block, foils, top, height: tall }) => (
          <g key={block.id}>
            <text x="0" y={top + tall / 2 + 4} className="fill-ink text-[13px] font-semibold">
              {block.name.length > 19 ? `${block.name.slice(0, 18)}…` : block.name}
              <title>{`${block.name}: ${foils.length} foils`}</title>
            </text>
            {foils.map((foil, i) => (
              <FoilLine
                key={foil.index}
                foil={foil}
                deposits={!block.units[foil.index].lifts}
                y={top + (i * tall) / foils.length}
                tall={tall / foils.length}
                x={x}
              />
            ))}
          </g>
        ))}
        {timeline.bowls.map(({ mix, at }, i) => (
          <text
            key={i}
            x={x(at)}
            y={body + 12}
            textAnchor="middle"
            className="fill-ink text-[11px] font-bold"
          >
            {mix}
          </text>
        ))}
        {after.length > 0 && (
          <g>
            <text x="0" y={body + 34 + 16} className="fill-ink text-[13px] font-semibold">
              Afterwards
            </text>
            {after.map(({ step, words, from, to }, i) => {
              const left = x(timeline.end + from);
              const wide = x(timeline.end + to) - left;
              return (
                <g key={step.id}>
                  <rect
                    x={left + 1}
                    y={body + 34 + (isColour(step) ? 3 * (i % 2) : 0)}
                    width={Math.max(2, wide - 2)}
                    height="22"
                    rx="3"
                    className={isColour(step) ? 'fill-dusk' : step.kind === 'dry' ? 'fill-edge' : 'fill-sky'}
                    opacity={step.kind === 'dry' ? 0.5 : 0.85}
                  >
                    <title>{`${words}: ${Math.round(to - from)} min`}</title>
                  </rect>
                  {wide > 30 && (
                    <text
                      x={left + wide / 2}
                      y={body + 34 + 16}
                      textAnchor="middle"
                      className={`${step.kind === 'dry' ? 'fill-ink' : 'fill-raised'} text-[11px] font-semibold`}
                    >
                      {step.kind.replace('-', ' ')}
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        )}
      </svg>
    </div>
  );
}

/** A foil from its placing until it is off: placed, lifting, ready, past its limit. */
function FoilLine({
  foil,
  deposits,
  y,
  tall,
  x,
}: {
  foil: PlacedFoil;
  deposits: boolean;
  y: number;
  tall: number;
  x(minutes: number): number;
}) {
  const { begun, placed, ready, limit, wet, pulled } = foil;
  const readyBy = Math.min(ready, wet);
  const thick = Math.max(0.9, tall - (tall > 4 ? 1.5 : 0.15));
  const bar = (from: number, to: number, look: string) =>
    to > from && <rect x={x(from)} y={y} width={x(to) - x(from)} height={thick} className={look} />;
  return (
    <g>
      {bar(begun, placed, 'fill-ink')}
      {bar(placed, readyBy, deposits ? 'fill-dusk opacity-40' : 'fill-edge opacity-55')}
      {bar(readyBy, Math.min(wet, limit), 'fill-sun')}
      {bar(Math.max(placed, limit), wet, 'fill-rowan')}
      <rect x={x(wet) - 1} y={y} width="2.4" height={thick} className={pulled ? 'fill-leaf' : 'fill-sky'} />
    </g>
  );
}
