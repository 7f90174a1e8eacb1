'use client';

import { useState } from 'react';
import { Hair } from './hair-form';
import { Regrowth, RegrowthMap } from './regrowth';
import { Wish } from './wish-form';

/** The consultation in the order in which it is held: the wish, the head and hair, the regrowth. */
export function ConsultStep() {
  const [family, setFamily] = useState<string>();
  return (
    <main className="grid h-full grid-cols-[340px_minmax(0,1fr)_276px]">
      <section aria-label="Wish" className="overflow-y-auto border-r border-line bg-raised px-5 py-4">
        <Wish />
        <Hair />
      </section>
      <RegrowthMap family={family} onFamily={setFamily} />
      <Regrowth family={family} onFamily={setFamily} />
    </main>
  );
}
