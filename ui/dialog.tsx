'use client';

import clsx from 'clsx';
import { Dialog as Radix } from 'radix-ui';
import { useRef, useState, type ReactNode } from 'react';
import { Button } from './button';
import { CloseIcon } from './icons';
import { UNSAVED } from './unsaved-forms';
import { useBackCloses } from './use-back-closes';

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

/** Where a person begins in a dialog. */
const FIELD = [
  'input:not([type=hidden],[type=file])',
  'select',
  'textarea',
  '[role=radio][tabindex="0"]',
  '[role=switch]',
  '[role=combobox]',
]
  .map((own) => `${own}:not([disabled],[aria-hidden=true])`)
  .join();

/** What the focus goes back to: an entry of a menu is gone by then, the button of the menu is not. */
function openerOf(active: Element | null): Element | null {
  const menu = active?.closest('[role=menu]');
  return menu ? document.getElementById(menu.getAttribute('aria-labelledby') ?? '') : active;
}

/**
 * A small window over the page; Escape, Back and the cross close it, and ask first where a form in it was
 * changed. It hangs
 * from its top: what comes a moment later must not move what is pressed. On a phone it comes from below.
 */
export function Dialog({ open, onOpenChange, title, wide = false, middle = false, children }: DialogProps) {
  const content = useRef<HTMLDivElement>(null);
  const cameFrom = useRef<Element>(null);
  const [asks, setAsks] = useState(false);
  const closesByHand = useBackCloses(open, () => {
    if (content.current?.querySelector(UNSAVED)) {
      setAsks(true);
      return false;
    }
    onOpenChange(false);
    return true;
  });
  const close = () => {
    setAsks(false);
    closesByHand();
    onOpenChange(false);
  };
  const change = (next: boolean) => {
    if (next) return onOpenChange(true);
    if (content.current?.querySelector(UNSAVED)) return setAsks(true);
    close();
  };
  return (
    <Radix.Root open={open} onOpenChange={change}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Radix.Content
          ref={content}
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            cameFrom.current = openerOf(document.activeElement);
            const field = content.current?.querySelector<HTMLElement>(FIELD);
            if (!field) return;
            event.preventDefault();
            field.focus();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (cameFrom.current instanceof HTMLElement) cameFrom.current.focus();
          }}
          className={clsx(
            'fixed z-50 overflow-auto bg-raised shadow-2xl',
            'max-md:inset-x-0 max-md:bottom-0 max-md:max-h-[92dvh] max-md:rounded-t-[12px] max-md:px-4 max-md:pt-3 max-md:pb-6',
            'md:left-1/2 md:-translate-x-1/2 md:rounded-[8px] md:p-6',
            wide
              ? 'md:top-[4dvh] md:max-h-[92dvh] md:w-[min(1180px,97vw)]'
              : `md:top-[9dvh] md:max-h-[86dvh] ${middle ? 'md:w-[min(42rem,94vw)]' : 'md:w-[min(30rem,92vw)]'}`,
          )}
        >
          <div className="mb-4 flex items-center justify-between">
            <Radix.Title className="text-xl font-bold wide">{title}</Radix.Title>
            <Radix.Close
              aria-label="Close"
              className="-mr-2 grid size-[44px] place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink"
            >
              <CloseIcon />
            </Radix.Close>
          </div>
          {asks && (
            <div
              role="alert"
              className="mb-4 flex flex-wrap items-center gap-3 rounded-ui bg-amber-pale p-3 text-base"
            >
              <p className="min-w-0 flex-1 font-semibold">Close without saving?</p>
              <Button small onClick={() => setAsks(false)} autoFocus>
                Go on editing
              </Button>
              <Button small onClick={close}>
                Discard
              </Button>
            </div>
          )}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
