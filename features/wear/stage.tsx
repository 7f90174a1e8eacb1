'use client';

import dynamic from 'next/dynamic';
import { useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { offsetWords, type Vec3 } from '@/core/head';
import {
  LAMPS,
  MOST_PART_MM,
  VIEW_NAMES,
  wayName,
  type Camera,
  type Lamp,
  type View,
  type WearSubject,
  type Way,
} from '@/core/wear';
import { useSaid } from '@/ui/measures';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { Wiper } from '@/ui/wiper';
import { drawsInSoftware, drawsSolids } from '../head/round/software';
import type { Compared } from './compare';
import { WearPicture } from './picture';
import { ShowClient } from './show-client';
import { useWear } from './use-wear';

const RoundHair = dynamic(() => import('./round-hair'), { ssr: false });
/** Without a graphics card only every so many-th strand is drawn while the head turns. */
const FEW = 8;
const LAMP_WORDS: Readonly<Record<Lamp, string>> = { daylight: 'Daylight', salon: 'Salon light' };
const never = () => () => undefined;

const VIEW_WORDS: Readonly<Record<View, string>> = {
  front: 'Front',
  left: 'Left',
  right: 'Right',
  back: 'Back',
  top: 'Top',
};

interface StageProps {
  subject: WearSubject;
  way: Way;
  view: View;
  weeks: number;
  lamp: Lamp;
  other: Compared | undefined;
  onView(view: View): void;
  onLamp(lamp: Lamp): void;
  camera: Camera;
  /** Size of the head against the average one. */
  k: number;
  /** Where the part lies, mm from the middle, and how it is moved; undefined where hair has none. */
  part: { mm: number; onMove(mm: number): void } | undefined;
  /** A place of the head to be pointed at. */
  mark: Vec3 | undefined;
}

/** The hair, large: from one side, alone or beside another. */
export function Stage({
  subject,
  way,
  view,
  weeks,
  lamp,
  other,
  onView,
  onLamp,
  camera,
  k,
  part,
  mark,
}: StageProps) {
  const [beside, setBeside] = useState(false);
  const [turning, setTurning] = useState(false);
  const each = drawsInSoftware() ? FEW : 1;
  const able = useSyncExternalStore(never, drawsSolids, () => false);
  const ribbons = useWear(
    'ribbons',
    1,
    'ribbons',
    useMemo(() => (turning ? { subject, way, each } : null), [turning, subject, way, each]),
  );
  const colours = useWear(
    'colours',
    2,
    'colours',
    useMemo(() => (turning ? { subject, way, weeks, each } : null), [turning, subject, way, weeks, each]),
  );
  const wearing = useWear(
    'picture',
    1,
    'picture',
    useMemo(
      () => (turning ? null : { subject, way, view, weeks, lamp, fine: true }),
      [turning, subject, way, view, weeks, lamp],
    ),
  );
  const others = useWear(
    'other',
    2,
    'picture',
    useMemo(
      () => (other ? { subject: other.subject, way, view, weeks: other.weeks, lamp, fine: true } : null),
      [other, way, view, lamp],
    ),
  );
  const [rest, setRest] = useState<{ azimuthDeg: number; heightDeg: number; mirrored: boolean }>();
  const still = useWear(
    'still',
    3,
    'picture',
    useMemo(
      () =>
        turning && rest
          ? {
              subject,
              way,
              view: { azimuthDeg: rest.azimuthDeg, heightDeg: rest.heightDeg },
              weeks,
              lamp,
              fine: true,
            }
          : null,
      [turning, rest, subject, way, weeks, lamp],
    ),
  );
  const mirrored = view === 'front';
  const said = (words: string, at: number) =>
    `${words}, ${wayName(way)}, ${VIEW_WORDS[view].toLowerCase()}${mirrored ? ' as in the mirror' : ''}, ${at === 0 ? 'today' : `after ${at} weeks`}`;
  const planWords =
    other?.weeks !== weeks && other ? (weeks === 0 ? 'Today' : `After ${weeks} weeks`) : 'This pattern';
  const mine = <WearPicture picture={wearing.answer} mirrored={mirrored} label={said('Hair', weeks)} />;
  const theirs = other && (
    <WearPicture picture={others.answer} mirrored={mirrored} label={said(other.words, other.weeks)} />
  );
  const width = camera.columns * camera.pixelMm;
  const height = camera.rows * camera.pixelMm;
  const overlay = (
    <>
      {part && (view === 'top' || view === 'front') && (
        <PartHandle
          at={(camera.leftMm - part.mm) / width}
          mm={part.mm}
          perMm={1 / width}
          onMove={part.onMove}
        />
      )}
      {mark && <Mark at={mark} camera={camera} mirrored={mirrored} width={width} height={height} />}
    </>
  );
  const frame = 'relative h-full max-w-full';
  const style = { aspectRatio: `${camera.columns} / ${camera.rows}` };
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-center justify-center gap-2">
        <div role="group" aria-label="Look from" className="flex gap-1">
          {VIEW_NAMES.map((name) => (
            <button
              key={name}
              type="button"
              aria-pressed={!turning && name === view}
              onClick={() => {
                setTurning(false);
                onView(name);
              }}
              className="h-10 rounded-ui border border-edge bg-raised px-3 text-sm font-semibold hover:border-ink aria-pressed:border-leaf aria-pressed:bg-leaf-pale"
            >
              {VIEW_WORDS[name]}
            </button>
          ))}
          {able && (
            <button
              type="button"
              aria-pressed={turning}
              onClick={() => setTurning(!turning)}
              className="h-10 rounded-ui border border-edge bg-raised px-3 text-sm font-semibold hover:border-ink aria-pressed:border-leaf aria-pressed:bg-leaf-pale"
            >
              Turn by hand
            </button>
          )}
        </div>
        <div className="w-[200px]">
          <Segmented
            label="Light"
            value={lamp}
            options={LAMPS.map((value) => ({ value, words: LAMP_WORDS[value] }))}
            onChange={onLamp}
          />
        </div>
        {!turning && <ShowClient subject={subject} way={way} view={view} lamp={lamp} />}
        {other && !turning && (
          <Button
            small
            aria-pressed={beside}
            look={beside ? 'primary' : 'plain'}
            onClick={() => setBeside(!beside)}
          >
            Side by side
          </Button>
        )}
      </div>
      <div
        className="mt-2 flex min-h-0 flex-1 justify-center gap-4"
        data-way={way.kind}
        data-done={turning ? ribbons.done && colours.done : wearing.done && (!other || others.done)}
      >
        {turning && (
          <RoundHair
            hair={ribbons.answer}
            colours={ribbons.done ? colours.answer : undefined}
            k={k}
            lamp={lamp}
            label={`Hair, ${wayName(way)}`}
            onRest={setRest}
            rested={
              rest &&
              still.done && (
                <WearPicture
                  picture={still.answer}
                  mirrored={rest.mirrored}
                  label={`Hair, ${wayName(way)}, computed`}
                />
              )
            }
          />
        )}
        {!turning && !other && (
          <div className={frame} style={style}>
            {mine}
            {overlay}
            <Settling progress={wearing.progress} />
          </div>
        )}
        {!turning && other && !beside && (
          <div className={frame} style={style}>
            <Wiper
              label={`Wipe between ${other.words} and ${planWords.toLowerCase()}`}
              before={
                <>
                  {theirs}
                  <Name words={other.words} side="left" />
                </>
              }
              after={
                <>
                  {mine}
                  <Name words={planWords} side="right" />
                </>
              }
            />
            {overlay}
          </div>
        )}
        {!turning && other && beside && (
          <>
            <div className={frame} style={style}>
              {theirs}
              <Name words={other.words} side="left" />
            </div>
            <div className={frame} style={style}>
              {mine}
              <Name words={planWords} side="right" />
              {overlay}
            </div>
          </>
        )}
      </div>
      {wearing.problem && (
        <p role="alert" className="text-center text-base font-semibold text-rowan">
          {wearing.problem}
        </p>
      )}
      <p className="shrink-0 text-center text-xs text-ink-soft">
        An estimate of placement and contrast, not a promise of colour.
        {mirrored && ' From the front as in the mirror.'}
      </p>
    </>
  );
}

