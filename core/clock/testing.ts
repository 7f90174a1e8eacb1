import type { Block, BlockFoil, Strength } from '.';

/** What tests say of foils that are all alike. */
export interface Alike {
  readonly seconds: readonly number[];
  readonly readyMinutes: number;
  readonly limitMinutes: number;
  readonly mix: string;
  readonly part?: BlockFoil['part'];
}

const TEN: Alike = { seconds: new Array<number>(10).fill(60), readyMinutes: 20, limitMinutes: 45, mix: 'A' };

const foilsAlike = ({ seconds, readyMinutes, limitMinutes, mix, part }: Alike): BlockFoil[] =>
  seconds.map((value) => ({
    seconds: value,
    mixes: [mix],
    readyMinutes,
    limitMinutes,
    ...(part && { part }),
  }));

/** A panel of ten foils alike, a minute each, ready after 20 minutes and off within 45. */
export function blockOf(
  i: number,
  {
    others,
    ...part
  }: Partial<Omit<Block, 'others'> & Alike> & { readonly others?: readonly StrengthAlike[] } = {},
): Block {
  const {
    seconds = TEN.seconds,
    readyMinutes = TEN.readyMinutes,
    limitMinutes = TEN.limitMinutes,
    mix = TEN.mix,
    part: where,
    ...rest
  } = part;
  const foils = part.foils ?? foilsAlike({ seconds, readyMinutes, limitMinutes, mix, part: where });
  return {
    id: `p${i}`,
    panel: `p${i}`,
    name: `Panel ${i + 1}`,
    ...rest,
    foils,
    ...(others && { others: others.map((strengthAlike) => strengthOf(strengthAlike, foils)) }),
  };
}

export type StrengthAlike = Pick<Strength, 'mix' | 'steps'> & {
  readonly readyMinutes: number;
  readonly limitMinutes: number;
};

/** Another strength for the same foils. */
const strengthOf = (
  { mix, steps, readyMinutes, limitMinutes }: StrengthAlike,
  foils: readonly BlockFoil[],
): Strength => ({
  mix,
  steps,
  volumes: Number(/\d+/.exec(mix)?.[0] ?? 20),
  foils: foils.map(({ seconds }) => ({ seconds, mixes: [mix], readyMinutes, limitMinutes })),
});
