import { mkdirSync } from 'node:fs';
import path from 'node:path';
import sharp, { type OverlayOptions } from 'sharp';
import { planOf, techniqueOf } from '../core/technique';
import {
  CURLS,
  CUTS,
  pictureOf,
  STYLES,
  subjectOf,
  WearStudio,
  type Curl,
  type Cut,
  type Lamp,
  type Style,
  type View,
} from '../core/wear';

/**
 * Contact sheets of hair, to be looked at one by one after a change of how it hangs or is lit:
 * `npm run sheets -- FOLDER [--curls straight,coily] [--ways down,bun] [--cut bob] [--fringe] [--lamp salon]
 * [--pixel 1.4]`.
 * One sheet for each curl: a row for each way, and short, shoulder and long hair from two sides.
 */
const LENGTHS = [120, 320, 520];
const GROUND = '#eef1ec';
const [folder, ...rest] = process.argv.slice(2);
if (!folder) throw new Error('A folder for the sheets is missing.');
const flag = (name: string) => (rest.includes(`--${name}`) ? rest[rest.indexOf(`--${name}`) + 1] : undefined);
const curls = (flag('curls')?.split(',') ?? CURLS) as readonly Curl[];
const ways = (flag('ways')?.split(',') ?? Object.keys(STYLES)) as readonly Style[];
const lengths = flag('lengths')?.split(',').map(Number) ?? LENGTHS;
const lamp = (flag('lamp') ?? 'daylight') as Lamp;
const pixelMm = Number(flag('pixel') ?? 1.4);
const cut: Cut = {
  ends: (flag('cut') as (typeof CUTS)[number] | undefined) ?? 'long-layers',
  fringe: rest.includes('--fringe'),
};
const viewsOf = (way: Style): readonly View[] =>
  (flag('views')?.split(',') as View[] | undefined) ??
  (/tied|half|bun|lifted/.test(way) ? ['left', 'back'] : ['front', 'left']);

mkdirSync(folder, { recursive: true });
const technique = planOf(techniqueOf('four-quarters')!);
for (const curl of curls) {
  const studio = new WearStudio(undefined, undefined, 1e6);
  const tiles: OverlayOptions[] = [];
  let [width, top] = [0, 0];
  for (const way of ways) {
    let [left, height] = [0, 0];
    for (const lengthMm of lengths) {
      const plan = { ...technique, hair: { ...technique.hair, lengthMm } };
      const subject = subjectOf(plan, { curl, cut });
      const hair = studio.hair(plan, STYLES[way](Number(flag('part') ?? 15)), subject);
      for (const view of viewsOf(way)) {
        const {
          rgba,
          width: wide,
          height: high,
        } = pictureOf(
          hair.fibres(view, lamp, pixelMm),
          studio.colouring(subject, Number(flag('weeks') ?? 0)),
          lamp,
        );
        const input = await sharp(Buffer.from(rgba), { raw: { width: wide, height: high, channels: 4 } })
          .png()
          .toBuffer();
        tiles.push({ input, left, top });
        left += wide + 4;
        height = high;
      }
    }
    width = Math.max(width, left);
    top += height + 4;
  }
  const file = path.join(folder, `${curl}.png`);
  await sharp({ create: { width, height: top, channels: 3, background: GROUND } })
    .composite(tiles)
    .png()
    .toFile(file);
  console.log(file);
}
