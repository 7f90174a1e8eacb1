import { depthOf, outlineOf, stitchShapes, type SingleGather } from '@/core/pattern';
import { closedPath } from './closed-path';

/** At least so many px a mm, and for each stitch: in real proportion, at a scale at which a fine weave still shows. */
const SCALE = 1.6;
const LEAST_STITCH = 2;

/**
 * Foil glyph of the ribbon: an upright foil on bark, lit where hair is picked, in real proportion; darkened where
 * colour is laid.
 */
export function FoilGlyph({
  gather,
  width,
  height,
  deposits = false,
}: {
  gather: SingleGather;
  width: number;
  height: number;
  deposits?: boolean;
}) {
  const fill = deposits ? 'var(--color-dusk-glyph)' : 'var(--color-sun)';
  const bar = Math.max(3, width - 4);
  const x = (width - bar) / 2;
  const room = height - 6;
  if (gather.kind === 'slice') return <rect x={x} y={3} width={bar} height={room} rx={1} fill={fill} />;
  const [first] = stitchShapes(gather, room / SCALE);
  const scale = Math.max(SCALE, LEAST_STITCH / (first.at(-1)!.alongMm - first[0].alongMm));
  const shapes = stitchShapes(gather, room / scale);
  const end = shapes.at(-1)!.at(-1)!.alongMm * scale;
  const deepest = depthOf(gather);
  // One shape for all stitches: a full head has a thousand of them.
  const d = shapes.map((shape) =>
    closedPath(
      outlineOf(shape).map(([along, share]) => [
        x + (bar * share) / deepest,
        (height - end) / 2 + along * scale,
      ]),
    ),
  );
  return <path d={d.join('')} fill={fill} />;
}
