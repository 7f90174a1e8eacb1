'use client';

import clsx from 'clsx';
import { Slider as Radix } from 'radix-ui';
import { useId, useRef, useState, type PointerEvent, type ReactNode } from 'react';

interface SliderProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The value as it is said: `5 mm`. */
  said: string;
  onChange(value: number): void;
  /** Painted under the thumb instead of the plain track. */
  track?: ReactNode;
  hint?: ReactNode;
  /**
   * Reads a typed value; undefined where it cannot be read. Left out, the first figure in it is taken, to the
   * next step.
   */
  read?(text: string): number | undefined;
}

/** A slider with its label and its value, which can be typed too; arrow keys move by one step. */
export function Slider({ label, value, min, max, step, said, onChange, track, hint, read }: SliderProps) {
  const id = useId();
  const within = (next: number) => Math.min(max, Math.max(min, next));
  const toStep = (next: number) => Number((min + Math.round((next - min) / step) * step).toFixed(6));
  const typed = (text: string): number | undefined => {
    const figure = firstFigure(text);
    return figure === undefined || figure < min || figure > max ? undefined : within(toStep(figure));
  };
  const pull = usePull({ value, perWidth: max - min, onPull: (next) => onChange(within(toStep(next))) });
  return (
    <div>
      <div className="flex items-baseline justify-between gap-3">
        <span id={id} className="text-base text-ink-soft">
          {label}
        </span>
        <Entry id={id} label={label} read={read ?? typed} {...{ said, min, max, onChange }} />
      </div>
      <Radix.Root
        {...pull}
        className="relative flex h-9 w-full touch-pan-y items-center select-none pointer-coarse:h-11"
        value={[within(value)]}
        min={min}
        max={max}
        step={step}
        onValueChange={([next]) => onChange(next)}
      >
        <Radix.Track
          className={clsx(
            'relative w-full grow overflow-hidden rounded-full',
            'forced-colors:border',
            track ? 'h-4' : 'h-1 bg-edge',
          )}
        >
          {track ?? <Radix.Range className="absolute h-full rounded-full bg-leaf" />}
        </Radix.Track>
        <Radix.Thumb
          aria-labelledby={id}
          aria-valuetext={said}
          className="relative block size-6 touch-none rounded-full border-[3px] border-leaf bg-field shadow-sm after:absolute after:-inset-2.5 after:content-[''] hover:border-leaf-dark"
        />
      </Radix.Root>
      {hint && <p className="-mt-1 text-xs text-ink-soft">{hint}</p>}
    </div>
  );
}

/** `6`, `6.5`, `6,5`, `6½`, `−3` at the beginning or within words. */
function firstFigure(text: string): number | undefined {
  const found = /[-−]?\d+(?:[.,]\d+)?(½)?/.exec(text);
  if (!found) return undefined;
  return Number(found[0].replace('−', '-').replace(',', '.').replace('½', '')) + (found[1] ? 0.5 : 0);
}

/** So far a finger goes sideways before it counts as a pull, px. */
const PULL_PX = 10;

/**
 * By finger or pen a slider moves by its thumb, or by a pull sideways from where it stands. A touch beside
 * the thumb moves
 * nothing, and a swipe up or down scrolls the page.
 */
function usePull({
  value,
  perWidth,
  onPull,
}: {
  value: number;
  perWidth: number;
  onPull(next: number): void;
}) {
  const pull = useRef<{ x: number; y: number; from: number; pulls: boolean }>(undefined);
  const end = () => {
    pull.current = undefined;
  };
  return {
    onPointerDownCapture: (event: PointerEvent) => {
      if (event.pointerType === 'mouse' || (event.target as Element).closest('[role=slider]')) return;
      event.stopPropagation();
      pull.current = { x: event.clientX, y: event.clientY, from: value, pulls: false };
    },
    onPointerMoveCapture: (event: PointerEvent) => {
      const own = pull.current;
      if (!own) return;
      // What is touched has captured the pointer by itself: the slider must not take that for its own.
      event.stopPropagation();
      const across = event.clientX - own.x;
      own.pulls ||= Math.abs(across) > PULL_PX && Math.abs(across) > Math.abs(event.clientY - own.y);
      if (own.pulls) onPull(own.from + (across / event.currentTarget.clientWidth) * perWidth);
    },
    onPointerUpCapture: end,
    onPointerCancelCapture: end,
  };
}

interface EntryProps extends Required<
  Pick<SliderProps, 'label' | 'said' | 'min' | 'max' | 'read' | 'onChange'>
> {
  id: string;
}

/**
 * The value as text: what is typed is taken when it can be read, and stays with a sentence when it cannot.
 */
function Entry({ id, label, said, min, max, read, onChange }: EntryProps) {
  const [text, setText] = useState<string>();
  const [wrong, setWrong] = useState(false);
  const take = () => {
    if (text === undefined) return;
    if (text !== said) {
      const value = read(text);
      if (value === undefined || value < min || value > max) return setWrong(true);
      onChange(value);
    }
    setText(undefined);
    setWrong(false);
  };
  return (
    <span className="relative min-w-0">
      <input
        aria-label={`${label}, typed`}
        value={text ?? said}
        autoComplete="off"
        inputMode="text"
        aria-invalid={wrong || undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onChange={(event) => {
          setText(event.target.value);
          setWrong(false);
        }}
        onFocus={(event) => event.target.select()}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') {
            setText(undefined);
            setWrong(false);
          }
        }}
        className={clsx(
          '-mr-1.5 field-sizing-content h-8 min-w-[4.5rem] rounded-ui border bg-transparent px-1.5 text-right text-lg font-semibold',
          wrong ? 'border-rowan' : 'border-transparent hover:border-edge focus:border-edge focus:bg-field',
        )}
      />
      {wrong && (
        <span
          id={`${id}-wrong`}
          role="alert"
          className="absolute top-8 right-0 z-20 w-[230px] rounded-ui border border-rowan bg-field px-2 py-1 text-right text-sm font-medium text-rowan shadow-lg"
        >
          “{text}” cannot be used for {label.toLowerCase()} here.
        </span>
      )}
    </span>
  );
}
