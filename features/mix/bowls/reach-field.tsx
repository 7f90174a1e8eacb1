'use client';

import type { Reach } from '@/core/visit';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { useVisit } from '../../visit/store';
import { readAmount } from '../amounts';

const REACH = [
  { value: 'ends', words: 'to the ends' },
  { value: 'regrowth', words: 'regrowth only' },
  { value: 'stretch', words: 'from … to' },
] as const;

/** How far along the hair a formula is painted. */
export function ReachField({
  letter,
  reach,
  onChange,
}: {
  letter: string;
  reach: Reach;
  onChange(words: string, reach: Reach): void;
}) {
  const { plan } = useVisit();
  const kind = typeof reach === 'string' ? reach : 'stretch';
  const stretch = typeof reach === 'string' ? { fromMm: 0, toMm: Math.round(plan.hair.lengthMm / 2) } : reach;
  return (
    <div className="grid gap-2">
      <p aria-hidden className="-mb-1 text-sm font-semibold">
        Painted
      </p>
      <Segmented
        label="Painted"
        value={kind}
        options={REACH}
        onChange={(next) =>
          onChange(
            next === 'ends'
              ? 'painted to the ends'
              : next === 'regrowth'
                ? 'painted on the regrowth only'
                : 'painted on a stretch',
            next === 'stretch' ? stretch : next,
          )
        }
      />
      {kind === 'stretch' && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label={`${letter} begins`}
            unit="mm"
            min={0}
            max={1199}
            value={stretch.fromMm}
            parse={readAmount}
            onChange={(fromMm) =>
              fromMm !== undefined &&
              fromMm < stretch.toMm &&
              onChange('where it begins', { ...stretch, fromMm })
            }
          />
          <NumberField
            label={`${letter} ends`}
            unit="mm"
            min={1}
            max={1200}
            value={stretch.toMm}
            parse={readAmount}
            onChange={(toMm) =>
              toMm !== undefined && toMm > stretch.fromMm && onChange('where it ends', { ...stretch, toMm })
            }
          />
        </div>
      )}
    </div>
  );
}
