'use client';

import { useId, type KeyboardEvent } from 'react';
import type { Foil } from '@/core/pattern';
import { useUnits } from '../../house/context';
import { useVisit } from '../../visit/store';
import { foilWords } from '../foil-words';

/**
 * The foils of the opened head for those who work without a pointer: arrow keys go from foil to foil, and
 * each says its measures.
 */
export function FoilKeys() {
  const { plan, computed, selected, select } = useVisit();
  const { say } = useUnits();
  const id = useId();
  const { foils } = computed.sheet;
  const at = foils.findIndex((other) => other.id === selected.foil);
  const foil: Foil | undefined = foils[at];
  const panel = plan.panels.find((other) => other.id === foil?.panel);
  const words = foil && panel ? foilWords(foil, panel, say) : undefined;
  if (foils.length === 0) return null;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const next =
      at < 0 && event.key.startsWith('Arrow')
        ? (foils.find((other) => other.panel === selected.panel) ?? foils[0])
        : neighbour(foils, at, event.key);
    if (!next) return;
    event.preventDefault();
    select(next.panel, next.id);
  };
  return (
    <div
      role="listbox"
      tabIndex={0}
      aria-label="Foils, by arrow keys"
      aria-activedescendant={words ? `${id}-foil` : undefined}
      onKeyDown={onKeyDown}
      className="pointer-events-none absolute inset-0 rounded-ui"
    >
      {words && (
        <span
          id={`${id}-foil`}
          role="option"
          aria-selected
          className="sr-only"
        >{`${words.place}: ${words.measures}`}</span>
      )}
      {!words && (
        <span role="option" aria-selected={false} className="sr-only">
          No foil chosen
        </span>
      )}
    </div>
  );
}

/**
 * The foil that an arrow key leads to: before or after it in the order of work, or the nearest in the row
 * before or after.
 */
function neighbour(foils: readonly Foil[], at: number, key: string): Foil | undefined {
  const foil = foils[at];
  switch (key) {
    case 'ArrowRight':
      return foils[at + 1];
    case 'ArrowLeft':
      return foils[at - 1];
    case 'Home':
      return foils[0];
    case 'End':
      return foils.at(-1);
    case 'ArrowUp':
    case 'ArrowDown': {
      const row = foil.row + (key === 'ArrowUp' ? 1 : -1);
      return foils
        .filter((other) => other.panel === foil.panel && other.row === row)
        .sort((a, b) => Math.abs(a.column - foil.column) - Math.abs(b.column - foil.column))[0];
    }
    default:
      return undefined;
  }
}
