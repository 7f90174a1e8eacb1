'use client';

import { useState } from 'react';
import { placeWords, type ColourPlace } from '@/core/visit';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { PlaceEditor } from './place-editor';

/** Where a colour goes, in words; pressed, it opens what can be chosen. */
export function PlaceField({ place, onChange }: { place: ColourPlace; onChange(place: ColourPlace): void }) {
  const [open, setOpen] = useState(false);
  const words = placeWords(place);
  return (
    <div>
      <span className="mb-1 block text-sm font-semibold">Where</span>
      <button
        type="button"
        aria-label={`Where: ${words}`}
        title={words}
        onClick={() => setOpen(true)}
        className="h-[40px] w-full pointer-coarse:h-[44px] truncate rounded-ui border border-edge bg-field px-2 text-left text-base font-medium hover:border-ink"
      >
        {words}
      </button>
      <Dialog open={open} onOpenChange={setOpen} title="Where" middle>
        <PlaceEditor place={place} onChange={onChange} />
        <div className="mt-4 flex justify-end">
          <Button look="primary" onClick={() => setOpen(false)}>
            Done
          </Button>
        </div>
      </Dialog>
    </div>
  );
}
