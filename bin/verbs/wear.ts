import sharp from 'sharp';
import { CURLS, MOST_PART_MM, MOST_WEEKS, pictureOf, STYLES, subjectOf, VIEW_NAMES, WearStudio, type Curl, type Finding, type Style, type Way } from '@/core/wear';
import { flagsOf } from './flags';
import { readPlan } from './read-plan';
import { printed, type Verb, type VerbResult } from './verb';

/** Hairs for a picture: more than the measures need, so that none shows singly. */
const PICTURE_STRANDS = 40_000;

/** `wear FILE.json`: what an onlooker would notice of a plan, as JSON, and a picture of it. */
export const wearVerb: Verb = {
  name: 'wear',
  usage: 'wear FILE.json [--style S] [--weeks N] [--part MM] [--curl C] [--png OUT.png]',
  summary: 'prints what shows of a plan as it is worn, and draws it (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    `--style ${Object.keys(STYLES).slice(0, -1).join(', ')} or ${Object.keys(STYLES).at(-1)}; without it down.`,
    `--weeks N shows it N weeks later, 0 to ${MOST_WEEKS}, at the average growth. --part MM puts the part so far from the middle, + to the`,
    `client's left, −${MOST_PART_MM} to ${MOST_PART_MM}; without it where the plan has it. --curl ${CURLS.join(', ')}. --png writes a picture from five`,
    'sides on natural level 6 lightened to 9. Estimates of placement and contrast, no promise of colour.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const call = flagsOf('wear', args, ['--style', '--weeks', '--part', '--curl', '--png']);
  if (!call.ok) return call;
  const { flags } = call;
  const style = flags.get('--style') ?? 'down';
  const wayOf = Object.hasOwn(STYLES, style) ? STYLES[style as Style] : undefined;
  if (!wayOf) return { ok: false, problem: `--style: “${style}” is none of ${Object.keys(STYLES).join(', ')}.` };
  const weeks = Number(flags.get('--weeks') ?? 0);
  if (!(weeks >= 0 && weeks <= MOST_WEEKS)) return { ok: false, problem: `--weeks: must be a number from 0 to ${MOST_WEEKS}.` };
  const curl = (flags.get('--curl') ?? 'straight') as Curl;
  if (!CURLS.includes(curl)) return { ok: false, problem: `--curl: “${curl}” is none of ${CURLS.join(', ')}.` };
  const plan = await readPlan(call.file);
  if (!plan.ok) return plan;
  const partMm = Number(flags.get('--part') ?? plan.value.head.part.offsetMm);
  if (!(Math.abs(partMm) <= MOST_PART_MM)) return { ok: false, problem: `--part: must be a number from −${MOST_PART_MM} to ${MOST_PART_MM}: beyond it lies the side of the head.` };

  const way = wayOf(partMm);
  const subject = subjectOf(plan.value, { curl });
  const studio = new WearStudio();
  const look = studio.look(subject, way, weeks);
  let findings: readonly Finding[] = [];
  for (const found of studio.findings(subject, weeks)) findings = found ?? findings;
  const png = flags.get('--png');
  if (png !== undefined) {
    const problem = await drawn(png, subject, way, weeks);
    if (problem) return { ok: false, problem };
  }
  const share = (value: number | null) => (value === null ? null : Math.round(value * 1000) / 1000);
  const shares = (all: Readonly<Record<string, number>>) => Object.fromEntries(Object.entries(all).map(([view, value]) => [view, share(value)]));
  return {
    ok: true,
    output: printed({
      style, weeks, partMm: 'partMm' in way ? partMm : null, curl, foils: look.foils, lightenedShare: share(look.lightenedShare),
      brightness: shares(look.brightness), part: share(look.part), crown: share(look.crown), underneath: share(look.under), stripe: shares(look.stripe),
      unlitHairline: look.unlit && look.unlit.map(({ mm, place, fromDeg, toDeg }) => ({ mm, place, fromDeg: Math.round(fromDeg), toDeg: Math.round(toDeg) })),
      findings: findings.map(({ key, words, why, fine, panel }) => ({ key, words, why, fine, panel: panel ?? null })),
      ...(png !== undefined && { picture: png }),
    }),
  };
}

/** Writes the picture, all five sides beside each other; a sentence where it cannot be written. */
async function drawn(file: string, subject: Parameters<WearStudio['look']>[0], way: Way, weeks: number): Promise<string | undefined> {
  const studio = new WearStudio(undefined, PICTURE_STRANDS);
  const hair = studio.hair(subject.plan, way, subject.curl);
  const colouring = studio.colouring(subject, weeks);
  const pictures = VIEW_NAMES.map((view) => pictureOf(hair.surface(view, 1), hair.shading(view, 1), colouring));
  const [{ width, height }] = pictures;
  try {
    await sharp({ create: { width: width * pictures.length, height, channels: 3, background: '#eef1ec' } })
      .composite(pictures.map(({ rgba }, i) => ({ input: Buffer.from(rgba.buffer), raw: { width, height, channels: 4 as const }, left: i * width, top: 0 })))
      .png()
      .toFile(file);
    return undefined;
  } catch (error) {
    return `--png: ${file} cannot be written (${error instanceof Error ? error.message : String(error)}).`;
  }
}
