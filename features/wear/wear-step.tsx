'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { offsetWords } from '@/core/head';
import { withShadow } from '@/core/mix';
import { shadowOf } from '@/core/visit';
import {
  cameraOf,
  LAMPS,
  MOST_PART_MM,
  MOST_WEEKS,
  VIEW_NAMES,
  type Finding,
  type Lamp,
  type Style,
  type View,
} from '@/core/wear';
import { useSaid } from '@/ui/measures';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { useKept } from '@/ui/use-kept';
import type { Moment, Shown } from '@/workers/wear-asks';
import { useComputed } from '../visit/computed';
import { useUnits } from '../house/context';
import { LengthSlider } from '../house/length-slider';
import { useVisit } from '../visit/store';
import { NO_COMPARISON, comparedWith, comparisonsFor, type ComparisonKey } from './compare';
import { Findings } from './findings';
import { WearPicture } from './picture';
import { Stage } from './stage';
import { useWearSubject } from './subject';
import { useWear } from './use-wear';
import { isParted, ownPart, styleOf, wayOf, WAYS } from './ways';

/** Before the visit, after it, and as it grows out. */
const MOMENTS = ['before', 0, 4, 8, 12] as const;
/** Small pictures are drawn in larger pixels, mm. */
const SMALL_MM = 1.5;

/**
 * How the pattern falls: worn one way or another, moved, grown out, beside another; and what would be
 * noticed.
 */
export function WearStep() {
  const { bundle, plan, mix, computed, editMix } = useVisit();
  const { shelf } = useComputed();
  const { say, read } = useUnits();
  const said = useSaid();
  const shadowMm = shadowOf(mix)?.mm ?? 0;
  // Edits made here (a mend) colour anew when the page has answered.
  const settled = useDeferredValue(plan);
  const subject = useWearSubject(settled);
  const [style, setStyle] = useKept<Style>(
    `${bundle.id}/style`,
    'down',
    WAYS.map(({ key }) => key),
  );
  const [view, setView] = useKept<View>(`${bundle.id}/view`, 'back', VIEW_NAMES);
  const [weeks, setWeeks] = useState(0);
  const [lamp, setLamp] = useKept<Lamp>(`${bundle.id}/lamp`, 'daylight', LAMPS);
  const [movedMm, setMovedMm] = useState(0);
  const [comparison, setComparison] = useState<ComparisonKey>(NO_COMPARISON);
  const [shown, setShown] = useState<Finding>();
  const partMm = Math.min(MOST_PART_MM, Math.max(-MOST_PART_MM, ownPart(subject) + movedMm));
  const way = useMemo(() => wayOf(style, partMm), [style, partMm]);
  const other = useMemo(() => comparedWith(comparison, subject, weeks), [comparison, subject, weeks]);

  const findings = useWear(
    'findings',
    5,
    'findings',
    useMemo(() => ({ subject, weeks, partByMm: partMm - ownPart(subject) }), [subject, weeks, partMm]),
  );
  const strip = useWear(
    'strip',
    4,
    'strip',
    useMemo(
      () => ({ subject, way, view, moments: MOMENTS, lamp, pixelMm: SMALL_MM }),
      [subject, way, view, lamp],
    ),
  );
  const earned = useWear(
    'worth',
    6,
    'worth',
    useMemo(() => ({ subject }), [subject]),
  );
  const see = (finding: Finding) => {
    setShown(finding);
    setStyle(styleOf(finding.way));
    setView(finding.view);
    setMovedMm('partMm' in finding.way ? finding.way.partMm - ownPart(subject) : 0);
  };
  const choose = (key: Style) => {
    setStyle(key);
    setShown(undefined);
  };
  const camera = cameraOf(view, computed.drawing.head.k, 1);
  return (
    <main className="h-full max-lg:flex max-lg:flex-col max-lg:overflow-y-auto lg:grid lg:grid-cols-[13rem_minmax(0,1fr)_18rem] xl:grid-cols-[14rem_minmax(0,1fr)_21rem]">
      <aside
        aria-label="How it is worn"
        className="relative flex flex-col gap-4 border-line bg-raised px-3 py-4 max-lg:order-2 max-lg:border-y lg:overflow-y-auto lg:border-r"
      >
        <div
          role="radiogroup"
          aria-label="Worn"
          className="grid gap-0.5 max-lg:grid-cols-2 md:max-lg:grid-cols-3"
        >
          {WAYS.map(({ key, words, hint }) => (
            <button
              key={key}
              type="button"
              role="radio"
              aria-checked={key === style}
              onClick={() => choose(key)}
              className={`flex min-h-9 items-baseline justify-between gap-2 rounded-ui border-l-[3px] px-2.5 py-1.5 text-left ${key === style ? 'border-leaf bg-leaf-pale font-semibold' : 'border-transparent hover:bg-leaf-pale'}`}
            >
              <span className="text-base">{words}</span>
              <span className="text-right text-xs leading-tight text-ink-soft narrow max-xl:hidden">
                {hint}
              </span>
            </button>
          ))}
        </div>
        <div className="grid gap-3 border-t border-line pt-3">
          {isParted(style) && (
            <Slider
              label="Part"
              min={-MOST_PART_MM}
              max={MOST_PART_MM}
              step={5}
              value={-partMm}
              said={said(offsetWords(partMm))}
              read={(text) => readPart(text, read)}
              onChange={(mm) => setMovedMm(-mm - ownPart(subject))}
            />
          )}
          <Slider
            label="Grown out"
            min={0}
            max={MOST_WEEKS}
            step={1}
            value={weeks}
            said={weeks === 0 ? 'today' : `${weeks} weeks`}
            onChange={setWeeks}
            hint={
              weeks > 0
                ? `about ${say(Math.round(weeks * subject.mmPerWeek))} at the client’s own rate`
                : undefined
            }
          />
          <LengthSlider
            label="Root shadow"
            min={0}
            max={60}
            step={5}
            mm={shadowMm}
            said={(mm) => (mm === 0 ? 'none' : undefined)}
            hint="root colour of Mix"
            onChange={(mm) =>
              editMix(
                mm === 0 ? 'no root shadow' : `root shadow ${mm} mm`,
                (before) => withShadow(before, mm, shelf),
                'root shadow',
              )
            }
          />
          <Select
            label="Compare with"
            value={comparison}
            options={comparisonsFor(subject, weeks)}
            onChange={setComparison}
          />
        </div>
      </aside>
      <section
        aria-label="Worn"
        className="flex min-h-0 flex-col px-4 pt-3 pb-2 max-lg:h-[min(86dvh,150vw)] max-lg:shrink-0"
      >
        <Stage
          subject={subject}
          way={way}
          view={view}
          weeks={weeks}
          lamp={lamp}
          other={other}
          onView={setView}
          onLamp={setLamp}
          camera={camera}
          k={computed.drawing.head.k}
          part={
            isParted(style) ? { mm: partMm, onMove: (mm) => setMovedMm(mm - ownPart(subject)) } : undefined
          }
          mark={shown?.at && shown.view === view && styleOf(shown.way) === style ? shown.at : undefined}
        />
        <Strip
          now={comparison === 'before' ? 'before' : weeks}
          pictures={strip.answer ?? []}
          mirrored={view === 'front'}
          onMoment={(moment) => {
            setComparison(
              moment === 'before' ? 'before' : comparison === 'before' ? NO_COMPARISON : comparison,
            );
            setWeeks(moment === 'before' ? 0 : moment);
          }}
        />
      </section>
      <Findings
        findings={findings.answer?.findings}
        complete={findings.done}
        problem={findings.problem}
        shown={shown}
        earned={earned.answer}
        onSee={see}
      />
    </main>
  );
}

