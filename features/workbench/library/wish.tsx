'use client';

import { entriesOf } from '@/core/units';
import type { ReactNode } from 'react';
import { TECHNIQUE_GROUPS, type TechniqueGroup } from '@/core/formats';
import { TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';

/** What is looked for among patterns. */
export interface Wish {
  readonly group: TechniqueGroup | 'all';
  readonly words: string;
}
export const ANY: Wish = { group: 'all', words: '' };

const GROUPS: readonly { value: Wish['group']; words: string }[] = [
  { value: 'all', words: 'All' },
  ...entriesOf(TECHNIQUE_GROUPS).map(([value, words]) => ({
    value,
    words,
  })),
];

interface Described {
  readonly name: string;
  readonly purpose: string;
  readonly groups: readonly TechniqueGroup[];
}

/** Whether a pattern is of the group and holds every word that is looked for. */
export function fits({ name, purpose, groups }: Described, { group, words }: Wish): boolean {
  const text = `${name} ${purpose} ${groups.map((own) => TECHNIQUE_GROUPS[own]).join(' ')}`.toLowerCase();
  return (
    (group === 'all' || groups.includes(group)) &&
    words
      .toLowerCase()
      .split(/\s+/)
      .every((word) => text.includes(word))
  );
}

/** Looking for a pattern by what is wanted of it, or by a word. @param none nothing fits */
export function WishFields({
  wish,
  onChange,
  none,
  children,
}: {
  wish: Wish;
  onChange(wish: Wish): void;
  none: boolean;
  children?: ReactNode;
}) {
  return (
    <div className="mb-4 grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-[240px]">
          <TextField
            label="Search the patterns"
            type="search"
            value={wish.words}
            maxLength={60}
            onChange={(event) => onChange({ ...wish, words: event.target.value })}
          />
        </div>
        {children}
      </div>
      <Segmented
        label="What is wanted"
        value={wish.group}
        options={GROUPS}
        onChange={(group) => onChange({ ...wish, group })}
      />
      {none && (
        <p role="status" className="py-6 text-center text-base text-ink-soft">
          No pattern fits{wish.words && ` “${wish.words}”`}
          {wish.group !== 'all' && ` under ${TECHNIQUE_GROUPS[wish.group]}`}.
        </p>
      )}
    </div>
  );
}
