/** By which light hair is looked at. */
export const LAMPS = ['daylight', 'salon'] as const;
export type Lamp = (typeof LAMPS)[number];

type Axis = readonly [number, number, number];
type Rgb = readonly [number, number, number];

export interface Lighting {
  /** Towards the lamp, in the onlooker's own right, up and toward; of length one. */
  readonly from: Axis;
  /** Light from behind, that shows through the rim of the hair. */
  readonly behind: Axis;
  /** Linear light of the lamp. */
  readonly lamp: Rgb;
}

/**
 * How hair sends light back: from all sides, across the fibre, a white and a tinted highlight along it at
 * their own angles (at: mean of the
 * cosines to lamp and eye; sharp: power of the cosine), and what comes through from behind. Each strand is
 * lighter or darker than the mean by
 * up to `own`. The computed picture and the graphics card go by the same figures. Working assumptions.
 */
export const FIBRE = {
  around: 0.34,
  across: 0.66,
  white: { most: 0.13, at: 0.07, sharp: 70 },
  tinted: { most: 0.9, at: -0.12, sharp: 26 },
  rim: 0.3,
  own: 0.13,
} as const;

/** The bust's own colour, linear light: a quiet one that leaves the eye to the hair; light wraps round it. */
export const BUST = { rgb: [0.56, 0.47, 0.415], around: 0.3, lamp: 0.62, wraps: 0.35 } as const;

/** What is lighter than this comes near white slowly, linear light. */
export const SHOULDER = 0.72;
/** Light that is left after so many strands: e^(−0.05 × strands). */
export const STOPS = 0.05;

const normal = (x: number, y: number, z: number): Axis => {
  const size = Math.sqrt(x * x + y * y + z * z);
  return [x / size, y / size, z / size];
};

/**
 * Daylight comes from a window at the onlooker's left, soft and a little cool; salon light from above, warm
 * and harder. Working assumptions.
 */
export const LIGHTING: Readonly<Record<Lamp, Lighting>> = {
  daylight: { from: normal(-0.45, 0.55, 0.7), behind: normal(0.55, 0.45, -0.7), lamp: [0.98, 1, 1.03] },
  salon: { from: normal(0.12, 0.86, 0.5), behind: normal(-0.6, 0.35, -0.7), lamp: [1.09, 1, 0.86] },
};
