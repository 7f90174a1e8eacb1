'use client';

import { useRef, useState, type PointerEvent } from 'react';
import type { Result } from '@/core/units';
import type { PhotoDocument } from '@/core/formats';
import {
  colourInPhoto,
  levelInPhoto,
  measured,
  scaleProblem,
  type Reference,
  type Swatch,
} from '@/core/photo';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { deletePhoto, putPhotoAside, savePhoto } from './actions';
import { LevelPanel, MarksPanel, MeasurePanel, MOST_MARKS } from './panels';
import { centre, Ruler, type At, type Line } from './ruler';
import { samplesAt } from './samples';
import { photoAddress } from './address';
import type { Photo } from './queries';

type Mode = 'marks' | 'measure' | 'level';

const MODES = [
  { value: 'marks', words: 'Marks' },
  { value: 'measure', words: 'Measure' },
  { value: 'level', words: 'Level' },
] as const;
const ZOOMS = [
  { value: '1', words: '1×' },
  { value: '2', words: '2×' },
  { value: '4', words: '4×' },
] as const;

interface PhotoToolProps {
  photo: Photo;
  mayDelete: boolean;
  onChanged(): void;
  onGone(): void;
  onRegrowth?(mm: number): void;
  onLevel?(level: number): void;
  onColour?(as: 'base' | 'light', swatch: Swatch): void;
}

