import { BufferAttribute, BufferGeometry, CanvasTexture, RepeatWrapping, SRGBColorSpace, type Texture } from 'three';
import { addScaled, surfaceNormal, type Head } from '@/core/head';

const AZIMUTHS = 160;
const ARCS = 44;
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

/** Hair of one colour falling from the apex, as fine streaks: drawn once on a canvas. */
export function hairTexture(bark: string): Texture {
  const canvas = document.createElement('canvas');
  canvas.width = 1024;
  canvas.height = 256;
  const draw = canvas.getContext('2d')!;
  draw.fillStyle = bark;
  draw.fillRect(0, 0, canvas.width, canvas.height);
  for (let i = 0; i < 1500; i += 1) {
    // Places from the golden ratio: even, without a visible order, and the same every time.
    const x = ((i * 0.6180339887) % 1) * canvas.width;
    const from = ((i * 0.7548776662) % 1) ** 2 * canvas.height * 0.8;
    draw.strokeStyle = i % 2 === 0 ? 'rgba(255, 255, 255, 0.07)' : 'rgba(0, 0, 0, 0.16)';
    draw.lineWidth = 0.8 + ((i * 0.5698402911) % 1) * 1.2;
    draw.beginPath();
    draw.moveTo(x, from);
    draw.quadraticCurveTo(x + 4 * Math.sin(i), (from + canvas.height) / 2, x + 2 * Math.sin(i * 1.7), canvas.height);
    draw.stroke();
  }
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = SRGBColorSpace;
  texture.wrapS = RepeatWrapping;
  texture.flipY = false;
  texture.anisotropy = 4;
  return texture;
}
