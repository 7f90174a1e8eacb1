import { lightAt, packedPlace, type Packed } from './light';
import { BUST, LIGHTING, SHOULDER, type Lamp } from './lamps';
import { colourAt, LIGHT_STEPS, type Colouring } from './shade';
import type { Fibres } from './fibres';

const { exp, max, min, pow } = Math;

/** RGBA, 0–255, row after row; clear where nothing stands. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
}

/** The picture fades at its lower edge, over this share of its height. */
const FADES = 0.1;
/** So it does at its sides, below so much of its height, over this share of its width. */
const FADES_FROM = 0.55;
const FADES_BESIDE = 0.07;

/**
 * A picture of hair as it is seen from one side, by computation alone: every pixel the mean of the hair that
 * shows in it.
 */
export function pictureOf(
  { camera, start, strand, along, own, tinted, white, cover, skin }: Fibres,
  colouring: Colouring,
  lamp: Lamp,
): Picture {
  const { columns, rows } = camera;
  const rgba = new Uint8ClampedArray(4 * columns * rows);
  const { light, palette } = colouring;
  const quick = light.packed !== null ? quickOf(colouring, light.packed) : null;
  const { lamp: shining } = LIGHTING[lamp];
  const lit = lightAt;
  const place = colourAt;
  for (let row = 0, p = 0; row < rows; row += 1) {
    const down = min(1, (rows - row) / (FADES * rows));
    // What goes on beyond the picture's edges fades there.
    const beside = row > FADES_FROM * rows ? min(1, (row - FADES_FROM * rows) / (FADES * rows)) : 0;
    let lastR = 0;
    let lastG = 0;
    let lastB = 0;
    let lastAll = 0;
    for (let column = 0; column < columns; column += 1, p += 1) {
      const near = min(1, min(column, columns - 1 - column) / (FADES_BESIDE * columns));
      const fade = down * (1 - beside * (1 - near));
      const bare = skin[p] / 255;
      const hair = cover[p] / 255;
      if (hair === 0 && bare === 0) continue;
      let r = 0;
      let g = 0;
      let b = 0;
      let all = 0;
      for (let i = start[p]; i < start[p + 1]; i += 1) {
        const mm = along[i] / 4;
        let c: number;
        if (quick !== null) {
          const q = 4 * strand[i];
          const past = (mm - quick[q + 1]) * quick[q + 2];
          c =
            quick[q] +
            (past > 0 && mm <= quick[q + 3] ? 3 * ((LIGHT_STEPS * (past < 1 ? past : 1) + 0.5) | 0) : 0);
        } else c = place(colouring, strand[i], mm, lit(light, strand[i], mm));
        const shade = own[i] + tinted[i];
        const shine = white[i];
        r += palette[c] * shade + shine;
        g += palette[c + 1] * shade + shine;
        b += palette[c + 2] * shade + shine;
        all += 1;
      }
      if (all === 0 && hair > 0) {
        // The lot left nothing here: it looks as what lies beside it.
        r = lastR;
        g = lastG;
        b = lastB;
        all = lastAll;
      } else {
        lastR = r;
        lastG = g;
        lastB = b;
        lastAll = all;
      }
      const per = all > 0 ? hair / (128 * all) : 0;
      // Hair over skin; beside the skin it lets the ground through.
      const covered = bare > 0 ? 1 : hair;
      const rest = bare > 0 ? (1 - (all > 0 ? hair : 0)) * bare : 0;
      const at = 4 * p;
      const over = covered > 0 ? 1 / covered : 0;
      rgba[at] = encoded((r * per + BUST.rgb[0] * rest) * over * shining[0]);
      rgba[at + 1] = encoded((g * per + BUST.rgb[1] * rest) * over * shining[1]);
      rgba[at + 2] = encoded((b * per + BUST.rgb[2] * rest) * over * shining[2]);
      rgba[at + 3] = 255 * covered * fade;
    }
  }
  return { width: columns, height: rows, rgba };
}

/**
 * By strand, for hair that is one colour along its length: place of its base in the palette, where its light
 * begins, one over how long that takes, and where it ends.
 */
function quickOf(colouring: Colouring, packed: Packed): Float32Array {
  const count = colouring.tints.own.length;
  const out = new Float32Array(4 * count);
  for (let s = 0; s < count; s += 1) {
    const at = packedPlace(packed, s);
    out[4 * s] = colourAt(colouring, s, 0, 0);
    out[4 * s + 1] = at.from;
    out[4 * s + 2] = 1 / max(0.01, at.over);
    out[4 * s + 3] = at.to;
  }
  return out;
}

/**
 * sRGB's transfer curve over a soft shoulder, tabulated in steps of linear light: what is lighter than white
 * comes near it.
 */
const STEPS = 4096;
const MOST = 2;
const CURVE = Uint8ClampedArray.from({ length: STEPS + 1 }, (_, i) => {
  const linear = (MOST * i) / STEPS;
  const shown =
    linear < SHOULDER ? linear : SHOULDER + (1 - SHOULDER) * (1 - exp((SHOULDER - linear) / (1 - SHOULDER)));
  return 255 * (shown <= 0.0031308 ? 12.92 * shown : 1.055 * pow(shown, 1 / 2.4) - 0.055);
});
const encoded = (value: number) => CURVE[value < MOST ? ((STEPS / MOST) * value + 0.5) | 0 : STEPS];
