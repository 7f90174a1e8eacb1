'use client';

import { useState } from 'react';
import { blended, blendTo } from '@/core/bowl';
import { NumberField } from '@/ui/number-field';
import { useSaid } from '@/ui/measures';
import { readAmount, tenth, useAmounts } from '../amounts';

/** Developers blended both ways: what these two make, and how much of each makes a strength. */
export function Blender() {
  const { strength } = useAmounts();
  const said = useSaid();
  const [weak, setWeak] = useState({ volumes: 6, grams: 60 });
  const [strong, setStrong] = useState({ volumes: 20, grams: 60 });
  const [wanted, setWanted] = useState({ volumes: 13, grams: 120 });
  const makes = blended([weak, strong]);
  const blend = blendTo(wanted.volumes, wanted.grams, [weak.volumes, strong.volumes]);
  const pour = (
    label: string,
    own: { volumes: number; grams: number },
    set: (next: { volumes: number; grams: number }) => void,
  ) => (
    <>
      <NumberField
        label={`${label}, strength`}
        unit="vol"
        min={0}
        max={40}
        value={own.volumes}
        parse={readAmount}
        onChange={(volumes) => volumes !== undefined && set({ ...own, volumes })}
      />
      <NumberField
        label={`${label}, amount`}
        unit="g"
        min={0}
        max={5000}
        value={own.grams}
        parse={readAmount}
        onChange={(grams) => grams !== undefined && set({ ...own, grams })}
      />
    </>
  );
  return (
    <section aria-label="Blend developers" className="card grid gap-3 p-4">
      <h3 className="text-md font-bold">Blend developers</h3>
      <div className="grid grid-cols-4 gap-3">
        {pour('One', weak, setWeak)}
        {pour('The other', strong, setStrong)}
      </div>
      <p role="status" className="text-base">
        Together: <b className="text-lg">{strength(makes)}</b>,{' '}
        {said(`${tenth(weak.grams + strong.grams)} g`)}.
      </p>
      <div className="grid grid-cols-4 items-end gap-3">
        {pour('Wanted', wanted, setWanted)}
        <p
          role="status"
          className={`col-span-2 pb-2 text-base ${blend.ok ? '' : 'font-semibold text-rowan'}`}
        >
          {blend.ok ? (
            <>
              Take <b className="text-lg">{said(`${tenth(blend.pours[0].grams)} g`)}</b> of{' '}
              {strength(blend.pours[0].volumes)} and{' '}
              <b className="text-lg">{said(`${tenth(blend.pours[1].grams)} g`)}</b> of{' '}
              {strength(blend.pours[1].volumes)}.
            </>
          ) : (
            said(blend.problem)
          )}
        </p>
      </div>
    </section>
  );
}
