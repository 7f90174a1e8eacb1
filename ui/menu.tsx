'use client';

import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

interface MenuItem {
  readonly words: string;
  /** A second line, smaller. */
  readonly hint?: string;
  readonly danger?: boolean;
  readonly disabled?: boolean;
  choose(): void;
}

interface MenuProps {
  label: string;
  trigger: ReactNode;
  items: readonly MenuItem[];
  className?: string;
}

/** Things to do with something, behind a button. */
export function Menu({ label, trigger, items, className }: MenuProps) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger aria-label={label} className={className}>
        {trigger}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 max-h-[min(70dvh,var(--radix-dropdown-menu-content-available-height))] min-w-52 overflow-y-auto rounded-[8px] border border-line bg-raised p-1 shadow-2xl"
        >
          {items.map(({ words, hint, danger, disabled, choose }) => (
            <DropdownMenu.Item
              key={words}
              disabled={disabled}
              onSelect={choose}
              className={`cursor-pointer rounded-ui px-3 py-2 text-base outline-none data-[disabled]:cursor-default data-[disabled]:text-edge data-[highlighted]:bg-leaf-pale ${danger ? 'text-rowan' : ''}`}
            >
              <span className="block font-medium">{words}</span>
              {hint && <span className="block text-xs text-ink-soft">{hint}</span>}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
