import { swapSide, zoneNear, type Zone } from '../head';
import type { SideOfFrame } from './cell-figures';
import type { Frame } from './frame';
import type { DraftFoil } from './hand-edits';
import { ribbonOf, SAMPLE_MM, SHORTEST_RUN_MM, type Ribbon } from './section-line';

const { floor, max, min } = Math;

/** Edge of the buckets in which pieces of sections are looked up, mm. */
const BUCKET_MM = 8;
const COLUMNS = 1024;

/** Rows of a panel that cross: what the later one gave up. */
export interface Crossed {
  readonly rows: readonly [first: number, second: number];
  readonly zone: Zone;
  /** Of the hair of all its sections, that would lie in two of them, 0–1. */
  readonly share: number;
}

/**
 * Hair lies in one foil: where a section runs into one that comes before it, it keeps its longest free piece,
 * and is dropped where that
 * is too short for a foil.
 * @param drafts in the order of their rows
 */
export function uncrossed(
  drafts: readonly DraftFoil[],
  frame: Frame,
  of: SideOfFrame,
): { readonly drafts: DraftFoil[]; readonly crossed: Crossed | null } {
  const laid = new Pieces();
  const out: DraftFoil[] = [];
  let whole = 0;
  let lost = 0;
  let first: { readonly rows: readonly [number, number]; readonly at: readonly [number, number] } | undefined;
  for (const draft of drafts) {
    const { ribbon, line, from, to } = draft.cell;
    const last = ribbon.count - 1;
    const under = Array.from({ length: ribbon.count }, (_, j) =>
      laid.at(ribbon.opened[6 * j], ribbon.opened[6 * j + 1], draft.row.row),
    );
    whole += ribbon.widthMm * draft.row.thicknessMm;
    // Two that meet end to end touch at a corner: that is no crossing.
    if (under.slice(1, -1).every((row) => row === undefined)) {
      laid.add(ribbon, draft.row.row);
      out.push(draft);
      continue;
    }
    const meets = under.findIndex((row) => row !== undefined);
    first ??= {
      rows: [under[meets]!, draft.row.row],
      at: [ribbon.opened[6 * meets], ribbon.opened[6 * meets + 1]],
    };
    const [start, end] = longestFree(under);
    const step = ribbon.widthMm / last;
    // A step of its own is left between it and what it ran into.
    const a = start === 0 ? 0 : start + 0.5;
    const b = end === last ? last : end - 0.5;
    if (end < start || (b - a) * step < SHORTEST_RUN_MM * frame.head.k) {
      lost += ribbon.widthMm * draft.row.thicknessMm;
      continue;
    }
    lost += (last - (b - a)) * step * draft.row.thicknessMm;
    const at = (j: number) => from + ((to - from) * j) / last;
    const cut = ribbonOf(line, [at(a), at(b)], SAMPLE_MM * frame.head.k);
    laid.add(cut, draft.row.row);
    out.push({ ...draft, cell: { line, from: at(a), to: at(b), ribbon: cut } });
  }
  if (!first) return { drafts: [...drafts], crossed: null };
  const zone = zoneNear(frame.grid, ...first.at);
  return {
    drafts: out,
    crossed: {
      rows: first.rows,
      zone: of === 'own' ? zone : swapSide(zone),
      share: whole > 0 ? lost / whole : 0,
    },
  };
}

function longestFree(under: readonly (number | undefined)[]): readonly [number, number] {
  let best: readonly [number, number] = [0, -1];
  let start = 0;
  for (let j = 0; j <= under.length; j += 1) {
    if (j < under.length && under[j] === undefined) continue;
    if (j - 1 - start > best[1] - best[0]) best = [start, j - 1];
    start = j + 1;
  }
  return best;
}

/** Pieces of sections on the opened head, by place. */
class Pieces {
  private readonly buckets = new Map<
    number,
    { readonly ribbon: Ribbon; readonly j: number; readonly row: number }[]
  >();

  add(ribbon: Ribbon, row: number): void {
    const { opened } = ribbon;
    for (let j = 0; j + 1 < ribbon.count; j += 1) {
      const [a, b] = [6 * j, 6 * j + 6];
      const xs = [opened[a + 2], opened[a + 4], opened[b + 2], opened[b + 4]];
      const ys = [opened[a + 3], opened[a + 5], opened[b + 3], opened[b + 5]];
      for (let r = floor(min(...ys) / BUCKET_MM); r <= floor(max(...ys) / BUCKET_MM); r += 1) {
        for (let c = floor(min(...xs) / BUCKET_MM); c <= floor(max(...xs) / BUCKET_MM); c += 1) {
          const key = r * COLUMNS + c;
          const own = this.buckets.get(key);
          if (own) own.push({ ribbon, j, row });
          else this.buckets.set(key, [{ ribbon, j, row }]);
        }
      }
    }
  }

  /** Another row whose section lies there. */
  at(x: number, y: number, but: number): number | undefined {
    return this.buckets
      .get(floor(y / BUCKET_MM) * COLUMNS + floor(x / BUCKET_MM))
      ?.find(({ ribbon, j, row }) => row !== but && lies(ribbon, j, x, y))?.row;
  }
}

/** Whether a point lies in the piece of a section from sample j to the next. */
function lies({ opened }: Ribbon, j: number, x: number, y: number): boolean {
  const [a, b] = [6 * j, 6 * j + 6];
  const corners = [a + 2, b + 2, b + 4, a + 4];
  let sign = 0;
  for (let n = 0; n < 4; n += 1) {
    const [p, q] = [corners[n], corners[(n + 1) % 4]];
    const side =
      (opened[q] - opened[p]) * (y - opened[p + 1]) - (opened[q + 1] - opened[p + 1]) * (x - opened[p]);
    if (side === 0) continue;
    if (sign === 0) sign = Math.sign(side);
    else if (Math.sign(side) !== sign) return false;
  }
  return true;
}
