import {
  BufferAttribute,
  BufferGeometry,
  DataTexture,
  LinearFilter,
  RepeatWrapping,
  SRGBColorSpace,
  type Texture,
} from 'three';
import { addScaled, surfaceNormal, type Head } from '@/core/head';
import type { Rgb } from './solid';

const AZIMUTHS = 120;
const ARCS = 28;
/** Hair stands this far off the skin, mm. */
const OFF_MM = 0.8;

/** The hair-bearing skin as a cap: u round the head, v from the apex to the hairline. */
export function scalpGeometry(head: Head): BufferGeometry {
  const positions = new Float32Array(3 * (AZIMUTHS + 1) * (ARCS + 1));
  const uv = new Float32Array(2 * (AZIMUTHS + 1) * (ARCS + 1));
  const triangles: number[] = [];
  for (let j = 0; j <= ARCS; j += 1) {
    for (let i = 0; i <= AZIMUTHS; i += 1) {
      const azimuth = (i / AZIMUTHS) * 2 * Math.PI - Math.PI;
      const point = head.pointAt(azimuth, (j / ARCS) * head.hairArc(azimuth));
      // The edge lies down on the skin.
      const { x, y, z } = addScaled(point, surfaceNormal(point, head.skull), j === ARCS ? 0 : OFF_MM);
      const at = j * (AZIMUTHS + 1) + i;
      positions.set([x, y, z], 3 * at);
      uv.set([i / AZIMUTHS, j / ARCS], 2 * at);
      if (i < AZIMUTHS && j < ARCS) {
        const below = at + AZIMUTHS + 1;
        triangles.push(at, below, at + 1, at + 1, below, below + 1);
      }
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.setAttribute('uv', new BufferAttribute(uv, 2));
  geometry.setIndex(triangles);
  geometry.computeVertexNormals();
  return geometry;
}

/** Strands beside each other in the hair's texture. */
export const STREAKS = 512;
const LENGTHS = 16;

/**
 * Hair falling from the apex, as fine streaks: lighter and darker strands side by side, each changing slowly
 * on its way.
 */
export function hairTexture(colourAt: (across: number, down: number, strand: number) => Rgb): Texture {
  const pixels = new Uint8Array(4 * STREAKS * LENGTHS);
  for (let i = 0; i < STREAKS; i += 1) {
    for (let j = 0; j < LENGTHS; j += 1) {
      // Places from two irrational steps: even, without a visible order, and the same every time.
      const strand = (i * 0.6180339887) % 1;
      const shade =
        0.78 + 0.5 * strand + 0.12 * Math.sin(i * 1.7 + j * (0.3 + 0.5 * ((i * 0.7548776662) % 1)));
      const bark = colourAt((i + 0.5) / STREAKS, (j + 0.5) / LENGTHS, i);
      for (let c = 0; c < 3; c += 1) pixels[4 * (j * STREAKS + i) + c] = toByte(bark[c] * shade);
      pixels[4 * (j * STREAKS + i) + 3] = 255;
    }
  }
  const texture = new DataTexture(pixels, STREAKS, LENGTHS);
  texture.colorSpace = SRGBColorSpace;
  texture.wrapS = RepeatWrapping;
  texture.magFilter = LinearFilter;
  texture.minFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
}

/** Linear light as an sRGB byte (the standard's transfer curve). */
function toByte(linear: number): number {
  const value = linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
  return Math.round(255 * Math.min(1, Math.max(0, value)));
}
