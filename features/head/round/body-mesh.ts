import type { BufferGeometry } from 'three';
import { directionAt, surfaceAlong, type Head } from '@/core/head';
import { Solid, type Rgb } from './solid';

const { abs, cos, exp, max, min, sin, PI } = Math;

const SKIN: Rgb = [0.56, 0.575, 0.53];
const LINE: Rgb = [0.27, 0.28, 0.25];

const AZIMUTHS = 112;
const POLARS = 64;
const LOWEST = (164 * PI) / 180;

/** Columns stand closer together in front, where the face is. */
const azimuthOf = (i: number) => (i / AZIMUTHS) * 2 * PI - 0.6 * sin((i / AZIMUTHS) * 2 * PI);

const eased = (value: number) => {
  const f = min(1, max(0, value));
  return f * f * (3 - 2 * f);
};
const bump = (x: number, width: number) => exp(-((x / width) ** 2));

/**
 * What is not computed on: face, ears, neck. A calm drawing of a person round the scalp, scaled with the
 * head; nothing
 * is measured on it.
 */
export function bodyGeometry(head: Head): BufferGeometry {
  const solid = new Solid();
  addSkull(solid, head);
  for (const side of [1, -1]) addEar(solid, head, side);
  addNeck(solid, head);
  return solid.geometry();
}

function addSkull(solid: Solid, head: Head): void {
  const { skull } = head;
  for (let j = 0; j <= POLARS; j += 1) {
    for (let i = 0; i <= AZIMUTHS; i += 1) {
      const p = surfaceAlong(directionAt(azimuthOf(i), (j / POLARS) * LOWEST), skull);
      const [x, y, z] = faced(p.x / skull.x, p.y / skull.y, p.z / skull.z);
      solid.corner(x * skull.x, y * skull.y, z * skull.z, faceColour(x, y, z));
    }
  }
  // Skin under hair is not seen: only what lies outside the hairline, and a little under its edge.
  const covered = (i: number, j: number) => {
    const azimuth = azimuthOf(i);
    return (
      head.meridians.arcAtPolar(azimuth > PI ? azimuth - 2 * PI : azimuth, (j / POLARS) * LOWEST) <
      head.hairArc(azimuth) - UNDER_HAIR_MM
    );
  };
  addGrid(solid, 0, POLARS, AZIMUTHS, false, (i, j) =>
    [0, 1].some((di) => [0, 1].some((dj) => !covered(i + di, j + dj))),
  );
}

/** Skin goes on under the edge of the hair by this, mm. */
const UNDER_HAIR_MM = 4;

/** Joins rows of corners that were added row by row. */
function addGrid(
  solid: Solid,
  first: number,
  rows: number,
  columns: number,
  flipped = false,
  seen: (i: number, j: number) => boolean = () => true,
): void {
  for (let j = 0; j < rows; j += 1) {
    for (let i = 0; i < columns; i += 1) {
      if (!seen(i, j)) continue;
      const a = first + j * (columns + 1) + i;
      const b = a + columns + 1;
      if (flipped) solid.quad(a, b, a + 1, b + 1);
      else solid.quad(b, a, b + 1, a + 1);
    }
  }
}

/** The plain skull with a face: mm on the average head. */
function faced(px: number, py: number, pz: number): [number, number, number] {
  const front = eased((pz + 10) / 50);
  // The jaw narrows and the chin ends before the skull's lower half would.
  const jaw = front * eased((-py - 40) / 90);
  const x = px * (1 - 0.2 * jaw);
  const y = py < -96 ? -96 + (py + 96) * (0.62 * front + (1 - front)) : py;
  const side = abs(x);
  const nose = 16 * bump(x, 9) * eased((-y - 16) / 44) * eased((y + 77) / 9);
  const wings = 5 * bump(side - 9, 6) * bump(y + 68, 6);
  const socket = -7 * bump(side - 30, 15) * bump(y + 25, 10);
  const lids = 3.5 * bump(side - 30, 11) * bump(y + 27, 6);
  const mouth =
    4 * bump(x, 22) * (bump(y + 88, 4.5) + bump(y + 97, 5)) - 2.5 * bump(x, 24) * bump(y + 92.5, 1.8);
  const chin = 8 * bump(x, 22) * bump(y + 116, 15);
  const cheek = -5 * bump(side - 50, 20) * bump(y + 85, 26);
  return [x, y, pz + front * (nose + wings + socket + lids + mouth + chin + cheek)];
}

