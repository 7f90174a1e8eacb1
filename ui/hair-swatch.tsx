/**
 * A swatch that looks like a lock of hair: strands a little lighter and darker than the colour given (CSS).
 */
export function HairSwatch({
  colour,
  width = 28,
  height = 20,
}: {
  colour: string;
  width?: number;
  height?: number;
}) {
  const strands = Array.from({ length: Math.round(width / 4) }, (_, i) => 2 + i * 4);
  return (
    <svg width={width} height={height} className="inline-block rounded-[4px] align-middle" aria-hidden="true">
      <rect width={width} height={height} fill={colour} />
      {strands.map((x, i) => (
        <path
          key={x}
          d={`M${x} 0q${i % 2 ? 2 : -2} ${height / 2} 0 ${height}`}
          fill="none"
          strokeWidth="1.2"
          stroke={i % 3 === 0 ? 'rgb(255 255 255 / .22)' : 'rgb(0 0 0 / .16)'}
        />
      ))}
    </svg>
  );
}
