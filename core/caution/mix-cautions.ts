import { isHairlineZone, zoneName, type Zone } from '../head';
import type { Caution } from './caution';

/** Strengths and places that cautions go by; settings of the house where its leaflets say otherwise. */
export interface StrengthLimits {
  /**
   * Over so many volumes asks for a reason at the hairline and on fragile hair, and stops on the scalp
   * itself.
   */
  readonly strongVolumes: number;
  /** Nothing of 40 volumes nearer to the scalp than this, mm. */
  readonly scalpMm: number;
  /** Never warmer than this, °C. */
  readonly warmestCelsius: number;
}

/** 40 volumes, never on the scalp. A textbook caution, not a setting. */
const STRONGEST = 40;
/**
 * Painted nearer than this, product lies on the scalp itself, mm: open air only; in foil hair is held off it.
 */
const ON_SCALP_MM = 1;
/** A bowl loses strength from this age, minutes. */
const OLD_BOWL = 30;

/** A formula as cautions see it. */
export interface CautionedFormula {
  /** Developer as it is poured, the strongest of its mixes, volumes: what weakens it does not count here. */
  readonly volumes: number;
  /** Warmth that is added, °C; null where none is. */
  readonly celsius: number | null;
}

/** A unit of the work as cautions see it. */
interface CautionedUnit {
  readonly panelName: string;
  readonly letter: string;
  readonly zone: Zone;
  readonly laidWith: 'foil' | 'between foils' | 'open air';
  /** Where the product really begins, mm from the scalp. */
  readonly startMm: number;
}

export interface MixCautionFacts {
  readonly units: readonly CautionedUnit[];
  readonly formulas: Readonly<Record<string, CautionedFormula>>;
  /** Colour and corrections that touch the scalp: what, and its developer. */
  readonly onScalp: readonly { readonly what: string; readonly volumes: number }[];
  readonly fragileZones: readonly Zone[];
  /** How many units carry what lifts over hair lightened before. */
  readonly overlapping: number;
  /** What is planned to stay on for longer than its maker allows. */
  readonly tooLong: readonly { readonly what: string; readonly minutes: number; readonly limit: number }[];
  /** Why to think again about the root colour; null where there is no reason. */
  readonly rootWarning: string | null;
  /** Oldest bowl that is painted, minutes. */
  readonly oldestBowl: number;
}

/** The cautions of strengths, overlap, heat and time. Table: model, cautions. */
export function mixCautions(facts: MixCautionFacts, limits: StrengthLimits): Caution[] {
  return [
    ...scalpCautions(facts, limits),
    ...strongCautions(facts, limits),
    overlapCaution(facts),
    heatCaution(facts, limits),
    timeCaution(facts),
    rootCaution(facts),
    bowlCaution(facts),
  ].filter((caution) => caution !== undefined);
}

const said = (volumes: number) => `${Math.round(volumes * 10) / 10} vol`;
const volumesOf = ({ letter }: CautionedUnit, { formulas }: MixCautionFacts) =>
  formulas[letter]?.volumes ?? 0;

function scalpCautions(facts: MixCautionFacts, { strongVolumes, scalpMm }: StrengthLimits): Caution[] {
  const out: Caution[] = [];
  const painted = facts.units.filter(
    (unit) =>
      unit.laidWith !== 'foil' && unit.startMm < ON_SCALP_MM && volumesOf(unit, facts) > strongVolumes,
  );
  const onScalp = [
    ...facts.onScalp
      .filter(({ volumes }) => volumes > strongVolumes)
      .map(({ what, volumes }) => `${what} (${said(volumes)})`),
    ...(painted.length > 0
      ? [`${painted[0].panelName}, painted at the scalp (${said(volumesOf(painted[0], facts))})`]
      : []),
  ];
  if (onScalp.length > 0) {
    out.push({
      key: 'strong-scalp',
      weight: 'stop',
      seen: `Over ${strongVolumes} vol on the scalp itself: ${onScalp.join(', ')}.`,
      why: 'It burns. Use a weaker developer, or start off the scalp. No reason overrides this.',
    });
  }
  const forty = facts.units.filter((unit) => volumesOf(unit, facts) >= STRONGEST && unit.startMm < scalpMm);
  if (forty.length > 0) {
    const names = [...new Set(forty.map(({ panelName }) => panelName))];
    out.push({
      key: 'forty-near',
      weight: 'stop',
      seen: `${STRONGEST} vol within ${scalpMm} mm of the scalp: ${names.join(', ')}.`,
      why: 'Never that close. Use a weaker developer, or start further away. No reason overrides this.',
    });
  }
  return out;
}

