import { bySoonest, lineWords } from '../growth';
import { toOpened, type Head, type Vec3 } from '../head';
import { brightnessStep, panelAt, sharesOf, sharesWords, type ComputedPlan, type Plan } from '../pattern';
import { percent } from '../units';
import { middleOf, pointOnHairline } from './hairline-light';
import type { Look, UnlitPlace } from './look';
import type { WearMend } from './mends';
import type { OldLineJudged } from './old-line';
import { LEAST, type PartTolerance } from './part-tolerance';
import { rootLinesOf, type HairLine } from './lines';
import { STRIPE_FLOOR } from './stripe';
import type { Worth } from './worth';
import { VIEW_NAMES, type View, type Way } from './ways';

type FindingKey =
  | 'brightness'
  | 'unlit'
  | 'stripe'
  | 'moved'
  | 'part'
  | 'root-line'
  | 'demarcation'
  | 'under'
  | 'crown'
  | 'warm'
  | 'sides'
  | 'hairline-worth';

/**
 * What an onlooker would notice: an estimate of placement and contrast, with where to look and what could be
 * done.
 */
export interface Finding {
  readonly key: FindingKey;
  /** With its figure, in a sentence. */
  readonly words: string;
  readonly why: string;
  /** Nothing to mind. */
  readonly fine: boolean;
  /** How to look at it. */
  readonly way: Way;
  readonly view: View;
  /** Point of the head, mm. */
  readonly at?: Vec3;
  /** The panel that causes it. */
  readonly panel?: string;
  /** What could be done, the best first. */
  readonly mends?: readonly WearMend[];
}

/** From these on a finding is one to mind. Working assumptions, in the order of the measures. */
const WEAR_LIMITS = {
  /** Longest stretch of hairline without light, mm: the hand-wide check of the workbench. */
  unlitMm: 30,
  /** Stripes that are seen across a room. */
  stripe: 0.16,
  /** A part that moves at all moves about a finger's width, mm. */
  partMm: 15,
  /** Light of the underneath, and of the crown against all of the back. */
  under: 0.04,
  crown: 0.35,
  /** Share of what is seen that is halfway lifted and looks warm. */
  warm: 0.12,
  /** Left against right. */
  sides: 0.12,
} as const;

/** Everything that the findings are said from. */
export interface Seen {
  readonly plan: Plan;
  readonly computed: ComputedPlan;
  /** Letters that only deposit. */
  readonly deposits: ReadonlySet<string>;
  readonly head: Head;
  readonly down: { readonly way: Way; readonly look: Look };
  readonly tied: { readonly way: Way; readonly look: Look };
  /** Share of what is seen, as the hair is worn, that was light before anything is done. */
  readonly seenBefore: number;
  /** The most striped view, as the mean over phases of the pattern, by what stands out of chance. */
  readonly striped?: { readonly way: Way; readonly view: View; readonly figure: number };
  /** Light of the underneath with the top clipped up, and of the crown blown open. */
  readonly under?: number;
  readonly blownCrown?: { readonly way: Way; readonly light: number };
  readonly worth?: Worth;
  readonly part?: PartTolerance;
  /** The part put elsewhere, mm from where it is worn: light beside it, and where it is worn. */
  readonly moved?: { readonly byMm: number; readonly light: number; readonly own: number };
  /** Where light and dark meet along the hair. */
  readonly lines?: readonly HairLine[];
  readonly mmPerWeek: number;
  readonly weeksBetween: number | null;
  readonly old?: OldLineJudged | null;
  /** Share of what is seen, worn down, that is halfway lifted. */
  readonly warm?: number;
  /** Points that the rows at the hairline earn, with the root shadow and without, and their minutes. */
  readonly shadowed?: {
    readonly mm: number;
    readonly withPoints: number;
    readonly withoutPoints: number;
    readonly minutes: number;
    readonly panels: readonly string[];
  };
  readonly brightnessWish: number;
  /** Share of the time that hair is worn tied, 0–1. */
  readonly tiedShare: number;
  readonly partMoves: 'never' | 'sometimes' | 'often' | null;
}

