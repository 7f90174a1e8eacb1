'use client';

import { useMemo } from 'react';
import {
  HAIRLINE_SHAPES,
  makeHead,
  openedHairline,
  type HairlineShape,
  type HairlineSide,
} from '@/core/head';
import { NumberField } from '@/ui/number-field';
import { pathThrough } from '../../head/scalp-map';
import { StepLink } from '../../visit/step-link';
import { Choice, Questions } from '../question';
import { readMm } from '../read-figures';
import { STRANDS } from '../strands';
import { useAnswers } from '../use-answers';

const SHAPE_WORDS: Record<HairlineShape, string> = {
  round: 'Round',
  straight: 'Straight',
  pointed: 'Pointed',
  receding: 'Receding',
};
const isOwn = (side: HairlineSide) => typeof side !== 'string';

/** The shape of the head and its hairline, and the hair all over. */
export function HeadChapter() {
  const { consult, setHead, setHair } = useAnswers();
  const { head, hair } = consult;
  const setSide = (side: 'left' | 'right', shape: HairlineShape) =>
    setHead(`hairline, ${side}`, { hairline: { ...head.hairline, [side]: shape } });
  return (
    <div className="grid gap-6">
      <Questions title="Hairline">
        <div className="grid gap-4 xl:grid-cols-2">
          {(['left', 'right'] as const).map((side) => (
            <fieldset key={side}>
              <legend className="mb-1 text-sm font-semibold">
                Hairline, {side}
                {isOwn(head.hairline[side]) && (
                  <span className="font-normal text-ink-soft">: as dragged</span>
                )}
              </legend>
              <div className="grid grid-cols-4 gap-2">
                {HAIRLINE_SHAPES.map((shape) => (
                  <button
                    key={shape}
                    type="button"
                    aria-label={`Hairline, ${side}: ${SHAPE_WORDS[shape]}`}
                    aria-pressed={head.hairline[side] === shape}
                    onClick={() => setSide(side, shape)}
                    className={`rounded-ui border p-1 text-xs font-semibold ${head.hairline[side] === shape ? 'border-leaf bg-leaf-pale' : 'border-edge bg-field hover:border-ink'}`}
                  >
                    <ShapeDrawing shape={shape} side={side} />
                    {SHAPE_WORDS[shape]}
                  </button>
                ))}
              </div>
            </fieldset>
          ))}
        </div>
        <p className="text-sm text-ink-soft">
          A hairline of its own is dragged by its landmarks:{' '}
          <StepLink step="pattern" className="font-semibold text-leaf underline">
            Pattern
          </StepLink>
          , then Hairline.
        </p>
      </Questions>
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
        <Questions title="Measured arcs">
          <NumberField
            label="Head circumference"
            unit="mm"
            min={440}
            max={680}
            value={head.circumferenceMm}
            parse={readMm}
            onChange={(mm) => mm !== undefined && setHead('head circumference', { circumferenceMm: mm })}
          />
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label="Ear over the top to ear"
              unit="mm"
              min={250}
              max={450}
              value={head.earToEarMm ?? undefined}
              placeholder="average"
              parse={readMm}
              onChange={(mm) => setHead('ear to ear', { earToEarMm: mm ?? null })}
            />
            <NumberField
              label="Hairline to nape"
              unit="mm"
              min={250}
              max={460}
              value={head.frontToNapeMm ?? undefined}
              placeholder="average"
              parse={readMm}
              onChange={(mm) => setHead('front to nape', { frontToNapeMm: mm ?? null })}
            />
          </div>
        </Questions>
        <Questions title="Hair, all over">
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label="Hair length"
              unit="mm"
              min={20}
              max={1200}
              value={hair.lengthMm}
              parse={readMm}
              onChange={(mm) => mm !== undefined && setHair('hair length', { lengthMm: mm })}
            />
            <NumberField
              label="Density, average 170"
              unit="/cm²"
              min={60}
              max={320}
              value={hair.densityPerCm2}
              parse={readMm}
              onChange={(density) => density !== undefined && setHair('density', { densityPerCm2: density })}
            />
          </div>
          <Choice
            label="Strand"
            value={hair.strand}
            options={STRANDS}
            onChange={(strand) => setHair('strand', { strand })}
            hint="Zones that differ are painted on the hair map."
          />
        </Questions>
      </div>
    </div>
  );
}

/** The front of the opened head with this hairline: drawn by the same geometry as the plan. */
function ShapeDrawing({ shape, side }: { shape: HairlineShape; side: 'left' | 'right' }) {
  const path = useMemo(() => {
    const head = makeHead({
      circumferenceMm: 550,
      earToEarMm: null,
      frontToNapeMm: null,
      hairline: { left: shape, right: shape },
      crown: { behindApexMm: 50, leftMm: 0, whorl: 'none' },
    });
    return pathThrough(openedHairline(head, 360), true);
  }, [shape]);
  return (
    <svg viewBox={side === 'left' ? '-92 -122 104 84' : '-12 -122 104 84'} className="w-full" aria-hidden>
      <path d={path} fill="var(--color-ink)" fillOpacity="0.72" />
    </svg>
  );
}
