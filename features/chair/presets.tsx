'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';

/** The usual reasons, one tap each, or one's own words. */
export function Presets({
  words,
  label,
  onTake,
}: {
  words: readonly string[];
  label: string;
  onTake(words: string): void;
}) {
  const [own, setOwn] = useState('');
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-2">
        {words.map((one) => (
          <Button key={one} className="h-14 text-lg" onClick={() => onTake(one)}>
            {one}
          </Button>
        ))}
      </div>
      <form
        className="grid grid-cols-[1fr_auto] items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (own.trim() !== '') onTake(own.trim());
        }}
      >
        <TextField
          label={label}
          value={own}
          maxLength={500}
          onChange={(event) => setOwn(event.target.value)}
        />
        <Button type="submit" disabled={own.trim() === ''}>
          Save
        </Button>
      </form>
    </div>
  );
}
