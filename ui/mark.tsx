/** Our mark: light through a lattice of foils. */
export function Mark({ size = 28 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <rect width="32" height="32" rx="7" fill="#17251f" />
      <g fill="none" stroke="#f0b93a" strokeLinecap="round" strokeWidth="2.6">
        <path d="M7 12c5-4.6 13-4.6 18 0" />
        <path d="M6.5 18.5c5.5-4.6 13.5-4.6 19 0" strokeDasharray="3.2 4.2" />
        <path d="M8 25c4.6-4 11.4-4 16 0" strokeDasharray="1.2 4.6" />
      </g>
    </svg>
  );
}