/**
 * A part as it is typed, mm, positive to the right: `22 mm left`, `1/2" right`, `middle`; a bare figure lies
 * on the left.
 */
function readPart(text: string, read: (text: string) => number | undefined): number | undefined {
  if (/^\s*(in the )?middle\s*$/i.test(text)) return 0;
  const mm = read(text.replace(/\s*(left|right)\s*$/i, ''));
  return mm === undefined || /right\s*$/i.test(text) ? mm : -mm;
}

const momentWords = (moment: Moment) =>
  moment === 'before' ? 'before' : moment === 0 ? 'after' : `${moment} weeks`;

/** The same before and at a few weeks: pressed, the large picture goes there. */
function Strip({
  now,
  onMoment,
  pictures,
  mirrored,
}: {
  now: Moment;
  onMoment(moment: Moment): void;
  pictures: readonly Shown[];
  mirrored: boolean;
}) {
  return (
    <ol aria-label="Before and after" className="mt-2 flex shrink-0 gap-2 overflow-x-auto lg:justify-center">
      {MOMENTS.map((own) => (
        <li key={own}>
          <button
            type="button"
            aria-pressed={own === now}
            onClick={() => onMoment(own)}
            className={`flex h-[104px] w-[84px] flex-col items-center rounded-ui border bg-raised pt-1 ${own === now ? 'border-2 border-leaf' : 'border-line hover:border-ink'}`}
          >
            <span className="min-h-0 flex-1">
              <WearPicture
                picture={pictures.find(({ moment }) => moment === own)?.picture}
                mirrored={mirrored}
                label={
                  own === 'before' ? 'Before the visit' : own === 0 ? 'After the visit' : `After ${own} weeks`
                }
              />
            </span>
            <span aria-hidden className={`pb-0.5 text-xs ${own === now ? 'font-semibold' : 'text-ink-soft'}`}>
              {momentWords(own)}
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}
