import { isOneOf, keysOf, messageOf, type ValueResult } from '@/core/units';
import sharp from 'sharp';
import {
  CURLS,
  MOST_PART_MM,
  MOST_WEEKS,
  pictureOf,
  STYLES,
  VIEW_NAMES,
  WearStudio,
  type Curl,
  type Finding,
  type Style,
} from '@/core/wear';
import { MIX_HELP, mixedPlan } from './mixed-plan';
import { printed, type Verb, type VerbResult } from './verb';

const PICTURE_MM = 0.5;

/** `wear FILE.json`: what an onlooker would notice of a plan, as JSON, and a picture of it. */
export const wearVerb: Verb = {
  name: 'wear',
  usage:
    'wear FILE.json [--consult CONSULT.json] [--mix MIX.json] [--style S] [--weeks N] [--part MM] [--curl C] [--png OUT.png] …',
  summary: 'prints what shows of a plan as it is worn, with its lines and findings, and draws it (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    ...MIX_HELP,
    `--style ${Object.keys(STYLES).slice(0, -1).join(', ')} or ${Object.keys(STYLES).at(-1)}; without it down.`,
    `--weeks N shows it N weeks later, 0 to ${MOST_WEEKS}, at the average growth. --part MM puts the part so far from the middle, + to the`,
    `client's left, −${MOST_PART_MM} to ${MOST_PART_MM}; without it where the plan has it. --curl ${CURLS.join(', ')}; without it the consultation's. --png writes a picture from five sides.`,
    'Lines: where light and dark meet, mm from the scalp, with the weeks from the service until it is seen; null where it is not. Estimates of placement and contrast.',
  ].join('\n'),
  run,
};

interface Asked {
  readonly style: Style;
  readonly weeks: number;
  readonly partMm: number | undefined;
  readonly curl: Curl | undefined;
  readonly png: string | undefined;
}

function askedOf(flags: ReadonlyMap<string, string>): ValueResult<Asked> {
  const style = flags.get('--style') ?? 'down';
  const styles = keysOf(STYLES);
  if (!isOneOf(styles, style))
    return { ok: false, problem: `--style: “${style}” is none of ${styles.join(', ')}.` };
  const weeks = Number(flags.get('--weeks') ?? 0);
  if (!(weeks >= 0 && weeks <= MOST_WEEKS))
    return { ok: false, problem: `--weeks: must be a number from 0 to ${MOST_WEEKS}.` };
  const curl = flags.get('--curl');
  if (curl !== undefined && !isOneOf(CURLS, curl))
    return { ok: false, problem: `--curl: “${curl}” is none of ${CURLS.join(', ')}.` };
  const part = flags.get('--part');
  if (part !== undefined && !(Math.abs(Number(part)) <= MOST_PART_MM))
    return {
      ok: false,
      problem: `--part: must be a number from −${MOST_PART_MM} to ${MOST_PART_MM}: beyond it lies the side of the head.`,
    };
  return {
    ok: true,
    value: {
      style,
      weeks,
      partMm: part === undefined ? undefined : Number(part),
      curl,
      png: flags.get('--png'),
    },
  };
}

async function run(args: readonly string[]): Promise<VerbResult> {
  let asked: Asked | undefined;
  const visit = await mixedPlan('wear', args, {
    flags: ['--style', '--weeks', '--part', '--curl', '--png'],
    change: (flags, own) => {
      const read = askedOf(flags);
      if (read.ok) asked = read.value;
      return read.ok ? { ok: true, value: own } : read;
    },
  });
  if (!visit.ok) return visit;
  const { style, weeks, png } = asked!;
  const { wear, shares: hairShares } = visit.value;
  const subject = asked!.curl === undefined ? wear : { ...wear, curl: asked!.curl };
  const partMm = asked!.partMm ?? subject.plan.head.part.offsetMm;
  const way = STYLES[style](partMm);
  const studio = new WearStudio();
  const look = studio.look(subject, way, weeks);
  let findings: readonly Finding[] = [];
  for (const found of studio.findings(subject, weeks)) findings = found ?? findings;
  if (png !== undefined) {
    const problem = await drawn(
      png,
      studio.hair(subject.plan, way, subject),
      studio.colouring(subject, weeks),
    );
    if (problem) return { ok: false, problem };
  }
  const share = (value: number | null) => (value === null ? null : Math.round(value * 1000) / 1000);
  const shares = (all: Readonly<Record<string, number>>) =>
    Object.fromEntries(Object.entries(all).map(([view, value]) => [view, share(value)]));
  const tenth = (value: number) => Math.round(value * 10) / 10;
  return {
    ok: true,
    output: printed({
      style,
      weeks,
      partMm: 'partMm' in way ? partMm : null,
      curl: subject.curl,
      foils: look.foils,
      shares: shares({ ...hairShares.total }),
      brightness: shares(look.brightness),
      part: share(look.part),
      crown: share(look.crown),
      underneath: share(look.under),
      stripe: shares(look.stripe),
      unlitHairline:
        look.unlit &&
        look.unlit.map(({ mm, place, fromDeg, toDeg }) => ({
          mm,
          place,
          fromDeg: Math.round(fromDeg),
          toDeg: Math.round(toDeg),
        })),
      lines: studio.lines(subject).map(({ kind, zone, atMm, contrast, share: value, weeks: shows }) => ({
        kind,
        zone,
        atMm: tenth(atMm),
        contrast: share(contrast),
        share: share(value),
        weeks: shows && shows.map(tenth),
      })),
      findings: findings.map(({ key, words, why, fine, panel }) => ({
        key,
        words,
        why,
        fine,
        panel: panel ?? null,
      })),
      ...(png !== undefined && { picture: png }),
    }),
  };
}

/** Writes the picture, all five sides beside each other; a sentence where it cannot be written. */
async function drawn(
  file: string,
  hair: ReturnType<WearStudio['hair']>,
  colouring: ReturnType<WearStudio['colouring']>,
): Promise<string | undefined> {
  const pictures = VIEW_NAMES.map((view) =>
    pictureOf(hair.fibres(view, 'daylight', PICTURE_MM), colouring, 'daylight'),
  );
  const [{ width, height }] = pictures;
  try {
    await sharp({ create: { width: width * pictures.length, height, channels: 3, background: '#eef1ec' } })
      .composite(
        pictures.map(({ rgba }, i) => ({
          input: Buffer.from(rgba.buffer),
          raw: { width, height, channels: 4 as const },
          left: i * width,
          top: 0,
        })),
      )
      .png()
      .toFile(file);
    return undefined;
  } catch (error) {
    return `--png: ${file} cannot be written (${messageOf(error)}).`;
  }
}
