import type { Toned } from '@/core/lift';

const SIZE = 216;
/** Nearer to the wish than this is just right. */
const JUST = 0.02;
/** The plane is never shown nearer than this. */
const LEAST_REACH = 0.05;

const SIDES = [
  { words: 'yellow', x: SIZE / 2, y: 11, anchor: 'middle' },
  { words: 'violet–blue', x: SIZE / 2, y: SIZE - 4, anchor: 'middle' },
  { words: 'red', x: SIZE - 4, y: SIZE / 2 - 4, anchor: 'end' },
  { words: 'green', x: 4, y: SIZE / 2 - 4, anchor: 'start' },
] as const;
const BALANCE = { under: 'under-toned', just: 'just right', over: 'over-toned' } as const;

/** The warm–cool plane: where the lifted hair is, where the toner takes it, and what is wished. */
export function PlaneChart({ toned }: { toned: Toned }) {
  const places = [toned.before, toned.after, toned.wished];
  const reach = 1.2 * Math.max(LEAST_REACH, ...places.flatMap(({ a, b }) => [Math.abs(a), Math.abs(b)]));
  const mm = (SIZE / 2 - 14) / reach;
  const [before, after, wished] = places.map(({ a, b }) => [SIZE / 2 + a * mm, SIZE / 2 - b * mm]);
  // Beside each other rather than over each other, whatever lies near.
  const left = before[0] > after[0];
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      width={SIZE}
      height={SIZE}
      role="img"
      aria-label={`Warm–cool plane: ${BALANCE[toned.balance]}`}
      className="shrink-0"
    >
      <rect x="0.5" y="0.5" width={SIZE - 1} height={SIZE - 1} rx="6" className="fill-field stroke-line" />
      <path d={`M${SIZE / 2} 14V${SIZE - 14}M14 ${SIZE / 2}H${SIZE - 14}`} className="stroke-line" />
      {SIDES.map(({ words, x, y, anchor }) => (
        <text key={words} x={x} y={y} textAnchor={anchor} className="fill-ink-soft text-[10px]">
          {words}
        </text>
      ))}
      <circle
        cx={wished[0]}
        cy={wished[1]}
        r={JUST * mm}
        className="fill-leaf-pale stroke-leaf"
        strokeDasharray="3 2"
      />
      <path
        d={`M${before[0]} ${before[1]}L${after[0]} ${after[1]}`}
        className="stroke-ink"
        strokeWidth="1.5"
      />
      <circle cx={before[0]} cy={before[1]} r="5" className="fill-sun stroke-ink" />
      <circle cx={after[0]} cy={after[1]} r="5" className="fill-ink" />
      <text
        x={before[0] + (left ? 9 : -9)}
        y={before[1] + 4}
        textAnchor={left ? 'start' : 'end'}
        className="fill-ink text-[11px] font-semibold"
      >
        lifted
      </text>
      <text
        x={after[0] + (left ? -9 : 9)}
        y={after[1] + 4}
        textAnchor={left ? 'end' : 'start'}
        className="fill-ink text-[11px] font-semibold"
      >
        toned
      </text>
      <text
        x={wished[0]}
        y={wished[1] + JUST * mm + 12}
        textAnchor="middle"
        className="fill-leaf text-[11px]"
      >
        wished
      </text>
    </svg>
  );
}
