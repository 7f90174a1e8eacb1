'use client';

import { useMemo, type ReactNode } from 'react';
import {
  bareLength,
  celsiusOf,
  fahrenheitOf,
  GRAMS_PER_OUNCE,
  inMeasures,
  parseLength,
  percentOf,
  volumesOf,
  type Measures,
} from '@/core/units';
import { FiguresProvider, type Figures, type ShownUnit } from '@/ui/measures';

const figure = (text: string): number | undefined =>
  /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;

function converted(
  unit: string,
  out: (value: number) => number,
  back: (value: number) => number,
  digits: number,
): ShownUnit {
  return {
    unit,
    show: (value) => String(Number(out(value).toFixed(digits))),
    read: (text) => {
      const value = figure(text);
      // What is kept is no finer than what scales and bottles tell.
      return value === undefined ? undefined : Math.round(100 * back(value)) / 100;
    },
  };
}

/** Fields and sentences in the units of a house. */
function figuresIn(measures: Measures): Figures {
  const { lengths, amounts, strengths, temperatures } = measures;
  const own: Record<string, ShownUnit> = {
    ...(strengths === '%' && { vol: converted('%', percentOf, volumesOf, 1) }),
    ...(amounts === 'oz' && {
      g: converted(
        'oz',
        (grams) => grams / GRAMS_PER_OUNCE,
        (ounces) => ounces * GRAMS_PER_OUNCE,
        2,
      ),
    }),
    ...(temperatures === 'F' && { '°C': converted('°F', fahrenheitOf, celsiusOf, 0) }),
    ...(lengths !== 'mm' && {
      mm: {
        unit: lengths,
        show: (mm: number) => bareLength(mm, lengths).replace(/"$/, ''),
        read: (text: string) => {
          const read = parseLength(text, lengths);
          return read.ok ? Math.round(10 * read.mm) / 10 : undefined;
        },
      },
    }),
  };
  return {
    shown: (unit) => own[unit] ?? { unit, show: (value) => String(value) },
    said: (text) => inMeasures(text, measures),
  };
}

/** In what a house says its figures, for everything under it. */
export function MeasuresProvider({ measures, children }: { measures: Measures; children: ReactNode }) {
  const figures = useMemo(() => figuresIn(measures), [measures]);
  return <FiguresProvider figures={figures}>{children}</FiguresProvider>;
}
