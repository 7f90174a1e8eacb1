import { mkdirSync, readFileSync } from 'node:fs';
import sharp from 'sharp';

/**
 * Draws public/icons from app/icon.svg: what a device shows once the application is installed on it. Run
 * after a change of the mark.
 */
const FOLDER = 'public/icons';
const SVG_UNITS = 32;
const mark = readFileSync('app/icon.svg');
const drawn = (pixels: number) =>
  sharp(mark, { density: (72 * pixels) / SVG_UNITS })
    .resize(pixels, pixels)
    .png({ compressionLevel: 9 });

mkdirSync(FOLDER, { recursive: true });
for (const pixels of [192, 512]) await drawn(pixels).toFile(`${FOLDER}/${pixels}.png`);
// A device may cut the edges off: the mark stays within the middle 70 %.
await sharp({ create: { width: 512, height: 512, channels: 4, background: '#1d6b4c' } })
  .composite([{ input: await drawn(360).toBuffer() }])
  .png({ compressionLevel: 9 })
  .toFile(`${FOLDER}/512-maskable.png`);
