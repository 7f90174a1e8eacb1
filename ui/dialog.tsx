'use client';

import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { CloseIcon } from './icons';

interface DialogProps {
  open: boolean;
  onOpenChange(open: boolean): void;
  title: string;
  /** Takes most of the window: for things to choose from by looking. */
  wide?: boolean;
  /** Somewhat wider than a small form. */
  middle?: boolean;
  children: ReactNode;
}

/** A small window over the page; Escape and the cross close it. It hangs from its top: what comes a moment later must not move what is pressed. */
export function Dialog({ open, onOpenChange, title, wide = false, middle = false, children }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed left-1/2 z-50 -translate-x-1/2 overflow-auto rounded-[8px] bg-raised p-6 shadow-2xl ${wide ? 'top-[4dvh] max-h-[92dvh] w-[min(1180px,97vw)]' : `top-[9dvh] max-h-[86dvh] ${middle ? 'w-[min(680px,94vw)]' : 'w-[min(480px,92vw)]'}`}`}
        >
          <div className="mb-4 flex items-center justify-between">
            <Radix.Title className="text-xl font-bold wide">{title}</Radix.Title>
            <Radix.Close aria-label="Close" className="-mr-2 grid size-[44px] place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink">
              <CloseIcon />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
