import clsx from 'clsx';

const LOOKS = {
  primary:
    'bg-leaf text-on-leaf hover:bg-leaf-dark border border-leaf disabled:bg-ink-soft disabled:border-ink-soft',
  plain: 'bg-raised text-ink border border-edge hover:border-ink disabled:text-ink-soft disabled:border-line',
  quiet: 'text-ink-soft hover:text-ink hover:bg-leaf-pale border border-transparent disabled:opacity-50',
} as const;

export type ButtonLook = keyof typeof LOOKS;

/** Looks of a button, for links that act as one. */
export function buttonLook(look: ButtonLook = 'plain', small = false): string {
  return clsx(
    'inline-flex items-center justify-center gap-2 rounded-ui font-semibold whitespace-nowrap eases disabled:cursor-not-allowed pointer-coarse:shrink-0 print:hidden',
    small ? 'h-[36px] px-3 text-sm pointer-coarse:h-[44px]' : 'h-[44px] px-4 text-base',
    LOOKS[look],
  );
}
