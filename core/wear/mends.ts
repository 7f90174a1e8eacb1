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
  | { readonly kind: 'crown' };

export function mendWords(mend: WearMend): string {
  switch (mend.kind) {
    case 'rim': return 'Add a fine weave there';
    case 'part': return `Add rows to ${mend.eachSideMm} mm beside the part`;
    case 'weave': return `${mend.name}: fine weaves for its slices`;
    case 'feather': return `Feather the root over ${mend.mm} mm`;
    case 'under': return 'Add a few rows underneath';
    case 'crown': return 'Foil the crown';
  }
}

/** Underneath drop-outs are 6–12 mm. */
const UNDER: Panel = {
  ...PANEL_STARTS.find(({ panel }) => panel.id === 'nape')!.panel, id: 'under', name: 'Underneath', place: { kind: 'zones', zones: ['occipital', 'nape', 'nape-hairline'] },
  spacing: { kind: 'constant', dropoutMm: 9 },
};
const AT_PART = PANEL_STARTS.find(({ panel }) => panel.id === 'part')!.panel;

/** The plan with a proposed change made. */
export function mended(plan: Plan, mend: WearMend): Plan {
  switch (mend.kind) {
    case 'rim': return withRim(plan, mend);
    case 'part': return addPanelFirst(plan, { ...AT_PART, place: { kind: 'part-strip', leftMm: mend.eachSideMm, rightMm: mend.eachSideMm, fromMm: 0, toMm: null } });
    case 'weave': return changePanel(plan, mend.panel, (panel) => ({ ...panel, gather: GATHER_PRESETS.fine.gather }));
    case 'feather':
      return mend.panels.reduce((own, id) => changePanel(own, id, (panel) => ({ ...panel, start: { ...panel.start, featherMm: Math.max(panel.start.featherMm, mend.mm) } })), plan);
    case 'under': return addPanelFirst(plan, UNDER);
    case 'crown': return addPanelFirst(plan, landmarkPanels.crown());
  }
}
