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

const normal = (x: number, y: number, z: number): Axis => {
  const size = Math.sqrt(x * x + y * y + z * z);
  return [x / size, y / size, z / size];
};

/** Daylight comes from a window at the onlooker's left, soft and a little cool; salon light from above, warm and harder. Working assumptions. */
export const LIGHTING: Readonly<Record<Lamp, Lighting>> = {
  daylight: { from: normal(-0.45, 0.55, 0.7), behind: normal(0.55, 0.45, -0.7), lamp: [0.98, 1, 1.03] },
  salon: { from: normal(0.12, 0.86, 0.5), behind: normal(-0.6, 0.35, -0.7), lamp: [1.09, 1, 0.86] },
};
