import { addPanelFirst, changePanel, GATHER_PRESETS, type Panel, type Plan } from '../pattern';
import { landmarkPanels, withRim } from '../check';
import { PANEL_STARTS } from '../technique';

/** A proposed change, as data: it is worked out beside the page and applied on it. */
export type WearMend =
  /** A row of fine weaves behind a stretch of hairline. */
  | { readonly kind: 'rim'; readonly fromDeg: number; readonly toDeg: number }
  /** Rows beside the part, so wide to each side. */
  | { readonly kind: 'part'; readonly eachSideMm: number }
  /** A panel's slices become fine weaves. */
  | { readonly kind: 'weave'; readonly panel: string; readonly name: string }
  /** Light of these panels runs in softly from the root. */
  | { readonly kind: 'feather'; readonly panels: readonly string[]; readonly mm: number }
  /** Some rows below the occipital bone. */
  | { readonly kind: 'under' }
  | { readonly kind: 'crown' }
  | OldLineMend;

/**
 * What takes more of an old line: slices or depth in the panels near the top, their drop-outs tipped, or a
 * root shadow drawn down to it.
 */
export interface OldLineMend {
  readonly kind: 'old-line';
  readonly how: 'slices' | 'depth' | 'tips' | 'shadow';
  readonly panels: readonly string[];
  /** How far down the shadow is drawn, mm. */
  readonly mm: number;
  /** Share of the line that would be left, 0–1. */
  readonly left: number;
}

export function mendWords(mend: WearMend): string {
  switch (mend.kind) {
    case 'rim':
      return 'Add a fine weave there';
    case 'part':
      return `Add rows to ${mend.eachSideMm} mm beside the part`;
    case 'weave':
      return `${mend.name}: fine weaves for its slices`;
    case 'feather':
      return `Feather the root over ${mend.mm} mm`;
    case 'under':
      return 'Add a few rows underneath';
    case 'crown':
      return 'Foil the crown';
    case 'old-line':
      return `${OLD_LINE_WORDS[mend.how](mend.mm)}: ${Math.round(100 * mend.left)}% left`;
  }
}

const OLD_LINE_WORDS: Readonly<Record<OldLineMend['how'], (mm: number) => string>> = {
  slices: () => 'Slices near the top',
  depth: () => 'Lowlights in the drop-outs near the top',
  tips: () => 'Tip the drop-outs near the top',
  shadow: (mm) => `Root shadow to ${mm} mm`,
};

/** Underneath drop-outs are 6–12 mm. */
const UNDER: Panel = {
  ...PANEL_STARTS.find(({ panel }) => panel.id === 'nape')!.panel,
  id: 'under',
  name: 'Underneath',
  place: { kind: 'zones', zones: ['occipital', 'nape', 'nape-hairline'] },
  spacing: { kind: 'constant', dropoutMm: 9 },
};
/** A rim reaches a little beyond the stretch that is dark: the rows beside it shift. */
const BEYOND_DEG = 8;
const AT_PART = PANEL_STARTS.find(({ panel }) => panel.id === 'part')!.panel;

const OLD_LINE_CHANGES: Readonly<Record<'slices' | 'depth' | 'tips', (panel: Panel) => Panel>> = {
  // See-through slices with as much left out between.
  slices: (panel) => ({
    ...panel,
    gather: { kind: 'slice' },
    spacing: { kind: 'constant', dropoutMm: panel.thicknessMm },
  }),
  depth: (panel) => ({
    ...panel,
    dropouts: {
      every: 1,
      treatments: ['lowlight'],
      together: panel.dropouts?.together ?? 1,
      recipes: panel.dropouts?.recipes ?? {},
    },
  }),
  tips: (panel) => ({
    ...panel,
    dropouts: {
      every: 1,
      treatments: ['tip-out'],
      together: panel.dropouts?.together ?? 1,
      recipes: panel.dropouts?.recipes ?? {},
    },
  }),
};

/** The plan with a proposed change made. A root shadow belongs to Mix: the plan stays as it is. */
export function mended(plan: Plan, mend: WearMend): Plan {
  switch (mend.kind) {
    case 'rim':
      return withRim(plan, { fromDeg: mend.fromDeg - BEYOND_DEG, toDeg: mend.toDeg + BEYOND_DEG });
    case 'part':
      return addPanelFirst(plan, {
        ...AT_PART,
        place: {
          kind: 'part-strip',
          leftMm: mend.eachSideMm,
          rightMm: mend.eachSideMm,
          fromMm: 0,
          toMm: null,
        },
      });
    case 'weave':
      return changePanel(plan, mend.panel, (panel) => ({ ...panel, gather: GATHER_PRESETS.fine.gather }));
    case 'feather':
      return mend.panels.reduce(
        (own, id) =>
          changePanel(own, id, (panel) => ({
            ...panel,
            start: { ...panel.start, featherMm: Math.max(panel.start.featherMm, mend.mm) },
          })),
        plan,
      );
    case 'under':
      return addPanelFirst(plan, UNDER);
    case 'crown':
      return addPanelFirst(plan, landmarkPanels.crown());
    case 'old-line':
      return mend.how === 'shadow'
        ? plan
        : mend.panels.reduce(
            (own, id) => changePanel(own, id, OLD_LINE_CHANGES[mend.how as 'slices' | 'depth' | 'tips']),
            plan,
          );
  }
}
