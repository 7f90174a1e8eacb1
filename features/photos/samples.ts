import type { Rgb } from '@/core/photo';

/** Pixels of a picture round a place, 0–1 across and down, within a sixtieth of its width. */
export function samplesAt(picture: HTMLImageElement, { x, y }: { x: number; y: number }): Rgb[] {
  const { naturalWidth: width, naturalHeight: height } = picture;
  const radius = Math.max(2, Math.round(width / 60));
  const side = 2 * radius + 1;
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = side;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  const [left, top] = [Math.round(x * width) - radius, Math.round(y * height) - radius];
  context.drawImage(picture, -left, -top);
  const { data } = context.getImageData(0, 0, side, side);
  const out: Rgb[] = [];
  for (let row = 0; row < side; row += 1) {
    for (let column = 0; column < side; column += 1) {
      const inside = (column - radius) ** 2 + (row - radius) ** 2 <= radius ** 2;
      const i = 4 * (row * side + column);
      // Beyond the picture's edge there is nothing to see.
      if (inside && data[i + 3] === 255) out.push([data[i], data[i + 1], data[i + 2]]);
    }
  }
  return out;
}