/** How far the hair has come on its way to where it hangs; a short wait is not spoken of. */
function Settling({ progress }: { progress: number | undefined }) {
  if (progress === undefined) return null;
  return (
    <div className="pointer-events-none absolute inset-x-0 top-1/2 mx-auto flex w-40 animate-[appear_.2s_.3s_both] flex-col items-center gap-1 rounded-ui bg-raised/90 p-2 text-sm text-ink-soft">
      Combing the hair …
      <progress aria-label="Combing the hair" max={1} value={progress} className="h-1 w-full accent-leaf" />
    </div>
  );
}

function Name({ words, side }: { words: string; side: 'left' | 'right' }) {
  return (
    <span
      className={`absolute bottom-1 max-w-[45%] truncate rounded-ui bg-raised/90 px-2 py-0.5 text-sm font-semibold ${side === 'left' ? 'left-1' : 'right-1'}`}
    >
      {words}
    </span>
  );
}

/** The line of the part, moved by hand or with the arrow keys; the client's left is screen-left. */
function PartHandle({
  at,
  mm,
  perMm,
  onMove,
}: {
  at: number;
  mm: number;
  perMm: number;
  onMove(mm: number): void;
}) {
  const said = useSaid();
  const from = useRef<{ x: number; mm: number }>(null);
  const least = 0 - MOST_PART_MM;
  const now = 0 - mm;
  const move = (next: number) => onMove(Math.round(Math.min(MOST_PART_MM, Math.max(least, next))));
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Move the part"
      aria-valuemin={least}
      aria-valuemax={MOST_PART_MM}
      aria-valuenow={now}
      aria-valuetext={said(offsetWords(mm))}
      className="absolute top-0 z-10 h-[30%] w-11 -translate-x-1/2 cursor-ew-resize touch-none"
      style={{ left: `${at * 100}%` }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, mm };
      }}
      onPointerMove={(event) => {
        if (!from.current || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
        const { width } = event.currentTarget.parentElement!.getBoundingClientRect();
        move(from.current.mm - (event.clientX - from.current.x) / (perMm * width));
      }}
      onPointerUp={() => (from.current = null)}
      onKeyDown={(event) => {
        const by = { ArrowLeft: 5, ArrowRight: -5 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        move(mm + by);
      }}
    >
      <div aria-hidden className="mx-auto h-full w-[2px] bg-leaf" />
      <div
        aria-hidden
        className="absolute top-0 left-1/2 -translate-x-1/2 rounded-full border-2 border-leaf bg-raised px-2 py-0.5 text-xs font-bold text-leaf"
      >
        part
      </div>
    </div>
  );
}

/** A ring round a place of the head. */
function Mark({
  at: { x, y, z },
  camera: { right, up, leftMm, upMm },
  mirrored,
  width,
  height,
}: {
  at: Vec3;
  camera: Camera;
  mirrored: boolean;
  width: number;
  height: number;
}) {
  const across = (x * right[0] + y * right[1] + z * right[2] + leftMm) / width;
  const down = (upMm - (x * up[0] + y * up[1] + z * up[2])) / height;
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute size-16 -translate-1/2 rounded-full border-[3px] border-white shadow-[0_0_0_2px_var(--color-amber-bark)]"
      style={{ left: `${(mirrored ? 1 - across : across) * 100}%`, top: `${down * 100}%` }}
    />
  );
}
