import { gauge, SKULL } from '../head';

const { abs, max, min, sqrt } = Math;

/**
 * The bust that hair hangs on: head, face, ears, neck and shoulders of the average head as one distance
 * function, mm. It is
 * exact enough to walk along (never far above the true distance), and the skull is the head's own, so that
 * roots lie on it.
 * Proportions: face in thirds from hairline to brow, nose and chin; a neck of 330 mm; shoulders of 380 mm.
 * Both sides alike.
 */
export function bustDistance(px: number, y: number, z: number): number {
  const x = abs(px);
  const below = body(x, y, z);
  if (y < -170) return below;
  const above = head(x, y, z);
  return y > -30 ? above : roundMin(above, below, 14);
}

/** A smaller bound for what lies far off: distances there need not be exact. */
function skull(x: number, y: number, z: number): number {
  const g = gauge(x, y, z);
  const e = 0.5;
  const gx = (gauge(x + e, y, z) - g) / e;
  const gy = (gauge(x, y + e, z) - g) / e;
  const gz = (gauge(x, y, z + e) - g) / e;
  const steep = sqrt(gx * gx + gy * gy + gz * gz);
  return steep < 1e-9 ? -SKULL.halfBreadth : (g - 1) / steep;
}

function head(x: number, y: number, z: number): number {
  let out = skull(x, y, z);
  if (y > 44) return out;
  // The face is rounder than the skull and narrows to the chin; where hair grows the skull stays as it is.
  const front = smooth((z + 24) / 50);
  const rounder = roundMax(out, ellipse(x, z, 76, 98), 14);
  out += (rounder - out) * front * smooth((42 - y) / 60);
  const jaw = 0.885 * x - 0.39 * y + 0.255 * z - 84.5;
  out = roundMax(out, jaw - 45 * (1 - smooth((z + 34) / 70) * smooth((14 - y) / 60)), 26);
  out = roundMax(out, min(-92, -121 + 0.34 * (74 - z) * smooth((z + 20) / 20)) - y, 26);
  if (z > 20 && y < 26) out = face(x, y, z, out);
  if (z < 30 && x > 50 && y < 10 && y > -84) out = roundMin(out, ear(x, y, z), 4);
  return out;
}

function face(x: number, y: number, z: number, skin: number): number {
  let out = skin;
  // Chin, cheekbone, brow.
  out = roundMin(out, ellipsoid(x, y + 104, z - 66, 21, 14, 16), 24);
  out = roundMin(out, ellipsoid(x - 40, y + 46, z - 56, 20, 14, 16), 30);
  out = roundMin(out, ellipsoid(x - 34, y + 74, z - 54, 19, 26, 22), 30);
  out = roundMin(out, capsule(x, y, z, 12, -9, 88.5, 42, -7, 73, 3), 20);
  // Socket, and the eye in it, closed.
  out = roundMax(out, -ellipsoid(x - 31, y + 23, z - 100, 17, 8.5, 13), 20);
  out = roundMin(out, ellipsoid(x - 31, y + 24, z - 74, 14, 11, 10.5), 6);
  out = roundMax(out, -ellipsoid(x - 31, y + 28 - 0.01 * (x - 31) * (x - 31), z - 86, 13, 0.7, 3.4), 2);
  // Nose: bridge, tip, wings.
  let nose = roundMin(
    cone(x, y, z, 0, -14, 89, 5.5, 0, -52, 104.5, 6.5),
    ellipsoid(x - 8.5, y + 57, z - 96, 6, 5.5, 8.5),
    7,
  );
  nose = roundMin(nose, ellipsoid(x, y + 56, z - 100, 7, 5.5, 8), 6);
  out = roundMin(out, nose, 11);
  // Lips, at rest.
  out = roundMin(out, ellipsoid(x, y + 77.4, z - 83.5, 22, 4, 8), 4);
  out = roundMin(out, ellipsoid(x, y + 85, z - 83, 19, 4.8, 8.4), 4);
  out = roundMax(out, -ellipsoid(x, y + 81, z - 96, 16, 0.7, 7), 2);
  out = roundMax(out, -ellipsoid(x, y + 94, z - 94, 14, 3.5, 7), 12);
  return out;
}

