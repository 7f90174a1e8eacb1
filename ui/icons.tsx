import type { ReactNode } from 'react';

function Icon({ children, size = 18 }: { children: ReactNode; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 18 18"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.7"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
    >
      {children}
    </svg>
  );
}

export const CloseIcon = () => (
  <Icon>
    <path d="M4 4l10 10M14 4L4 14" />
  </Icon>
);
export const BackIcon = () => (
  <Icon>
    <path d="M11 3.5L5.5 9l5.5 5.5" />
  </Icon>
);
export const SearchIcon = () => (
  <Icon>
    <circle cx="8" cy="8" r="4.8" />
    <path d="M11.8 11.8L15.5 15.5" />
  </Icon>
);
export const UndoIcon = () => (
  <Icon>
    <path d="M6.5 4L3 7.5 6.5 11" />
    <path d="M3.5 7.5h7a4 4 0 010 8H8" />
  </Icon>
);
export const RedoIcon = () => (
  <Icon>
    <path d="M11.5 4L15 7.5 11.5 11" />
    <path d="M14.5 7.5h-7a4 4 0 000 8H10" />
  </Icon>
);
export const PlusIcon = () => (
  <Icon>
    <path d="M9 3.5v11M3.5 9h11" />
  </Icon>
);
export const WarnIcon = () => (
  <Icon>
    <path d="M9 2.8L16 15H2z" />
    <path d="M9 7.5v3.2M9 12.9v.1" />
  </Icon>
);
export const MoreIcon = () => (
  <Icon>
    <path d="M4 9h.01M9 9h.01M14 9h.01" strokeWidth="2.6" />
  </Icon>
);
/** Points down when what it folds is open. */
export const FoldIcon = ({ open }: { open: boolean }) => (
  <Icon size={14}>{open ? <path d="M4 6.5L9 12l5-5.5" /> : <path d="M6.5 4l5.5 5-5.5 5" />}</Icon>
);