/** Weeks between visits where nobody was asked. */
const USUAL_WEEKS = 6;

const VIEW_WORDS: Readonly<Record<View, string>> = {
  front: 'from the front',
  left: 'from the left',
  right: 'from the right',
  back: 'from behind',
  top: 'from above',
};

/** What would be noticed, what matters most first. A head without foils has one finding. */
export function findingsOf(seen: Seen): Finding[] {
  const { down, computed } = seen;
  if (computed.sheet.foils.length + computed.sheet.painted.length === 0) {
    const light = meanBrightness(down.look);
    const words =
      light < 0.01
        ? 'No foils yet. The hair is as it grew.'
        : `No foils yet: ${percent(light)} of what is seen is light already.`;
    return [
      {
        key: 'brightness',
        fine: true,
        way: down.way,
        view: 'back',
        words,
        why: 'Choose a pattern in Pattern, then come back here.',
      },
      ...demarcation(seen),
    ];
  }
  return [
    brightness,
    unlit,
    stripe,
    moved,
    part,
    line,
    demarcation,
    under,
    crown,
    warm,
    sides,
    shadow,
  ].flatMap((say) => say(seen));
}

/** Light of what is seen, over all views. */
const meanBrightness = ({ brightness: own }: Look): number =>
  VIEW_NAMES.reduce((sum, view) => sum + own[view], 0) / VIEW_NAMES.length;

function brightness({
  down,
  tied,
  tiedShare,
  brightnessWish,
  computed,
  deposits,
  seenBefore,
}: Seen): Finding[] {
  const { words, share } = brightnessStep(brightnessWish);
  // By what is seen, as the hair is worn: what was light before counts, and what lies underneath does not.
  const seen = (1 - tiedShare) * meanBrightness(down.look) + tiedShare * meanBrightness(tied.look);
  // As it is said: a tenth of a point is not seen.
  const said = Math.round(100 * seen) / 100;
  const off = said < share[0] ? 'less than' : said > share[1] ? 'more than' : 'as';
  const before = Math.round(100 * seenBefore) / 100;
  // What was lighter than the wish before is not this plan's doing.
  const fine = off === 'as' || (off === 'more than' && before >= share[1]);
  return [
    {
      key: 'brightness',
      fine,
      way: down.way,
      view: 'back',
      words: `${percent(meanBrightness(down.look))} of what is seen is light worn down, ${percent(meanBrightness(tied.look))} tied back.`,
      why: `${sharesWords(sharesOf(computed.sheet, deposits).total)}. ${percent(seen)} seen as the hair is worn${before > 0 ? `, ${percent(before)} before anything is done` : ''}: ${off} the wish asks (${words}, ${Math.round(share[0] * 100)}–${percent(share[1])}).`,
    },
  ];
}

const SIDE_VIEWS: readonly { to: number; view: (deg: number) => View }[] = [
  { to: 40, view: () => 'front' },
  { to: 140, view: (deg) => (deg > 0 ? 'left' : 'right') },
  { to: 181, view: () => 'back' },
];

function unlit({ tied, head, computed }: Seen): Finding[] {
  const all = tied.look.unlit ?? [];
  const long = all.filter(({ mm }) => mm > WEAR_LIMITS.unlitMm).slice(0, 3);
  if (long.length === 0) {
    return [
      {
        key: 'unlit',
        fine: true,
        way: tied.way,
        view: 'left',
        words:
          all.length === 0
            ? 'Tied back, the hairline is lit all round.'
            : `Tied back, no stretch of hairline is dark for more than ${Math.round(all[0].mm)} mm.`,
        why: 'Two or three rows behind the hairline are seen when hair is up.',
      },
    ];
  }
  return long.map((unlitPlace) => {
    const deg = middleOf(unlitPlace.fromDeg, unlitPlace.toDeg);
    const at = pointOnHairline(head, deg);
    return {
      key: 'unlit' as const,
      fine: false,
      way: tied.way,
      view: SIDE_VIEWS.find(({ to }) => Math.abs(deg) < to)!.view(deg),
      at,
      words: `Tied back, ${Math.round(unlitPlace.mm)} mm of the hairline are dark: ${stretchWords(unlitPlace)}.`,
      why: /ear/.test(unlitPlace.place)
        ? 'Around and behind the ear is the spot that gets missed.'
        : 'Two or three rows behind the hairline are seen when hair is up.',
      panel: panelBehind(head, computed, deg),
      mends: [{ kind: 'rim' as const, fromDeg: unlitPlace.fromDeg, toDeg: unlitPlace.toDeg }],
    };
  });
}

