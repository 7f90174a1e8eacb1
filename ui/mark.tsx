/**
 * Our mark: three foils of the ribbon side by side – solid, woven, finely woven – under a leaf's edge of
 * light.
 */
export function Mark({ size = 28 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path d="M5 0h15q12 0 12 12v15q0 5-5 5H12Q0 32 0 20V5q0-5 5-5z" fill="#1d6b4c" />
      <g fill="#f0b93a">
        <rect x="6.5" y="7" width="5" height="18" rx="1" />
        <path d="M13.5 7h5v4h-5zM13.5 14h5v4h-5zM13.5 21h5v4h-5z" />
        <path d="M20.5 7h5v2h-5zM20.5 11h5v2h-5zM20.5 15h5v2h-5zM20.5 19h5v2h-5zM20.5 23h5v2h-5z" />
      </g>
    </svg>
  );
}