/** One picture: what is liked on it, lengths by a known distance, a level beside a reference. */
export function PhotoTool({
  photo,
  mayDelete,
  onChanged,
  onGone,
  onRegrowth,
  onLevel,
  onColour,
}: PhotoToolProps) {
  const { width, height } = photo;
  const [document, setDocument] = useState<PhotoDocument>(photo.document);
  const [note, setNote] = useState(photo.note);
  const [mode, setMode] = useState<Mode>(photo.kind === 'wish' ? 'marks' : 'measure');
  const [liking, setLiking] = useState<'liked' | 'not'>('liked');
  const [zoom, setZoom] = useState<'1' | '2' | '4'>('1');
  const [pending, setPending] = useState<At>();
  const [line, setLine] = useState<Line | undefined>(photo.document.lines.at(-1));
  const [reference, setReference] = useState<{ kind: Reference; at?: At }>({ kind: 'grey-card' });
  const [hair, setHair] = useState<At>();
  const [read, setRead] = useState<ReturnType<typeof levelInPhoto>>();
  const [swatch, setSwatch] = useState<Swatch>();
  const [problem, setProblem] = useState<string>();
  /** Width of the picture on the screen before it is enlarged. */
  const [shownWidth, setShownWidth] = useState(width);
  const revision = useRef(photo.revision);
  const saving = useRef(Promise.resolve());
  const picture = useRef<HTMLImageElement>(null);

  const save = (next: PhotoDocument, nextNote = note) => {
    setDocument(next);
    // One after another, so that each is based on the one before.
    saving.current = saving.current.then(async () => {
      const answer = await savePhoto(photo.id, revision.current, nextNote, next);
      if (answer.ok) revision.current = answer.revision;
      setProblem(answer.ok ? undefined : answer.problem);
      onChanged();
    });
  };
  const aside = async (act: () => Promise<Result>) => {
    const answer = await act().catch((): Result => ({
      ok: false,
      problem: 'No connection: nothing was changed.',
    }));
    if (answer.ok) onGone();
    else setProblem(answer.problem);
  };
  const pixels = (at: At) => ({ x: at.x * width, y: at.y * height });
  const { scale } = document;
  const badScale = scale && scaleProblem({ from: pixels(scale.from), to: pixels(scale.to), mm: scale.mm });
  const shownPerPixel = (shownWidth * Number(zoom)) / width;
  const length =
    scale && !badScale && line
      ? measured(
          { from: pixels(scale.from), to: pixels(scale.to), mm: scale.mm },
          { from: pixels(line.from), to: pixels(line.to) },
          shownPerPixel,
        )
      : undefined;

  const placed = (event: PointerEvent<SVGSVGElement>): At => {
    const box = event.currentTarget.getBoundingClientRect();
    const within = (value: number) => Math.min(1, Math.max(0, value));
    return {
      x: within((event.clientX - box.left) / box.width),
      y: within((event.clientY - box.top) / box.height),
    };
  };
  const setScale = (from: At, to: At) => save({ ...document, scale: { from, to, mm: scale?.mm ?? 10 } });
  const keepLine = (next: Line) => {
    setLine(next);
    if (!scale || badScale) return;
    const { mm } = measured(
      { from: pixels(scale.from), to: pixels(scale.to), mm: scale.mm },
      { from: pixels(next.from), to: pixels(next.to) },
    );
    save({
      ...document,
      lines: [...document.lines.slice(0, 29), { ...next, mm: Math.round(mm * 10) / 10 }].slice(-10),
    });
  };
  const sample = (referenceAt: At | undefined, hairAt: At | undefined, kind: Reference) => {
    if (!picture.current || !referenceAt || !hairAt) return setRead(undefined);
    const [hairSeen, referenceSeen] = [hairAt, referenceAt].map((at) => samplesAt(picture.current!, at));
    setRead(levelInPhoto(hairSeen, referenceSeen, kind));
    const colour = colourInPhoto(hairSeen, referenceSeen, kind);
    setSwatch(colour.ok ? colour.value : undefined);
  };

  const onDown = (event: PointerEvent<SVGSVGElement>) => {
    if ((event.target as Element).closest('[data-handle]')) return;
    const at = placed(event);
    if (mode === 'marks') {
      if (document.marks.length >= MOST_MARKS)
        return setProblem(`A picture takes at most ${MOST_MARKS} marks.`);
      return save({
        ...document,
        marks: [...document.marks, { ...at, liked: liking === 'liked', words: '' }],
      });
    }
    if (mode === 'level') {
      if (!reference.at) return setReference({ ...reference, at });
      setHair(at);
      return sample(reference.at, at, reference.kind);
    }
    if (!scale) {
      if (!pending) return setPending(at);
      setPending(undefined);
      return setScale(pending, at);
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    setLine({ from: at, to: at });
  };
  const dragging = (event: PointerEvent<SVGSVGElement>) =>
    mode === 'measure' && scale && line && event.currentTarget.hasPointerCapture(event.pointerId);
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    if (dragging(event)) setLine({ from: line!.from, to: placed(event) });
  };
  const onUp = (event: PointerEvent<SVGSVGElement>) => {
    if (dragging(event)) keepLine({ from: line!.from, to: placed(event) });
  };

  return (
    <div className="grid gap-5 md:grid-cols-[minmax(0,1fr)_19rem]">
      <div className="max-h-[74dvh] overflow-auto rounded-ui bg-ink">
        <div className="relative" style={{ width: `${Number(zoom) * 100}%` }}>
          <img
            ref={picture}
            src={photoAddress(photo.id, 'full')}
            alt="The picture"
            className="block w-full"
            draggable={false}
            onLoad={(event) => setShownWidth(event.currentTarget.clientWidth / Number(zoom))}
          />
          <svg
            viewBox={`0 0 ${width} ${height}`}
            role="group"
            aria-label="On the picture"
            className="absolute inset-0 h-full w-full cursor-crosshair touch-none"
            onPointerDown={onDown}
            onPointerMove={onMove}
            onPointerUp={onUp}
          >
            {mode === 'measure' && scale && (
              <Ruler
                line={scale}
                size={{ width, height }}
                colour="#7fd0ff"
                name="Scale"
                onMove={(next) => setDocument({ ...document, scale: { ...scale, ...next } })}
                onDone={(next) => setScale(next.from, next.to)}
              />
            )}
            {mode === 'measure' && pending && (
              <circle
                {...centre(pending, width, height)}
                r={width / 110}
                fill="#7fd0ff"
                stroke="#000"
                strokeWidth={width / 900}
              />
            )}
            {mode === 'measure' && scale && line && (
              <Ruler
                line={line}
                size={{ width, height }}
                colour="#f0b93a"
                name="Length"
                onMove={setLine}
                onDone={keepLine}
              />
            )}
            {mode === 'level' && reference.at && (
              <circle
                {...centre(reference.at, width, height)}
                r={width / 60}
                fill="none"
                stroke="#7fd0ff"
                strokeWidth={width / 350}
              />
            )}
            {mode === 'level' && hair && (
              <circle
                {...centre(hair, width, height)}
                r={width / 60}
                fill="none"
                stroke="#f0b93a"
                strokeWidth={width / 350}
              />
            )}
            {document.marks.map((mark, i) => (
              <g
                key={i}
                transform={`translate(${mark.x * width} ${mark.y * height})`}
                opacity={mode === 'marks' ? 1 : 0.5}
              >
                <circle
                  r={width / 45}
                  fill={mark.liked ? '#1d6b4c' : '#b8321f'}
                  stroke="#fff"
                  strokeWidth={width / 350}
                />
                <text textAnchor="middle" y={width / 120} fontSize={width / 38} fontWeight="700" fill="#fff">
                  {mark.liked ? '+' : '−'}
                  {i + 1}
                </text>
              </g>
            ))}
          </svg>
        </div>
      </div>
      <div className="grid content-start gap-4">
        <Segmented label="What to do on the picture" value={mode} options={MODES} onChange={setMode} />
        {mode === 'marks' && (
          <MarksPanel document={document} liking={liking} onLiking={setLiking} onSave={save} />
        )}
        {mode === 'measure' && (
          <MeasurePanel
            document={document}
            problem={badScale}
            length={length}
            drawn={line !== undefined}
            onSave={save}
            onScale={setScale}
            onLine={keepLine}
            onRegrowth={onRegrowth}
            onAnother={() => {
              save({ ...document, scale: null });
              setLine(undefined);
            }}
          />
        )}
        {mode === 'level' && (
          <LevelPanel
            kind={reference.kind}
            placed={reference.at === undefined ? 'nothing' : hair === undefined ? 'reference' : 'both'}
            read={read}
            onLevel={onLevel}
            colour={swatch && onColour && { swatch, onTake: onColour }}
            onKind={(kind) => {
              setReference({ ...reference, kind });
              sample(reference.at, hair, kind);
            }}
            onAnother={() => {
              setReference({ kind: reference.kind });
              setHair(undefined);
              setRead(undefined);
            }}
          />
        )}
        <Segmented label="Enlarge" value={zoom} options={ZOOMS} onChange={setZoom} />
        <TextField
          label="Note on the picture"
          value={note}
          maxLength={500}
          onChange={(event) => setNote(event.target.value)}
          onBlur={() => note !== photo.note && save(document, note)}
        />
        {problem && (
          <p role="alert" className="text-sm font-semibold text-rowan">
            {problem}
          </p>
        )}
        <div className="flex flex-wrap gap-2">
          <Button
            server
            small
            look="quiet"
            onClick={() => aside(() => putPhotoAside(photo.id, !photo.archived))}
          >
            {photo.archived ? 'Restore' : 'Archive'}
          </Button>
          {photo.archived && mayDelete && (
            <Button
              server
              small
              look="quiet"
              className="text-rowan"
              onClick={() => aside(() => deletePhoto(photo.id))}
            >
              Delete for good
            </Button>
          )}
        </div>
      </div>
    </div>
  );
}