/** A stretch longer than this is no longer at one place, mm. */
const LONG_MM = 180;

function stretchWords({ mm, place, fromDeg, toDeg }: UnlitPlace): string {
  if (mm <= LONG_MM) return place;
  const middle = middleOf(fromDeg, toDeg);
  if (Math.abs(middle) < 40) return 'round the face';
  return Math.abs(middle) > 150 ? 'round the back' : `along the ${middle > 0 ? 'left' : 'right'}`;
}

/** The panel that has the hair just behind a place of the hairline. */
function panelBehind(head: Head, { drawing }: ComputedPlan, azimuthDeg: number): string | undefined {
  const place = head.locate(pointOnHairline(head, azimuthDeg));
  for (const mm of [6, 14, 24, 40, 60]) {
    const found = panelAt(
      drawing,
      toOpened(head, head.pointAt(place.azimuth, Math.max(0, place.hairArc - mm))),
    );
    if (found) return found;
  }
  return undefined;
}

function stripe({ striped: worst, worth, computed, plan }: Seen): Finding[] {
  if (!worst) return [];
  const fine = worst.figure < WEAR_LIMITS.stripe;
  const how = worst.way.kind === 'tied' ? 'tied back' : 'worn down';
  const panel = fine ? undefined : slicedPanel(worth, computed, plan);
  return [
    {
      key: 'stripe',
      fine,
      way: worst.way,
      view: worst.view,
      words: fine
        ? `No stripes: ${worst.figure.toFixed(2)} at most, ${VIEW_WORDS[worst.view]}, ${how}.`
        : `Stripes ${VIEW_WORDS[worst.view]}, ${how}: ${worst.figure.toFixed(2)}.`,
      why: `About ${STRIPE_FLOOR} is chance; from ${WEAR_LIMITS.stripe.toFixed(2)} on single rows are told apart. Horizontal slices stripe when hair is lifted back.`,
      ...(panel && {
        panel: panel.id,
        ...(panel.slices && { mends: [{ kind: 'weave' as const, panel: panel.id, name: panel.name }] }),
      }),
    },
  ];
}

/** The panel whose rows earn most light, slices before weaves. */
function slicedPanel(
  worth: Worth | undefined,
  { sheet }: ComputedPlan,
  plan: Plan,
): { id: string; name: string; slices: boolean } | undefined {
  const [most] = plan.panels
    .map((panel) => {
      const own = sheet.foils
        .map((foil, i) => ({ foil, points: worth?.foils[i] ?? foil.areaMm2 * foil.pickedShare }))
        .filter(({ foil }) => foil.panel === panel.id);
      const points = own.reduce((sum, { points: earned }) => sum + earned, 0);
      const slices = own.some(({ foil }) => foil.gather === 'slice');
      return { id: panel.id, name: panel.name, slices, points: points * (slices ? 3 : 1) };
    })
    .sort((a, b) => b.points - a.points);
  return most && most.points > 0 ? most : undefined;
}

const partPoint = (head: Head, plan: Plan) => head.pointAt(Math.atan2(plan.head.part.offsetMm, 60), 60);