/** Closed eyes, brows and mouth as soft lines. */
function faceColour(x: number, y: number, z: number): Rgb {
  if (z < 40) return SKIN;
  const side = abs(x) - 30;
  const lash = abs(side) < 15 ? bump(y + 30.5 - 3.2 * (1 - (side / 15) ** 2) * -1, 1.9) : 0;
  const brow = abs(side) < 17 ? 0.55 * bump(y + 9 - 3.5 * (1 - ((side + 2) / 19) ** 2), 2.2) : 0;
  const lips = abs(x) < 23 ? 0.6 * bump(y + 92.5 + 1.5 * bump(x, 9), 1.9) : 0;
  const f = min(1, lash + brow + lips);
  const mixed = (i: 0 | 1 | 2) => SKIN[i] + (LINE[i] - SKIN[i]) * f;
  return [mixed(0), mixed(1), mixed(2)];
}

/** An ear as a shallow shell, its hollow before the canal, leaning back and standing off behind. */
function addEar(solid: Solid, head: Head, side: number): void {
  const { skull } = head;
  const rows = 18;
  const columns = 18;
  const first = solid.corner(0, 0, 0, SKIN) + 1;
  for (let j = 0; j <= rows; j += 1) {
    for (let i = 0; i <= columns; i += 1) {
      const u = (2 * i) / columns - 1;
      const v = (2 * j) / rows - 1;
      // A square turned into a disc, so that the rim is one row of corners.
      const du = u * Math.sqrt(1 - (v * v) / 2);
      const dv = v * Math.sqrt(1 - (u * u) / 2);
      const r2 = du * du + dv * dv;
      const height = dv * 31;
      const width = du * (dv > 0 ? 18 : 18 - 6 * dv * dv);
      const rim = 9 * bump(Math.sqrt(r2) - 0.82, 0.2);
      const hollow = -5 * bump(du + 0.15, 0.4) * bump(dv + 0.1, 0.42);
      const off = 5.5 + rim + hollow + 0.32 * max(0, -width) - 9 * r2 ** 6;
      const lean = 0.22 * height;
      solid.corner(
        side * (69.5 + off) * skull.x,
        (-33 + height) * skull.y,
        (-11 + width - lean) * skull.z,
        SKIN,
      );
    }
  }
  addGrid(solid, first, rows, columns, side < 0);
}

/** Neck and the beginning of the shoulders: rings from under the hair down. */
function addNeck(solid: Solid, head: Head): void {
  const { skull } = head;
  const rows = 16;
  const columns = 40;
  let first = -1;
  for (let j = 0; j <= rows; j += 1) {
    const f = j / rows;
    const y = -62 - 168 * f;
    const shoulder = eased((f - 0.62) / 0.5);
    const x = 52 + 6 * f + 85 * shoulder;
    // Within the nape's hair at its top.
    const z = 47 + 8 * eased(f / 0.35) + 12 * shoulder;
    const back = -22 - 12 * f;
    for (let i = 0; i <= columns; i += 1) {
      const a = (i / columns) * 2 * PI;
      const corner = solid.corner(
        x * sin(a) * skull.x,
        (y - 26 * shoulder * abs(sin(a))) * skull.y,
        (back + z * cos(a)) * skull.z,
        SKIN,
      );
      if (first < 0) first = corner;
    }
  }
  addGrid(solid, first, rows, columns);
}