/** An ear of its own axes: back a little, out a little. */
function ear(x: number, y: number, z: number): number {
  const cx = x - 71.5;
  const cy = y + 34;
  const cz = z + 14;
  // Leaning back, and standing off behind.
  const v = 0.97 * cy - 0.24 * cz;
  const w0 = 0.24 * cy + 0.97 * cz;
  const w = 0.92 * w0 + 0.38 * cx;
  const u = 0.92 * cx - 0.38 * w0;
  // Wider above than at the lobe.
  const wide = max(8, 16 + 0.15 * v);
  const tall = 30;
  const g = sqrt((v * v) / (tall * tall) + (w * w) / (wide * wide));
  const off = (g - 1) * wide * 0.95;
  const plate = roundMax(off, abs(u) - 1.8, 3);
  const rim = sqrt((off + 2.6) * (off + 2.6) + (u - 1.5) * (u - 1.5)) - 2.4;
  const shell = roundMin(plate, rim, 2.5);
  const inner = ellipsoid(u - 5, v + 3, w + 2, 5, 16, 8.5);
  return roundMax(shell, -inner, 3);
}

function body(x: number, y: number, z: number): number {
  let out = cone(x, y, z, 0, -70, -22, 45, 0, -205, -36, 53);
  // From behind the ear to the collarbone.
  out = roundMin(out, cone(x, y, z, 44, -84, -24, 9, 14, -205, 20, 5), 26);
  // The trapezius from the nape to the shoulder, the shoulder and the arm below it.
  out = roundMin(out, cone(x, y, z, 18, -140, -52, 30, 138, -262, -44, 36), 46);
  out = roundMin(out, cone(x, y, z, 150, -272, -40, 41, 170, -440, -34, 38), 34);
  // Chest and back.
  out = roundMin(out, ellipsoid(x, y + 350, z + 26, 158, 142, 84), 40);
  out = roundMin(out, ellipsoid(x - 62, y + 352, z - 28, 66, 62, 44), 50);
  // A hint of collarbone, and the hollow between.
  out = roundMin(out, capsule(x, y, z, 20, -218, 26, 128, -232, -10, 3), 34);
  out = roundMax(out, -sphere(x, y + 206, z - 42, 11), 26);
  return out;
}

const smooth = (f: number) => {
  const t = min(1, max(0, f));
  return t * t * (3 - 2 * t);
};

const sphere = (x: number, y: number, z: number, r: number) => sqrt(x * x + y * y + z * z) - r;

function ellipse(x: number, z: number, a: number, b: number): number {
  const g = sqrt((x * x) / (a * a) + (z * z) / (b * b));
  const slope = sqrt((x * x) / (a * a * a * a) + (z * z) / (b * b * b * b));
  return g < 1e-6 ? -a : (g * (g - 1)) / slope;
}

function ellipsoid(x: number, y: number, z: number, a: number, b: number, c: number): number {
  const g = sqrt((x * x) / (a * a) + (y * y) / (b * b) + (z * z) / (c * c));
  const slope = sqrt((x * x) / (a * a * a * a) + (y * y) / (b * b * b * b) + (z * z) / (c * c * c * c));
  return g < 1e-6 ? -min(a, b, c) : (g * (g - 1)) / slope;
}

const capsule = (
  x: number,
  y: number,
  z: number,
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  r: number,
) => cone(x, y, z, ax, ay, az, r, bx, by, bz, r);

/** A rod from one point to another whose radius changes on the way. */
function cone(
  x: number,
  y: number,
  z: number,
  ax: number,
  ay: number,
  az: number,
  ar: number,
  bx: number,
  by: number,
  bz: number,
  br: number,
): number {
  const dx = bx - ax;
  const dy = by - ay;
  const dz = bz - az;
  const f = min(1, max(0, ((x - ax) * dx + (y - ay) * dy + (z - az) * dz) / (dx * dx + dy * dy + dz * dz)));
  const ox = x - ax - f * dx;
  const oy = y - ay - f * dy;
  const oz = z - az - f * dz;
  return sqrt(ox * ox + oy * oy + oz * oz) - (ar + (br - ar) * f);
}

/** The smaller of two, rounded where they are alike. */
function roundMin(a: number, b: number, over: number): number {
  const h = max(0, over - abs(a - b)) / over;
  return min(a, b) - (h * h * over) / 4;
}

const roundMax = (a: number, b: number, over: number) => -roundMin(-a, -b, over);
