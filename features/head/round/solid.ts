import { BufferAttribute, BufferGeometry } from 'three';

/** RGB, 0–1, linear light. */
export type Rgb = readonly [number, number, number];

/** A colour made darker: a share of each of its lights. */
export const dimmed = ([red, green, blue]: Rgb, share: number): Rgb => [
  red * share,
  green * share,
  blue * share,
];

/** Triangles that are put together piece by piece, with a colour a corner; typed arrays that grow. */
export class Solid {
  private positions = new Float32Array(3 * 4096);
  private colours = new Float32Array(3 * 4096);
  private triangles = new Uint32Array(3 * 8192);
  private corners = 0;
  private edges = 0;

  /** Adds a corner, mm; returns its number. */
  corner(x: number, y: number, z: number, [r, g, b]: Rgb): number {
    const at = 3 * this.corners;
    if (at + 3 > this.positions.length) {
      this.positions = grown(this.positions, Float32Array);
      this.colours = grown(this.colours, Float32Array);
    }
    this.positions[at] = x;
    this.positions[at + 1] = y;
    this.positions[at + 2] = z;
    this.colours[at] = r;
    this.colours[at + 1] = g;
    this.colours[at + 2] = b;
    this.corners += 1;
    return this.corners - 1;
  }

  triangle(a: number, b: number, c: number): void {
    if (this.edges + 3 > this.triangles.length) this.triangles = grown(this.triangles, Uint32Array);
    this.triangles[this.edges] = a;
    this.triangles[this.edges + 1] = b;
    this.triangles[this.edges + 2] = c;
    this.edges += 3;
  }

  /** Two triangles between two pairs of neighbouring corners: a–b is one edge, c–d the next. */
  quad(a: number, b: number, c: number, d: number): void {
    this.triangle(a, c, b);
    this.triangle(b, c, d);
  }

  get triangleCount(): number {
    return this.edges / 3;
  }

  /** The geometry; with normals from its faces where it is to be lit. */
  geometry(lit = true): BufferGeometry {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(this.positions.slice(0, 3 * this.corners), 3));
    geometry.setAttribute('color', new BufferAttribute(this.colours.slice(0, 3 * this.corners), 3));
    geometry.setIndex(new BufferAttribute(this.triangles.slice(0, this.edges), 1));
    if (lit) geometry.computeVertexNormals();
    return geometry;
  }
}

function grown<T extends Float32Array | Uint32Array>(from: T, make: new (size: number) => T): T {
  const next = new make(2 * from.length);
  next.set(from);
  return next;
}
