/** How a foil's hair is gathered, as far as a glyph shows it: solid, or broken in the proportion of stitch to gap. */
export interface GlyphGather {
  readonly kind: 'slice' | 'weave';
  readonly stitchMm?: number;
  readonly gapMm?: number;
}

/** Foil glyph of the ribbon: an upright foil on bark, lit where hair is picked. */
export function FoilGlyph({ gather, width, height }: { gather: GlyphGather; width: number; height: number }) {
  const bar = Math.max(3, width - 4);
  const x = (width - bar) / 2;
  if (gather.kind === 'slice') {
    return <rect x={x} y={3} width={bar} height={height - 6} rx={1} fill="var(--color-sun)" />;
  }
  const stitch = gather.stitchMm ?? 2;
  const gap = gather.gapMm ?? 2;
  // Real proportion at a scale at which a fine weave still shows: 1 mm is 1.6 px, at least 2 px a stitch.
  const scale = Math.max(1.6, 2 / stitch);
  const step = (stitch + gap) * scale;
  const count = Math.max(1, Math.floor((height - 6 + gap * scale) / step));
  const top = (height - (count * step - gap * scale)) / 2;
  return (
    <>
      {Array.from({ length: count }, (_, i) => (
        <rect key={i} x={x} y={top + i * step} width={bar} height={stitch * scale} fill="var(--color-sun)" />
      ))}
    </>
  );
}
