'use client';

import { isPast, type Timeline } from '@/core/clock';
import { isColour, wholeMinutes, type TimedStep } from '@/core/steps';
import type { WorkBlock } from '@/core/work';
import { useWidth } from '@/ui/use-width';
import { FoilGlyph } from '../head/foil-glyph';
import { barkOf } from '../visit/bark';
import { useLit, useVisit } from '../visit/store';

const HEIGHT = 44;
const EDGE = 16;

/** The ribbon stretched over time: every foil where it is laid, water where it is rinsed. */
export function TimeRibbon({
  blocks,
  timeline,
  after,
}: {
  blocks: readonly WorkBlock[];
  timeline: Timeline | undefined;
  after: readonly TimedStep[];
}) {
  const { computed, consult, selected, select, light } = useVisit();
  const lit = useLit();
  const [width, frame] = useWidth<HTMLElement>();
  const bark = barkOf(consult.naturalLevel);
  const end = timeline ? timeline.end + wholeMinutes(after) : 1;
  const x = (minutes: number) => EDGE + (minutes / end) * Math.max(0, width - 2 * EDGE);
  return (
    <footer
      ref={frame}
      aria-label="Foils in the order of work, over time"
      className="h-[92px] shrink-0 overflow-hidden border-t border-line bg-raised pt-2"
    >
      {timeline && width > 0 && (
        <svg width={width} height={80} className="block">
          {blocks.map((block, b) => {
            const foils = timeline.foils.filter((foil) => foil.block === b);
            if (foils.length === 0) return null;
            const from = Math.min(...foils.map(({ begun }) => begun));
            const room = x(Math.max(...foils.map(({ placed }) => placed))) - x(from);
            return (
              <g key={block.id} role="group" aria-label={`${block.name}: ${foils.length} foils`}>
                {room > 24 && (
                  <text
                    x={x(from)}
                    y={13}
                    className={`text-[12px] narrow ${selected.panel === block.panel ? 'fill-leaf font-bold' : 'fill-ink-soft'}`}
                  >
                    {short(block.name, room)}
                  </text>
                )}
                {foils.map(({ index, begun, placed, again, clear, limit }) => {
                  const unit = block.units[index];
                  const foil = unit.kind === 'foil' ? computed.sheet.foils[unit.index] : undefined;
                  const left = x(begun);
                  const wide = Math.max(1, x(placed) - left);
                  const on = foil !== undefined && (lit === foil.id || selected.foil === foil.id);
                  return (
                    <g
                      key={index}
                      transform={`translate(${left} 20)`}
                      onPointerEnter={() => light(foil?.id)}
                      onPointerLeave={() => light(undefined)}
                      onClick={() => select(block.panel, foil?.id)}
                      className="cursor-pointer"
                    >
                      <rect width={wide} height={HEIGHT} fill="transparent" />
                      <rect
                        x={0.4}
                        width={Math.max(0.6, wide - 0.8)}
                        height={HEIGHT}
                        rx={1.5}
                        fill={bark}
                        stroke={
                          on
                            ? 'var(--color-leaf)'
                            : isPast({ placed, again, clear, limit })
                              ? 'var(--color-rowan)'
                              : 'none'
                        }
                        strokeWidth={on ? 3 : 2}
                        paintOrder="stroke"
                      />
                      {wide > 3 && (
                        <FoilGlyph gather={unit.gather} width={wide} height={HEIGHT} deposits={!unit.lifts} />
                      )}
                      {wide >= 7 && (
                        <text
                          x={wide / 2}
                          y={HEIGHT - 4}
                          textAnchor="middle"
                          className="fill-raised text-[10px] font-bold"
                          aria-hidden
                        >
                          {unit.letter}
                        </text>
                      )}
                    </g>
                  );
                })}
              </g>
            );
          })}
          {timeline.pulls.map(({ from, to, by, foils, paintedAgain }, i) => (
            <rect
              key={`pull ${i}`}
              x={x(from)}
              y={by === 1 ? 14 : 20}
              width={Math.max(1, x(to) - x(from) - 1)}
              height={by === 1 ? 4 : HEIGHT}
              rx={2}
              className={paintedAgain ? 'fill-sun' : 'fill-leaf'}
              opacity={by === 1 ? 1 : 0.3}
            >
              <title>{paintedAgain ? `paint ${foils.length} again` : `open and wipe ${foils.length}`}</title>
            </rect>
          ))}
          {timeline.stages.map(({ from, to }, i) => (
            <rect
              key={i}
              x={x(from)}
              y={20}
              width={x(to) - x(from)}
              height={HEIGHT}
              rx={3}
              className="fill-sky"
              opacity="0.55"
            >
              <title>rinse {i + 1}</title>
            </rect>
          ))}
          {after.map(({ step, words, from, to }) => (
            <rect
              key={step.id}
              x={x(timeline.end + from)}
              y={36}
              width={Math.max(1, x(to) - x(from) - 2)}
              height={12}
              rx={3}
              className={isColour(step) ? 'fill-dusk' : step.kind === 'dry' ? 'fill-edge' : 'fill-sky'}
              opacity="0.5"
            >
              <title>{words}</title>
            </rect>
          ))}
          {[0, 0.25, 0.5, 0.75, 1].map((share) => (
            <text
              key={share}
              x={x(share * end)}
              y={78}
              textAnchor={share === 0 ? 'start' : share === 1 ? 'end' : 'middle'}
              className="fill-ink-soft text-[11px]"
            >
              {share === 0 ? '0 min' : `${Math.round(share * end)} min`}
            </text>
          ))}
        </svg>
      )}
    </footer>
  );
}

const short = (name: string, room: number) =>
  name.length * 6 > room ? `${name.slice(0, Math.max(2, Math.floor(room / 6) - 1))}…` : name;