function strongCautions(facts: MixCautionFacts, { strongVolumes }: StrengthLimits): Caution[] {
  const strong = facts.units.filter((unit) => volumesOf(unit, facts) > strongVolumes);
  const zonesOf = (units: readonly CautionedUnit[]) => [
    ...new Set(units.map(({ zone }) => zoneName(zone).toLowerCase())),
  ];
  const out: Caution[] = [];
  const hairline = zonesOf(strong.filter(({ zone }) => isHairlineZone(zone)));
  if (hairline.length > 0) {
    out.push({
      key: 'strong-hairline',
      weight: 'reason',
      seen: `Over ${strongVolumes} vol at the hairline: ${few(hairline)}.`,
      why: 'Hair there is fine and worn by light. Go a step weaker, use an older bowl or do it last, or say why not.',
    });
  }
  const fragile = zonesOf(strong.filter(({ zone }) => facts.fragileZones.includes(zone)));
  if (fragile.length > 0) {
    out.push({
      key: 'strong-fragile',
      weight: 'reason',
      seen: `Over ${strongVolumes} vol on fragile hair: ${few(fragile)}.`,
      why: 'Hair like this breaks. Go one strength down or leave it out, or say why not.',
    });
  }
  return out;
}

function overlapCaution({ overlapping }: MixCautionFacts): Caution | undefined {
  if (overlapping === 0) return undefined;
  return {
    key: 'overlap',
    weight: 'reason',
    seen: `${overlapping === 1 ? 'One foil carries' : `${overlapping} foils carry`} lightener over hair lightened before.`,
    why: 'Overlap breaks it. Paint only the regrowth and leave a gap at both ends, or say why the lengths are lifted again.',
  };
}

function heatCaution(
  { formulas, units }: MixCautionFacts,
  { warmestCelsius }: StrengthLimits,
): Caution | undefined {
  const warm = Object.entries(formulas).flatMap(([letter, { celsius }]) =>
    celsius !== null && units.some((unit) => unit.letter === letter) ? [{ letter, celsius }] : [],
  );
  if (warm.length === 0) return undefined;
  const most = Math.max(...warm.map(({ celsius }) => celsius));
  const letters = warm.map(({ letter }) => letter).join(', ');
  if (most > warmestCelsius) {
    return {
      key: 'heat',
      weight: 'stop',
      seen: `${most} °C is planned on formula ${letters}; this house allows ${warmestCelsius} °C at most.`,
      why: 'Heat burns and speeds everything up. Set a lower temperature. No reason overrides this.',
    };
  }
  return {
    key: 'heat',
    weight: 'reason',
    seen: `Warmth of ${most} °C is planned on formula ${letters}.`,
    why: 'Heat speeds everything up and swells the product. Only where the leaflet allows it, and watch it.',
  };
}

function timeCaution({ tooLong }: MixCautionFacts): Caution | undefined {
  if (tooLong.length === 0) return undefined;
  return {
    key: 'over-time',
    weight: 'reason',
    seen: `Longer than the maker allows: ${tooLong.map(({ what, minutes, limit }) => `${what} ${Math.round(minutes)} min (${limit})`).join(', ')}.`,
    why: 'Never past the maker’s time without a reason on record.',
  };
}

function rootCaution({ rootWarning }: MixCautionFacts): Caution | undefined {
  return rootWarning === null
    ? undefined
    : {
        key: 'root-dark',
        weight: 'shown',
        seen: rootWarning,
        why: 'Tell the client. The natural level, or a sheerer colour, grows out softly.',
      };
}

function bowlCaution({ oldestBowl }: MixCautionFacts): Caution | undefined {
  if (oldestBowl <= OLD_BOWL) return undefined;
  return {
    key: 'bowl-old',
    weight: 'shown',
    seen: `One bowl is ${Math.round(oldestBowl)} min old by its last foil.`,
    why: 'A bowl loses strength after about half an hour. Mix smaller bowls, or use the old one at the hairline.',
  };
}

const few = (names: readonly string[]) =>
  names.length <= 3 ? names.join(', ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;