function part({ part: partTolerance, down, plan, partMoves, computed, head, tiedShare }: Seen): Finding[] {
  if (!partTolerance || plan.head.part.none) return [];
  if (partTolerance.ownLight < LEAST) {
    return [
      {
        key: 'part',
        fine: tiedShare >= 0.5,
        way: down.way,
        view: 'top',
        at: partPoint(head, plan),
        words: `The part is not lit: ${percent(partTolerance.ownLight)} beside it.`,
        why:
          tiedShare >= 0.5
            ? 'Worn up most of the time, the hairline carries the look.'
            : 'Worn down, people look at the part first.',
        ...(tiedShare < 0.5 && { mends: [{ kind: 'part' as const, eachSideMm: 25 }] }),
      },
    ];
  }
  const wanted = partMoves === 'never' ? 0 : partMoves === 'often' ? 25 : WEAR_LIMITS.partMm;
  const fine = partTolerance.mm >= wanted;
  const at = partPoint(head, plan);
  const words =
    partTolerance.leftMm === partTolerance.rightMm
      ? partTolerance.mm === 0
        ? 'Moved by a finger’s width, the part goes dark.'
        : `The part may move ${partTolerance.mm} mm to either side.`
      : `The part may move ${partTolerance.leftMm} mm to the left and ${partTolerance.rightMm} mm to the right.`;
  return [
    {
      key: 'part',
      fine,
      way: down.way,
      view: 'top',
      at,
      words,
      why: 'Within that, at least three quarters of the light beside it stays. Parts move: put foils in the part and on both sides of it.',
      ...(!fine && {
        panel: panelAt(computed.drawing, toOpened(head, at)),
        mends: [{ kind: 'part' as const, eachSideMm: wanted > 15 ? 40 : 25 }],
      }),
    },
  ];
}

function moved({ moved: own, plan }: Seen): Finding[] {
  if (!own || own.byMm === 0) return [];
  const fine = own.light >= 0.75 * own.own && own.light >= 0.05;
  return [
    {
      key: 'moved',
      fine,
      way: { kind: 'down', partMm: plan.head.part.offsetMm + own.byMm },
      view: 'top',
      words: `Moved ${Math.round(Math.abs(own.byMm))} mm to the ${own.byMm > 0 ? 'left' : 'right'}, ${percent(own.light)} beside the part is light; ${percent(own.own)} where it is.`,
      why: fine ? 'The pattern carries it.' : 'It goes dark there: the foils stop short of it.',
      ...(!fine && {
        mends: [
          {
            kind: 'part' as const,
            eachSideMm: Math.min(60, Math.max(25, Math.ceil((Math.abs(own.byMm) + 10) / 5) * 5)),
          },
        ],
      }),
    },
  ];
}

function line({ lines, mmPerWeek, weeksBetween, down, worth, computed }: Seen): Finding[] {
  if (!lines) return [];
  const [first, ...later] = rootLinesOf(lines).sort(bySoonest);
  const due = weeksBetween === null ? '' : ` The next visit is due after ${weeksBetween} weeks.`;
  const common = { key: 'root-line' as const, way: down.way, view: 'top' as const };
  if (!first)
    return [
      {
        ...common,
        fine: true,
        words: 'No root line: it grows out softly.',
        why: `Too little hair changes at one place to show as a line.${due}`,
      },
    ];
  const fine = first.growMm / mmPerWeek >= (weeksBetween ?? USUAL_WEEKS);
  const panels = fine ? [] : brightestPanels(worth, computed);
  return [
    {
      ...common,
      fine,
      words: lineWords(first, mmPerWeek),
      why:
        `${later.map((rootLine) => lineWords(rootLine, mmPerWeek)).join(' ')}${due}`.trim() ||
        'It depends on contrast, on how much of the hair starts at one place, and on how softly.',
      ...(panels.length > 0 && { panel: panels[0], mends: [{ kind: 'feather' as const, panels, mm: 30 }] }),
    },
  ];
}

function brightestPanels(worth: Worth | undefined, { sheet }: ComputedPlan): string[] {
  const points = new Map<string, number>();
  sheet.foils.forEach(({ panel }, i) => points.set(panel, (points.get(panel) ?? 0) + (worth?.foils[i] ?? 1)));
  return [...points]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
    .map(([panel]) => panel);
}

