'use client';

import { keysOf } from '@/core/units';
import { Canvas } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { skullHit, toOpened, type OpenedPoint } from '@/core/head';
import { foilAt, panelAt } from '@/core/pattern';
import { Labels } from './labels';
import { Scene, Viewpoint, type SceneProps } from './scene';
import { drawsInSoftware } from './software';
import {
  enlarged,
  eyeOf,
  FIELD_DEG,
  rayThrough,
  saidView,
  settled,
  turned,
  turnedByKey,
  VIEWS,
  type Turn,
} from './turn';

export interface RoundHeadProps extends SceneProps {
  /** A large drawing names its landmarks and offers its views. */
  large: boolean;
  onLight(foil: string | undefined): void;
  onSelect(panel: string, foil?: string): void;
}

const DEG_PER_PX = 0.45;
/** So far beside its section a foil is still meant by a finger, mm. */
const SLACK_MM = 3;

/** Without a graphics card edges are left unsmoothed, so that the head still turns at once. */
const SOFTWARE = drawsInSoftware();

/** A pointer that moved farther than this was turning, not tapping, px. */
const DRAG_PX = 5;

/**
 * The head as it stands before the colourist: turned by a drag or the arrow keys, drawn when something
 * changes.
 */
export default function RoundHead(props: RoundHeadProps) {
  const { computed, large, onLight, onSelect } = props;
  const { head } = computed.drawing;
  const [turn, setTurn] = useState<Turn>(VIEWS.Back);
  const box = useRef<HTMLDivElement>(null);
  const moved = useRef(0);
  const pointers = useRef(new Map<number, { x: number; y: number }>());
  const eye = useMemo(() => eyeOf(turn, head.k), [turn, head.k]);

  const under = (event: { clientX: number; clientY: number }): OpenedPoint | undefined => {
    const { left, top, width, height } = box.current!.getBoundingClientRect();
    const at = { x: ((event.clientX - left) / width) * 2 - 1, y: 1 - ((event.clientY - top) / height) * 2 };
    const hit = skullHit(head.skull, rayThrough(eye, width / height, at));
    if (!hit) return undefined;
    const { arc, hairArc } = head.locate(hit);
    return arc <= hairArc ? toOpened(head, hit) : undefined;
  };
  const foilUnder = (event: { clientX: number; clientY: number }) => {
    const point = under(event);
    const i = point ? foilAt(computed.drawing.paths, point, SLACK_MM) : -1;
    return { point, foil: i < 0 ? undefined : computed.sheet.foils[i] };
  };

  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    if (event.target instanceof HTMLButtonElement) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    if (pointers.current.size === 0) moved.current = 0;
    pointers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const from = pointers.current.get(event.pointerId);
    if (!from) {
      if (event.pointerType === 'mouse') onLight(foilUnder(event).foil?.id);
      return;
    }
    const now = { x: event.clientX, y: event.clientY };
    const [dx, dy] = [now.x - from.x, now.y - from.y];
    const other = [...pointers.current].find(([id]) => id !== event.pointerId)?.[1];
    moved.current += Math.hypot(dx, dy);
    pointers.current.set(event.pointerId, now);
    if (other) {
      const [before, after] = [from, now].map((point) => Math.hypot(point.x - other.x, point.y - other.y));
      if (before > 0)
        setTurn((current) =>
          turned(enlarged(current, after / before), (dx / 2) * DEG_PER_PX, (dy / 2) * DEG_PER_PX),
        );
    } else if (moved.current > DRAG_PX) setTurn((before) => turned(before, dx * DEG_PER_PX, dy * DEG_PER_PX));
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>) => {
    if (!pointers.current.delete(event.pointerId) || pointers.current.size > 0) return;
    if (moved.current > DRAG_PX) {
      setTurn(settled);
      return;
    }
    const { foil, point } = foilUnder(event);
    if (foil) onSelect(foil.panel, foil.id);
    else if (point) {
      const panel = panelAt(computed.drawing, point);
      if (panel) onSelect(panel);
    }
  };
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const next = turnedByKey(turn, event.key);
    if (!next) return;
    event.preventDefault();
    setTurn(next);
  };

  // React listens to wheels passively; the page must not scroll under the drawing.
  useEffect(() => {
    const element = box.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      setTurn((before) => enlarged(before, Math.exp(-event.deltaY / 400)));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, []);

  return (
    <div
      ref={box}
      tabIndex={0}
      role="group"
      data-turn={`${Math.round(turn.azimuthDeg)} ${Math.round(turn.elevationDeg)}`}
      aria-label={`Round head ${saidView(turn)}, ${computed.sheet.totals.foils} foils; arrow keys turn it, 1 to 5 jump to a view`}
      className="relative h-full w-full touch-none select-none"
      style={{ cursor: 'grab' }}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={(event) => pointers.current.delete(event.pointerId)}
      onPointerLeave={() => onLight(undefined)}
      onKeyDown={onKeyDown}
    >
      <Canvas
        frameloop="demand"
        dpr={SOFTWARE ? 1 : [1, 2]}
        flat
        camera={{ fov: FIELD_DEG, near: 120, far: 2400 }}
        gl={{ antialias: !SOFTWARE, alpha: true }}
        style={{ pointerEvents: 'none' }}
        aria-hidden="true"
      >
        <Viewpoint turn={turn} k={head.k} />
        <Scene {...props} mirrored={turn.mirrored} />
      </Canvas>
      {large && <Labels head={head} eye={eye} box={box} />}
      {large && <Views turn={turn} onTurn={setTurn} />}
      {large && (
        <p className="pointer-events-none absolute inset-x-0 top-1 text-center text-sm text-ink-soft">
          {saidView(turn)}
        </p>
      )}
    </div>
  );
}

function Views({ turn, onTurn }: { turn: Turn; onTurn(turn: Turn): void }) {
  return (
    <div
      role="group"
      aria-label="Look from"
      className="absolute right-[124px] bottom-1 left-0 flex justify-center gap-1 xl:right-0"
    >
      {keysOf(VIEWS).map((name) => (
        <button
          key={name}
          type="button"
          onClick={() => onTurn(VIEWS[name])}
          aria-pressed={
            turn.azimuthDeg === VIEWS[name].azimuthDeg && turn.elevationDeg === VIEWS[name].elevationDeg
          }
          className="h-10 rounded-ui border border-edge bg-raised px-3 text-sm font-semibold hover:border-ink aria-pressed:border-leaf aria-pressed:bg-leaf-pale"
        >
          {name}
        </button>
      ))}
    </div>
  );
}
