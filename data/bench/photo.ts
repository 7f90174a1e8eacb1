import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { readPicture } from '../picture';

/**
 * Time until an uploaded picture of 12 megapixels is ready to be kept; `--heic FILE` measures one in that
 * format.
 */
const RUNS = 5;
const noise = await sharp({
  create: {
    width: 1008,
    height: 756,
    channels: 3,
    noise: { type: 'gaussian', mean: 110, sigma: 45 },
    background: '#806040',
  },
})
  .png()
  .toBuffer();
const made = sharp(noise).resize(4032, 3024, { kernel: 'cubic' });
const files: [string, Buffer][] = [
  ['JPEG', await made.clone().jpeg({ quality: 90 }).toBuffer()],
  ['PNG', await made.clone().png({ compressionLevel: 3 }).toBuffer()],
  ['WebP', await made.clone().webp({ quality: 80, effort: 1 }).toBuffer()],
];
const heic = process.argv[process.argv.indexOf('--heic') + 1];
if (process.argv.includes('--heic')) files.push(['HEIC', await readFile(heic)]);
for (const [kind, bytes] of files) {
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const start = performance.now();
    const read = await readPicture(bytes);
    if (!read.ok) throw new Error(read.problem);
    times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  console.log(
    `${kind.padEnd(5)} ${(bytes.length / 1e6).toFixed(1).padStart(5)} MB  median ${times[RUNS >> 1].toFixed(0).padStart(5)} ms, slowest ${times[RUNS - 1].toFixed(0).padStart(5)} ms`,
  );
}