function demarcation({ old, down }: Seen): Finding[] {
  if (!old?.before.seen) return [];
  const { before, now, left, mends } = old;
  const fine = now === null || !now.seen;
  return [
    {
      key: 'demarcation',
      fine,
      way: down.way,
      view: 'back',
      words: `The old line, ${Math.round(before.atMm)} mm out, ${fine ? 'is broken' : 'still stands out'}: ${percent(left)} of it is left.`,
      why: 'Weaves alone leave an old line. Slices near the top, depth on the ends, or a root shadow drawn down to it break it up.',
      ...(mends.length > 0 && { mends }),
    },
  ];
}

function under({ under: share }: Seen): Finding[] {
  if (share === undefined) return [];
  const fine = share >= WEAR_LIMITS.under;
  return [
    {
      key: 'under',
      fine,
      way: { kind: 'lifted' },
      view: 'back',
      words: fine
        ? `Lifted free, ${percent(share)} of the underneath is light.`
        : `Lifted free, the underneath is dark: ${percent(share)} light.`,
      why: 'It shows when hair is brought forward, tied or half up.',
      ...(!fine && { mends: [{ kind: 'under' as const }] }),
    },
  ];
}

function crown({ blownCrown, down }: Seen): Finding[] {
  if (!blownCrown) return [];
  const { light, way } = blownCrown;
  const fine = light >= WEAR_LIMITS.crown * down.look.brightness.back;
  return [
    {
      key: 'crown',
      fine,
      way,
      view: 'back',
      words: fine
        ? `Blown open, ${percent(light)} of the crown is light.`
        : `Blown open, the crown is dark: ${percent(light)} light.`,
      why: 'People behind the client see it first.',
      ...(!fine && { mends: [{ kind: 'crown' as const }] }),
    },
  ];
}

function warm({ warm: share, down }: Seen): Finding[] {
  if (share === undefined || share < WEAR_LIMITS.warm / 2) return [];
  return [
    {
      key: 'warm',
      fine: share < WEAR_LIMITS.warm,
      way: down.way,
      view: 'top',
      words: `${percent(share)} of what is seen is halfway lifted and looks warm.`,
      why: 'A long feather leaves a warm band where the light starts, until it is toned or shadowed.',
    },
  ];
}

function sides({ down, tied }: Seen): Finding[] {
  const [worst] = [down, tied]
    .map(({ look, way }) => {
      const { left, right } = look.brightness;
      return { way, left, right, off: Math.abs(left - right) / Math.max(1e-9, (left + right) / 2) };
    })
    .sort((a, b) => b.off - a.off);
  // A few hundredths apart are seen by nobody, however little light there is.
  if (worst.off < WEAR_LIMITS.sides || Math.abs(worst.left - worst.right) < 0.03) return [];
  return [
    {
      key: 'sides',
      fine: false,
      way: worst.way,
      view: worst.left > worst.right ? 'right' : 'left',
      words: `The ${worst.left > worst.right ? 'left' : 'right'} is lighter: ${percent(worst.left)} left, ${percent(worst.right)} right.`,
      why: 'The sides should be similar, not exact. A side part makes a light and a heavy side.',
    },
  ];
}

function shadow({ shadowed, tied }: Seen): Finding[] {
  if (!shadowed || shadowed.withoutPoints === 0) return [];
  const { mm, withPoints, withoutPoints, minutes, panels } = shadowed;
  const kept = withPoints / withoutPoints;
  return [
    {
      key: 'hairline-worth',
      fine: kept >= 0.5,
      way: tied.way,
      view: 'front',
      panel: panels[0],
      words: `Under a root shadow of ${mm} mm the rows at the hairline keep ${percent(kept)} of their light, for ${Math.round(minutes)} minutes.`,
      why:
        kept >= 0.5
          ? 'They are worth the time.'
          : 'A detailed hairline is mostly covered again. Fewer, wider stitches would do there.',
    },
  ];
}
