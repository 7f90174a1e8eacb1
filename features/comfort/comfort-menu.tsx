'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { Dialog } from '@/ui/dialog';
import { MoreIcon } from '@/ui/icons';
import { Menu } from '@/ui/menu';
import { comfortCookie, readComfort, type Comfort } from './comfort';

/** One row of the sheet of shortcuts. */
const SHORTCUTS: readonly (readonly [keys: string, does: string])[] = [
  ['[ and ]', 'the step before and after'],
  ['Ctrl + Z', 'undo'],
  ['Ctrl + Shift + Z', 'redo'],
  ['Alt + ↑ ↓', 'move a panel in the order of work'],
  ['← →', 'one step on a slider; Home and End for its ends'],
  ['← → ↑ ↓ on the opened head', 'from foil to foil, each with its measures'],
  ['← → ↑ ↓ on a grip', 'move it by 1 mm; with Shift by 10'],
  ['← → ↑ ↓ on the round head', 'turn it; + and − enlarge; 1 to 5 jump to a view'],
  ['Tab', 'the next control; Shift + Tab the one before'],
  ['Esc', 'close what is open'],
  ['?', 'this sheet'],
];

const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const current = () => `${document.documentElement.dataset.theme}.${document.documentElement.dataset.hand}`;

/** Theme, hand and the sheet of shortcuts, behind one button; ? opens the sheet from anywhere. */
export function ComfortMenu() {
  const [sheet, setSheet] = useState(false);
  const words = useSyncExternalStore(subscribe, current, () => 'day.right');
  const comfort = readComfort(`lattice-comfort=${words}`);
  const set = (next: Comfort) => {
    document.cookie = comfortCookie(next);
    document.documentElement.dataset.theme = next.theme;
    document.documentElement.dataset.hand = next.hand;
    listeners.forEach((listener) => listener());
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLInputElement ||
        event.target instanceof HTMLTextAreaElement ||
        event.target instanceof HTMLSelectElement;
      if (event.key !== '?' || typing || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      setSheet(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <Menu
        label="View and shortcuts"
        trigger={<MoreIcon />}
        className="grid size-10 place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink"
        items={[
          {
            words: comfort.theme === 'dim' ? 'Day theme' : 'Dim theme',
            hint: 'for this device',
            choose: () => set({ ...comfort, theme: comfort.theme === 'dim' ? 'day' : 'dim' }),
          },
          {
            words: comfort.hand === 'left' ? 'Right-handed' : 'Left-handed',
            hint: 'panels and recipe change sides',
            choose: () => set({ ...comfort, hand: comfort.hand === 'left' ? 'right' : 'left' }),
          },
          { words: 'Shortcuts', hint: '?', choose: () => setSheet(true) },
        ]}
      />
      <Dialog open={sheet} onOpenChange={setSheet} title="Shortcuts">
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-base">
          {SHORTCUTS.map(([keys, does]) => (
            <div key={keys} className="contents">
              <dt className="font-semibold whitespace-nowrap">{keys}</dt>
              <dd className="text-ink-soft">{does}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </>
  );
}
