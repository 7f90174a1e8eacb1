'use client';

import { useEffect, useMemo, useState } from 'react';
import {
  servedBy,
  unitName,
  wasPastLimit,
  type Served,
  type ServiceEvent,
  type ServiceRecord,
  type ServiceScript,
} from '@/core/chair';
import { useWidth } from '@/ui/use-width';
import { useVisit } from '../visit/store';

/**
 * The service of the open visit as it was carried out; undefined until it is known, null where there was
 * none.
 */
export function useServed(): Served | null | undefined {
  const { bundle, outcome } = useVisit();
  // Its end writes the record.
  const recorded = outcome?.revision;
  const [served, setServed] = useState<Served | null>();
  useEffect(() => {
    if (bundle.begunAt === null) return;
    const over = new AbortController();
    fetch(`/api/services/${bundle.id}`, { cache: 'no-store', signal: over.signal }).then(
      async (response) => {
        const answer = (await response.json()) as {
          ok: boolean;
          script: ServiceScript;
          events: ServiceEvent[];
        };
        setServed(answer.ok ? servedBy(answer.script, answer.events) : null);
      },
      () => undefined,
    );
    return () => over.abort();
  }, [bundle.id, bundle.begunAt, recorded]);
  return bundle.begunAt === null ? null : served;
}

/** Minutes that hands were at a foil; what took longer was something else before it. */
const handsOn = (seconds: number | null) => Math.min(seconds ?? 60, 240) / 60;

const LANE = 22;
const LEFT = 64;

/** Every foil at its minute: as it was planned above, as it was done below, with how long it stayed on. */
export function PlannedRibbon({ record }: { record: ServiceRecord }) {
  const [width, frame] = useWidth<HTMLDivElement>();
  const end = Math.max(
    1,
    record.rinsed.planned ?? 0,
    record.rinsed.done ?? 0,
    ...record.units.flatMap(({ placed, on }) => (placed === null ? [] : [placed + (on ?? 0)])),
  );
  const x = (minutes: number) => LEFT + (minutes / end) * Math.max(0, width - LEFT - 12);
  const order = useMemo(() => [...record.units].sort((a, b) => (a.placed ?? 0) - (b.placed ?? 0)), [record]);
  return (
    <div ref={frame} className="min-w-0">
      <svg
        width={width}
        height={2 * LANE + 40}
        role="img"
        aria-label={`Planned and done: rinsed after ${Math.round(record.rinsed.done ?? end)} minutes, planned ${record.rinsed.planned === null ? 'nothing' : Math.round(record.rinsed.planned)}`}
      >
        <text x={0} y={15} className="fill-ink-soft text-[12px]">
          planned
        </text>
        <text x={0} y={LANE + 19} className="fill-ink text-[12px] font-semibold">
          done
        </text>
        {order.map(({ id, planned, placed, on, earlier, limitMinutes, seconds }) => (
          <g key={id}>
            {planned && (
              <rect
                x={x(planned.placed - planned.seconds / 60)}
                y={1}
                width={Math.max(1, x(planned.placed) - x(planned.placed - planned.seconds / 60) - 0.5)}
                height={LANE - 4}
                rx={1}
                className="fill-edge"
                opacity="0.55"
              />
            )}
            {placed !== null && (
              <>
                <rect
                  x={x(placed - handsOn(seconds))}
                  y={LANE + 4}
                  width={Math.max(1, x(placed) - x(placed - handsOn(seconds)) - 0.5)}
                  height={LANE - 4}
                  rx={1}
                  className={wasPastLimit({ on, earlier, limitMinutes }) ? 'fill-rowan' : 'fill-ink'}
                />
                {on !== null && (
                  <circle cx={x(placed + on)} cy={2 * LANE + 6} r="2" className="fill-sky">
                    <title>{`off after ${Math.round(on)} min`}</title>
                  </circle>
                )}
              </>
            )}
          </g>
        ))}
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <text
            key={share}
            x={x(share * end)}
            y={2 * LANE + 30}
            textAnchor={share === 1 ? 'end' : 'middle'}
            className="fill-ink-soft text-[11px]"
          >
            {Math.round(share * end)}
          </text>
        ))}
      </svg>
      <p className="text-xs text-ink-soft">
        Minutes from the first foil on. Dots: opened or wetted
        {record.over > 0 && '; red: past the maker’s limit'}
        {record.skipped > 0 && '; dashed on the head: skipped'}.
      </p>
    </div>
  );
}

/** Planned against done, foil by foil. */
export function PlannedTable({ script, record }: Served) {
  const names = new Map(script.blocks.map(({ id, name }) => [id, name]));
  const rows = [...record.units].sort((a, b) => (a.placed ?? Infinity) - (b.placed ?? Infinity));
  return (
    <details className="mt-5 border-t border-line pt-3" open>
      <summary className="cursor-pointer text-md font-bold">Planned against done</summary>
      <p className="my-2 text-sm text-ink-soft">
        {record.placed} placed{record.skipped > 0 && `, ${record.skipped} skipped`}
        {record.added > 0 && `, ${record.added} added`}; longest on {Math.round(record.longest)} min
        {record.over > 0 && <b className="text-rowan">, {record.over} past the limit</b>}.
      </p>
      <div className="max-h-[320px] overflow-y-auto" tabIndex={0} role="region" aria-label="Foil by foil">
        <table aria-label="Planned against done" className="w-full text-sm">
          <thead className="sticky top-0 bg-raised text-left text-ink-soft">
            <tr>
              <th className="py-1 font-medium">Foil</th>
              <th className="font-medium">Mix</th>
              <th className="font-medium">Part</th>
              <th className="text-right font-medium">planned</th>
              <th className="text-right font-medium">closed</th>
              <th className="text-right font-medium">seconds</th>
              <th className="text-right font-medium">on, min</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(
              ({
                id,
                number,
                kind,
                letter,
                block,
                planned,
                placed,
                seconds,
                on,
                earlier,
                limitMinutes,
                standing,
                why,
              }) => (
                <tr key={id} className="border-t border-line">
                  <td className="py-1 font-semibold whitespace-nowrap">
                    {number === null
                      ? 'added'
                      : kind === 'foil'
                        ? number
                        : unitName({ kind, number }).toLowerCase()}
                  </td>
                  <td className="font-semibold">{letter}</td>
                  <td className="truncate">{names.get(block)?.replace(', part ', ' ')}</td>
                  <td className="text-right">{planned ? Math.round(planned.placed) : '–'}</td>
                  <td className="text-right">
                    {placed !== null
                      ? Math.round(placed)
                      : standing === 'skipped'
                        ? `skipped${why ? `: ${why}` : ''}`
                        : '–'}
                  </td>
                  <td className="text-right">
                    {seconds !== null ? Math.round(seconds) : '–'}
                    {planned && <span className="text-ink-soft"> / {Math.round(planned.seconds)}</span>}
                  </td>
                  <td
                    className={`text-right ${wasPastLimit({ on, earlier, limitMinutes }) ? 'font-bold text-rowan' : ''}`}
                  >
                    {on !== null ? Math.round(on) : '–'}
                  </td>
                </tr>
              ),
            )}
          </tbody>
        </table>
      </div>
    </details>
  );
}
