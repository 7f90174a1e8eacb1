import { GATHER_PRESETS, addPanelFirst, type Panel, type Plan } from '../pattern';
import { PANEL_STARTS } from '../technique';
import type { SuggestFacts } from './facts';

/** One thing set differently from the technique as it stands in the library, and why. */
export interface Setting {
  readonly words: string;
  readonly why: string;
}

const ON_HAIRLINE: readonly Panel['place']['kind'][] = ['hairline-band', 'face-frame'];
const atHairline = ({ place }: Panel) =>
  ON_HAIRLINE.includes(place.kind) ||
  (place.kind === 'zones' && place.zones.some((zone) => /hairline|temple/.test(zone)));
const UNEVEN = { seed: 7, dropoutMm: 1, angleDeg: 3, stitchMm: 0.5, startMm: 0, side: 'right' } as const;

interface Rule {
  applies(facts: SuggestFacts): boolean;
  readonly change: (panel: Panel) => Panel;
  words: string;
  why: string;
}

const RULES: readonly Rule[] = [
  {
    applies: ({ schools }) => schools.hairlineGather === 'weave',
    change: (panel) =>
      atHairline(panel) && panel.gather.kind === 'slice'
        ? { ...panel, gather: { ...GATHER_PRESETS.baby.gather, fromHairline: true } }
        : panel,
    words: 'baby lights instead of slices on the hairline',
    why: 'your house puts no slice there',
  },
  {
    applies: ({ schools }) => schools.hairlinePartings === 'triangles',
    change: (panel) =>
      panel.place.kind === 'hairline-band' && panel.direction.kind === 'hairline'
        ? { ...panel, direction: { kind: 'parallel', angleDeg: 45 } }
        : panel,
    words: 'diagonal-back partings at the hairline',
    why: 'your house works in diagonal-back triangles there',
  },
  {
    applies: ({ schools }) => schools.hairlinePartings === 'vertical',
    change: (panel) =>
      panel.place.kind === 'hairline-band' && panel.direction.kind === 'hairline'
        ? { ...panel, direction: { kind: 'parallel', angleDeg: 90 } }
        : panel,
    words: 'vertical foils at the hairline',
    why: 'your house works vertically there',
  },
  {
    applies: ({ schools }) => schools.lowlights === 'no',
    change: (panel) => {
      if (!panel.dropouts?.treatments.includes('lowlight')) return panel;
      const treatments = panel.dropouts.treatments.map((treatment) =>
        treatment === 'lowlight' ? 'left' : treatment,
      );
      return {
        ...panel,
        dropouts: treatments.every((treatment) => treatment === 'left')
          ? null
          : { ...panel.dropouts, treatments },
      };
    },
    words: 'no lowlights between the foils',
    why: 'your house does none',
  },
  {
    applies: ({ schools }) => schools.part === 'foil',
    change: (panel) =>
      panel.spacing.kind === 'backwards' && panel.spacing.sliverMm > 0
        ? { ...panel, spacing: { ...panel.spacing, sliverMm: 0 } }
        : panel,
    words: 'no sliver at the part',
    why: 'your house lays a foil in the part',
  },
  {
    applies: ({ schools }) => schools.feather === 'clean',
    change: (panel) =>
      panel.start.featherMm > 0 ? { ...panel, start: { ...panel.start, featherMm: 0 } } : panel,
    words: 'clean starts',
    why: 'your house feathers nothing on dark hair',
  },
  {
    applies: ({ schools }) => schools.sides === 'uneven',
    change: (panel) =>
      panel.side === 'both' && panel.variation === null ? { ...panel, variation: UNEVEN } : panel,
    words: 'rows that differ a little',
    why: 'your house works deliberately uneven',
  },
];

const HALF_UP = 0.5;

/** A pattern set as the house and the client's way of wearing ask, each change with its reason. */
export function settle(
  plan: Plan,
  facts: SuggestFacts,
): { readonly plan: Plan; readonly settings: readonly Setting[] } {
  const settings: Setting[] = [];
  let settled = plan;
  for (const rule of RULES) {
    if (!rule.applies(facts)) continue;
    const panels = settled.panels.map(rule.change);
    if (panels.every((panel, i) => panel === settled.panels[i])) continue;
    settled = { ...settled, panels };
    settings.push({ words: rule.words, why: rule.why });
  }
  if (
    facts.wornUpShare !== null &&
    facts.wornUpShare >= HALF_UP &&
    !settled.panels.some(({ place }) => place.kind === 'hairline-band')
  ) {
    const rim = PANEL_STARTS.find(({ panel }) => panel.place.kind === 'hairline-band')!;
    settled = addPanelFirst(settled, rim.panel);
    settings.push({
      words: 'a hairline band added',
      why: `tied up ${Math.round(facts.wornUpShare * 100)}% of the time: the hairline carries the look`,
    });
  }
  return { plan: settled, settings };
}
