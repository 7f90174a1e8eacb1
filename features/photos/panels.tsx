'use client';

import type { PhotoDocument } from '@/core/formats';
import { cssColour } from '@/core/lift';
import { REFERENCES, type levelInPhoto, type Reference, type Swatch } from '@/core/photo';
import { formatLevel, keysOf } from '@/core/units';
import { Button } from '@/ui/button';
import { useWritten } from '@/ui/decimal';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { readFigure } from '../consult/read-figures';
import type { At, Line } from './ruler';

export const MOST_MARKS = 30;
const REFERENCE_OPTIONS = keysOf(REFERENCES).map((value) => ({
  value,
  words: REFERENCES[value].words,
}));

interface MarksPanelProps {
  document: PhotoDocument;
  liking: 'liked' | 'not';
  onLiking(liking: 'liked' | 'not'): void;
  onSave(document: PhotoDocument): void;
}

/** What is liked on a picture, and what is not. */
export function MarksPanel({ document, liking, onLiking, onSave }: MarksPanelProps) {
  return (
    <>
      <Segmented
        label="The picture as a whole"
        value={document.liked === null ? null : document.liked ? 'liked' : 'not'}
        options={[
          { value: 'liked', words: 'Liked' },
          { value: 'not', words: 'Not liked' },
        ]}
        onChange={(next) => onSave({ ...document, liked: next === 'liked' })}
      />
      <Segmented
        label="Mark what is"
        value={liking}
        options={[
          { value: 'liked', words: '+ liked here' },
          { value: 'not', words: '− not here' },
        ]}
        onChange={onLiking}
      />
      <p className="text-sm text-ink-soft">Tap the picture where it is.</p>
      <Button
        small
        onClick={() =>
          onSave({
            ...document,
            marks: [...document.marks, { x: 0.5, y: 0.5, liked: liking === 'liked', words: '' }],
          })
        }
        disabled={document.marks.length >= MOST_MARKS}
      >
        Mark the middle
      </Button>
      <ul className="grid max-h-56 gap-2 overflow-y-auto">
        {document.marks.map((mark, i) => (
          <li key={i} className="grid grid-cols-[auto_1fr_auto] items-center gap-2">
            <span className={`w-7 font-bold ${mark.liked ? 'text-leaf' : 'text-rowan'}`}>
              {mark.liked ? '+' : '−'}
              {i + 1}
            </span>
            <input
              aria-label={`Words for mark ${i + 1}`}
              defaultValue={mark.words}
              maxLength={120}
              placeholder={mark.liked ? 'what is liked' : 'what is not'}
              className="h-9 min-w-0 rounded-ui border border-edge bg-field px-2 text-sm"
              onBlur={(event) =>
                event.target.value !== mark.words &&
                onSave({
                  ...document,
                  marks: document.marks.map((current, j) =>
                    j === i ? { ...current, words: event.target.value } : current,
                  ),
                })
              }
            />
            <Button
              small
              look="quiet"
              aria-label={`Remove mark ${i + 1}`}
              onClick={() => onSave({ ...document, marks: document.marks.filter((_, j) => j !== i) })}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

interface MeasurePanelProps {
  document: PhotoDocument;
  /** Why the two points carry no scale. */
  problem: string | null | undefined;
  length: { mm: number; sd: number } | undefined;
  drawn: boolean;
  onSave(document: PhotoDocument): void;
  onScale(from: At, to: At): void;
  onLine(line: Line): void;
  onAnother(): void;
  onRegrowth?(mm: number): void;
}

/** A known distance, and the length that follows from it. */
export function MeasurePanel({
  document,
  problem,
  length,
  drawn,
  onSave,
  onScale,
  onLine,
  onAnother,
  onRegrowth,
}: MeasurePanelProps) {
  const { scale } = document;
  const written = useWritten();
  return (
    <>
      {!scale && (
        <>
          <p>Tap two points whose distance you know: a comb’s teeth, a ruler’s marks.</p>
          <Button small onClick={() => onScale({ x: 0.3, y: 0.5 }, { x: 0.7, y: 0.5 })}>
            Lay a scale in the middle
          </Button>
        </>
      )}
      {scale && (
        <>
          <NumberField
            label="Their distance"
            unit="mm"
            min={1}
            max={500}
            value={scale.mm}
            parse={readFigure}
            onChange={(mm) => mm !== undefined && onSave({ ...document, scale: { ...scale, mm } })}
          />
          {problem && (
            <p role="alert" className="text-sm font-semibold text-rowan">
              {problem}
            </p>
          )}
          {!problem && (
            <p className="text-sm text-ink-soft">
              Drag along the regrowth. Points can be moved by hand, or by arrow keys once they have the focus;
              with Shift by ten.
            </p>
          )}
          {!problem && !drawn && (
            <Button small onClick={() => onLine({ from: { x: 0.45, y: 0.4 }, to: { x: 0.45, y: 0.6 } })}>
              Lay a line in the middle
            </Button>
          )}
          {length && (
            <div className="rounded-ui bg-leaf-pale p-3">
              <p role="status" className="text-2xl font-bold">
                <span id="measured-mm">{written(length.mm.toFixed(1))}</span> mm{' '}
                <span className="text-base font-normal text-ink-soft">
                  ± {written(Math.max(0.1, length.sd).toFixed(1))}
                </span>
              </p>
              <p className="text-xs text-ink-soft">
                An estimate: it holds where hair and scale lie at the same distance from the camera.
              </p>
            </div>
          )}
          {length && onRegrowth && (
            <Button look="primary" onClick={() => onRegrowth(Math.round(length.mm * 2) / 2)}>
              Take {written(String(Math.round(length.mm * 2) / 2))} mm as regrowth to paint
            </Button>
          )}
          <Button small look="quiet" onClick={onAnother}>
            Another scale
          </Button>
        </>
      )}
    </>
  );
}

interface LevelPanelProps {
  kind: Reference;
  placed: 'nothing' | 'reference' | 'both';
  read: ReturnType<typeof levelInPhoto> | undefined;
  onKind(kind: Reference): void;
  onAnother(): void;
  onLevel?(level: number): void;
  /** The colour that was read, and what it may be taken for. */
  colour?: { readonly swatch: Swatch; onTake(as: 'base' | 'light', swatch: Swatch): void };
}

/** A level read beside a reference in the picture. */
export function LevelPanel({ kind, placed, read, onKind, onAnother, onLevel, colour }: LevelPanelProps) {
  const written = useWritten();
  return (
    <>
      <Segmented
        label="Reference in the picture"
        value={kind}
        options={REFERENCE_OPTIONS}
        onChange={onKind}
      />
      <p>
        {placed === 'nothing'
          ? 'Tap the reference first.'
          : placed === 'reference'
            ? 'Now tap the hair.'
            : 'Tap other hair to read it as well.'}
      </p>
      {read?.ok && (
        <div className="rounded-ui bg-leaf-pale p-3">
          <p role="status" className="text-2xl font-bold">
            Level {formatLevel(read.value.level)}{' '}
            <span className="text-base font-normal text-ink-soft">± {written(read.value.sd.toFixed(1))}</span>
          </p>
          <p className="text-xs text-ink-soft">
            Only a guide: shine, shadow and the camera affect it. A strand in the hand decides.
          </p>
        </div>
      )}
      {read && !read.ok && (
        <p role="alert" className="text-sm font-semibold text-rowan">
          {read.problem}
        </p>
      )}
      {read?.ok && onLevel && (
        <Button look="primary" onClick={() => onLevel(read.value.level)}>
          Take {formatLevel(read.value.level)} as level to paint
        </Button>
      )}
      {read?.ok && colour && (
        <div className="grid gap-2 rounded-ui border border-line p-3">
          <p className="flex items-center gap-2 text-sm">
            <span
              aria-hidden
              className="size-8 rounded-ui border border-edge"
              style={{ background: cssColour(colour.swatch) }}
            />
            Colour of this hair, ± {written(colour.swatch.sd.toFixed(1))}; about 2 is the least that is seen.
          </p>
          <div className="flex flex-wrap gap-2">
            <Button small onClick={() => colour.onTake('base', colour.swatch)}>
              Use as base in Wear
            </Button>
            <Button small onClick={() => colour.onTake('light', colour.swatch)}>
              Use as light in Wear
            </Button>
          </div>
        </div>
      )}
      {placed !== 'nothing' && (
        <Button small look="quiet" onClick={onAnother}>
          Another reference
        </Button>
      )}
    </>
  );
}
