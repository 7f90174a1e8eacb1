'use client';

import { ToggleGroup } from 'radix-ui';
import { useVisit } from '../../visit/store';

export type Tool = 'choose' | 'leave-out' | 'hairline';

const TOOLS: readonly { value: Tool; words: string; hint: string }[] = [
  { value: 'choose', words: 'Choose', hint: '' },
  {
    value: 'leave-out',
    words: 'Leave out',
    hint: 'Draw from the tip of a triangle: what it covers stays out of the panel.',
  },
  {
    value: 'hairline',
    words: 'Hairline',
    hint: 'Move the landmarks to this client’s hairline. Sides that are alike stay alike.',
  },
];

/** What the hand does on the opened head. */
export function Tools({ tool, onTool }: { tool: Tool; onTool(tool: Tool): void }) {
  const { plan, selected } = useVisit();
  const panel = plan.panels.find(({ id }) => id === selected.panel);
  const hint = TOOLS.find(({ value }) => value === tool)!.hint;
  return (
    <>
      <ToggleGroup.Root
        type="single"
        orientation="vertical"
        aria-label="What the hand does"
        value={tool}
        onValueChange={(next) => {
          const chosen = TOOLS.find(({ value }) => value === next);
          if (chosen) onTool(chosen.value);
        }}
        className="absolute top-2 left-4 z-10 flex max-xl:-left-[52px] flex-col overflow-hidden rounded-ui border border-edge bg-raised"
      >
        {TOOLS.map(({ value, words }) => (
          <ToggleGroup.Item
            key={value}
            value={value}
            disabled={value === 'leave-out' && !panel}
            className="h-10 border-b border-line px-2.5 text-left text-sm font-semibold last:border-b-0 hover:bg-leaf-pale disabled:text-edge data-[state=on]:bg-leaf data-[state=on]:text-on-leaf"
          >
            {words}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {hint && (
        <p
          role="status"
          className="pointer-events-none absolute top-[122px] left-4 z-10 w-[112px] max-xl:-left-[52px] max-xl:w-[64px] text-xs text-ink-soft"
        >
          {hint}
        </p>
      )}
    </>
  );
}
