import same from 'fast-deep-equal';

/** Two edits of one document, put together. */
export interface Merged<T> {
  readonly document: T;
  /** Paths at which both changed the same thing to something different; there the preferred side stands. */
  readonly conflicts: readonly string[];
}

type Side = 'mine' | 'theirs';
type Fields = Readonly<Record<string, unknown>>;
type Item = Fields & { readonly id: string };

/**
 * Merges two edits of the same version of a document, field by field (a three-way merge). Lists whose items
 * have an id are merged item by
 * item; other lists, and things whose kind differs, are taken as a whole. What neither side changed is the
 * very object of `mine`.
 * @param prefer whose value stands where both changed the same thing
 */
export function mergeEdits<T>(base: T, mine: T, theirs: T, prefer: Side): Merged<T> {
  const conflicts: string[] = [];
  // What is merged of three documents of a type has that type: each field is taken from one of them.
  return { document: merged({ base, mine, theirs, how: { prefer, conflicts }, path: '' }) as T, conflicts };
}

interface Merging {
  readonly prefer: Side;
  readonly conflicts: string[];
}

function merged({
  base,
  mine,
  theirs,
  how,
  path,
}: {
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
  readonly how: Merging;
  readonly path: string;
}): unknown {
  if (mine === theirs || same(base, theirs) || same(mine, theirs)) return mine;
  if (same(base, mine)) return theirs;
  if (
    isFields(base) &&
    isFields(mine) &&
    isFields(theirs) &&
    base.kind === mine.kind &&
    base.kind === theirs.kind
  )
    return mergedFields({ base, mine, theirs, how, path });
  if (isItems(base) && isItems(mine) && isItems(theirs))
    return mergedItems({ base, mine, theirs, how, path });
  how.conflicts.push(path);
  return how.prefer === 'mine' ? mine : theirs;
}

function mergedFields({
  base,
  mine,
  theirs,
  how,
  path,
}: {
  readonly base: Fields;
  readonly mine: Fields;
  readonly theirs: Fields;
  readonly how: Merging;
  readonly path: string;
}): Fields {
  const out: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = merged({
      base: base[key],
      mine: mine[key],
      theirs: theirs[key],
      how,
      path: path === '' ? key : `${path}/${key}`,
    });
    if (value !== undefined) out[key] = value;
  }
  return out;
}

/**
 * Items that one side removed are gone unless the other changed them; what each side added follows what it
 * stood behind.
 */
function mergedItems({
  base,
  mine,
  theirs,
  how,
  path,
}: {
  readonly base: readonly Item[];
  readonly mine: readonly Item[];
  readonly theirs: readonly Item[];
  readonly how: Merging;
  readonly path: string;
}): readonly Item[] {
  const [before, own, other] = [base, mine, theirs].map(
    (items) => new Map(items.map((item) => [item.id, item])),
  );
  const ids = (items: readonly Item[]) => items.map(({ id }) => id);
  const moved = (items: readonly Item[], among: ReadonlyMap<string, Item>) => {
    const kept = ids(items).filter((id) => before.has(id));
    return !same(
      kept,
      ids(base).filter((id) => among.has(id)),
    );
  };
  const [ownMoved, otherMoved] = [moved(mine, own), moved(theirs, other)];
  if (ownMoved && otherMoved) how.conflicts.push(`${path}/order`);
  const [first, second] =
    ownMoved && (!otherMoved || how.prefer === 'mine') ? [mine, theirs] : [theirs, mine];
  const order = ids(first);
  second.forEach(({ id }, i) => {
    if (!order.includes(id)) order.splice(i === 0 ? 0 : order.indexOf(second[i - 1].id) + 1, 0, id);
  });
  return order.flatMap((id) => {
    const item = merged({
      base: before.get(id),
      mine: own.get(id),
      theirs: other.get(id),
      how,
      path: `${path}/${id}`,
    });
    return isItem(item) ? [item] : [];
  });
}

const isFields = (value: unknown): value is Fields =>
  value !== null && typeof value === 'object' && !Array.isArray(value);
const isItem = (value: unknown): value is Item => isFields(value) && typeof value.id === 'string';
const isItems = (value: unknown): value is readonly Item[] => Array.isArray(value) && value.every(isItem);
