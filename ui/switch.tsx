'use client';

import { Switch as Radix } from 'radix-ui';

/** On or off, at once. */
export function Switch({ label, on, onChange }: { label: string; on: boolean; onChange(on: boolean): void }) {
  return (
    <Radix.Root
      aria-label={label}
      checked={on}
      onCheckedChange={onChange}
      className="relative h-6 w-10 shrink-0 after:absolute after:-inset-2.5 after:content-[''] rounded-full border border-edge bg-field eases data-[state=checked]:border-leaf data-[state=checked]:bg-leaf"
    >
      <Radix.Thumb className="block size-4 translate-x-1 rounded-full bg-edge transition-transform data-[state=checked]:translate-x-[18px] data-[state=checked]:bg-field" />
    </Radix.Root>
  );
}
