/** How a foil's hair is gathered, as far as a glyph shows it: solid, broken in the proportion of stitch to gap, or toothed. */
export type GlyphGather =
  | { readonly kind: 'slice' }
  | { readonly kind: 'weave'; readonly stitchMm: number; readonly gapMm: number }
  | { readonly kind: 'zigzag'; readonly pointMm: number };

/** Foil glyph of the ribbon: an upright foil on bark, lit where hair is picked; darkened where colour is laid. */
export function FoilGlyph({
  gather,
  width,
  height,
  deposits = false,
}: {
  gather: GlyphGather;
  width: number;
  height: number;
  deposits?: boolean;
}) {
  const fill = deposits ? 'var(--color-dusk-glyph)' : 'var(--color-sun)';
  const bar = Math.max(3, width - 4);
  const x = (width - bar) / 2;
  if (gather.kind === 'slice') {
    return <rect x={x} y={3} width={bar} height={height - 6} rx={1} fill={fill} />;
  }
  if (gather.kind === 'zigzag') {
    const tooth = Math.max(4, gather.pointMm * 1.6);
    const count = Math.max(1, Math.floor((height - 6) / tooth));
    const top = (height - count * tooth) / 2;
    const points = Array.from(
      { length: count },
      (_, i) => `${x},${top + i * tooth} ${x + bar},${top + (i + 0.5) * tooth} ${x},${top + (i + 1) * tooth}`,
    );
    return <polygon points={points.join(' ')} fill={fill} />;
  }
  const { stitchMm: stitch, gapMm: gap } = gather;
  // Real proportion at a scale at which a fine weave still shows: 1 mm is 1.6 px, at least 2 px a stitch.
  const scale = Math.max(1.6, 2 / stitch);
  const step = (stitch + gap) * scale;
  const count = Math.max(1, Math.floor((height - 6 + gap * scale) / step));
  const top = (height - (count * step - gap * scale)) / 2;
  const stitches = Array.from(
    { length: count },
    (_, i) => `M${x} ${(top + i * step).toFixed(1)}h${bar}v${(stitch * scale).toFixed(1)}h${-bar}z`,
  );
  // One shape for all stitches: a full head has a thousand of them.
  return <path d={stitches.join('')} fill={fill} />;
}
