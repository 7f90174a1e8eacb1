/** A document before it has been checked. */
type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A plan document of any version as one of the newest, still unchecked; undefined for versions that are not
 * known.
 * Version 1 named the side in the place; since version 2 it stands beside it. Formulas in turn went foil by
 * foil through the
 * whole panel until version 2: such a pattern stays as it was worked. Everything else that is new has a
 * default.
 */
export function migratePlan(document: Raw): Raw | undefined {
  switch (document.version) {
    case 4:
      return document;
    case 3:
      return { ...withPanels(document, fromVersion3), version: 4 };
    case 2:
      return migratePlan({ ...withPanels(document, fromVersion2), version: 3 });
    case 1:
      return migratePlan({ ...withPanels(document, fromVersion1), version: 2 });
    default:
      return undefined;
  }
}

function withPanels(document: Raw, change: (panel: Raw) => Raw): Raw {
  const panels: unknown = document.panels;
  return Array.isArray(panels)
    ? { ...document, panels: panels.map((panel: unknown) => (isRaw(panel) ? change(panel) : panel)) }
    : document;
}

/** Gathers in turn had neither a thickness nor a drop-out of their own. */
export function fromVersion3(panel: Raw): Raw {
  const { gather } = panel;
  if (!isRaw(gather) || gather.kind !== 'alternate' || !Array.isArray(gather.of)) return panel;
  return { ...panel, gather: { ...gather, of: gather.of.map((item: unknown) => ({ gather: item })) } };
}

export function fromVersion2(panel: Raw): Raw {
  const { rotation } = panel;
  if (!isRaw(rotation)) return panel;
  const { fromFoil, toFoil, ...rest } = rotation;
  return {
    ...panel,
    rotation: {
      ...rest,
      by: 'foil',
      anew: false,
      ...(fromFoil !== undefined && { from: fromFoil }),
      ...(toFoil !== undefined && { to: toFoil }),
    },
  };
}

function fromVersion1(panel: Raw): Raw {
  if (!isRaw(panel.place)) return panel;
  const { side, ...place } = panel.place;
  if (place.kind === 'side') return { ...panel, place, side };
  return place.kind === 'back' && side === undefined ? { ...panel, side: 'both' } : panel;
}
