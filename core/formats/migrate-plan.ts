/** A document before it has been checked. */
type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A plan document of any version as one of the newest, still unchecked; undefined for versions that are not known.
 * Version 1 named the side in the place; since version 2 it stands beside it, and everything new has a default.
 */
export function migratePlan(document: Raw): Raw | undefined {
  if (document.version === 2) return document;
  if (document.version !== 1) return undefined;
  const { panels } = document;
  return { ...document, version: 2, ...(Array.isArray(panels) && { panels: panels.map((panel) => (isRaw(panel) ? fromVersion1(panel) : panel)) }) };
}

function fromVersion1(panel: Raw): Raw {
  if (!isRaw(panel.place)) return panel;
  const { side, ...place } = panel.place;
  if (place.kind === 'side') return { ...panel, place, side };
  return place.kind === 'back' && side === undefined ? { ...panel, side: 'both' } : panel;
}
