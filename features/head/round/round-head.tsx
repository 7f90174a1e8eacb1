'use client';

import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import type { DirectionalLight, PerspectiveCamera } from 'three';
import { addScaled, landmarks, openedPart, scale, skullHit, surfaceNormal, toOpened, dot, subtract, type Head, type OpenedPoint, type Vec3 } from '@/core/head';
import { foilAt, panelAt, type ComputedPlan, type PatternDrawing } from '@/core/pattern';
import { bodyGeometry } from './body-mesh';
import { brightGeometry, foilGeometry, freeGeometry, lineGeometry } from './foil-mesh';
import { hairTexture, scalpGeometry } from './scalp-mesh';
import type { Rgb } from './solid';
import { eyeOf, FIELD_DEG, onScreenOf, rayThrough, saidView, settled, turned, VIEWS, type Eye, type Turn, type ViewName } from './turn';

export interface RoundHeadProps {
  computed: ComputedPlan;
  /** Colour of unlit hair, linear light. */
  bark: Rgb;
  /** mm from the middle; null without a part. */
  partOffsetMm: number | null;
  selectedPanel: string;
  selectedFoil?: string;
  lit?: string;
  /** A large drawing names its landmarks and offers its views. */
  large: boolean;
  onLight(foil: string | undefined): void;
  onSelect(panel: string, foil?: string): void;
}

const DEG_PER_PX = 0.45;
/** So far beside its section a foil is still meant by a finger, mm. */
const SLACK_MM = 3;

/** Without a graphics card every point is computed: then edges are left unsmoothed, so that the head still turns at once. */
const SOFTWARE = drawsInSoftware();

function drawsInSoftware(): boolean {
  const context = document.createElement('canvas').getContext('webgl2');
  const about = context?.getExtension('WEBGL_debug_renderer_info');
  const renderer = about ? String(context!.getParameter(about.UNMASKED_RENDERER_WEBGL)) : '';
  context?.getExtension('WEBGL_lose_context')?.loseContext();
  return /swiftshader|llvmpipe|software|basic render/i.test(renderer);
}

/** A pointer that moved farther than this was turning, not tapping, px. */
const DRAG_PX = 5;

/** The head as it stands before the colourist: turned by a drag or the arrow keys, drawn when something changes. */
export default function RoundHead(props: RoundHeadProps) {
  const { computed, large, onLight, onSelect } = props;
  const { head } = computed.drawing;
  const [turn, setTurn] = useState<Turn>(VIEWS.Back);
  const box = useRef<HTMLDivElement>(null);
  const moved = useRef(0);
  const last = useRef<{ x: number; y: number } | undefined>(undefined);
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
    last.current = { x: event.clientX, y: event.clientY };
    moved.current = 0;
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const from = last.current;
    if (!from) {
      if (event.pointerType === 'mouse') onLight(foilUnder(event).foil?.id);
      return;
    }
    const [dx, dy] = [event.clientX - from.x, event.clientY - from.y];
    moved.current += Math.hypot(dx, dy);
    last.current = { x: event.clientX, y: event.clientY };
    if (moved.current > DRAG_PX) setTurn((before) => turned(before, dx * DEG_PER_PX, dy * DEG_PER_PX));
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>) => {
    if (!last.current) return;
    last.current = undefined;
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
    const by: Record<string, [number, number]> = { ArrowLeft: [-10, 0], ArrowRight: [10, 0], ArrowUp: [0, -10], ArrowDown: [0, 10] };
    const step = by[event.key];
    const view = (Object.keys(VIEWS) as ViewName[])[Number(event.key) - 1];
    if (!step && !view) return;
    event.preventDefault();
    setTurn((before) => (view ? VIEWS[view] : settled(turned(before, step[0], step[1]))));
  };

  // React listens to wheels passively; the page must not scroll under the drawing.
  useEffect(() => {
    const element = box.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      setTurn((before) => ({ ...before, times: Math.min(4, Math.max(1, before.times * Math.exp(-event.deltaY / 400))) }));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, []);

  return (
    <div
      ref={box} tabIndex={0} role="group" data-turn={`${Math.round(turn.azimuthDeg)} ${Math.round(turn.elevationDeg)}`}
      aria-label={`Round head ${saidView(turn)}, ${computed.sheet.totals.foils} foils; arrow keys turn it, 1 to 5 jump to a view`}
      className="relative h-full w-full touch-none select-none"
      style={{ cursor: 'grab' }}
      onPointerDown={onPointerDown} onPointerMove={onPointerMove} onPointerUp={onPointerUp} onPointerCancel={() => (last.current = undefined)}
      onPointerLeave={() => onLight(undefined)} onKeyDown={onKeyDown}
    >
      <Canvas
        frameloop="demand" dpr={SOFTWARE ? 1 : [1, 2]} flat camera={{ fov: FIELD_DEG, near: 120, far: 2400 }} gl={{ antialias: !SOFTWARE, alpha: true }}
        style={{ pointerEvents: 'none' }} aria-hidden="true"
      >
        <Viewpoint turn={turn} k={head.k} />
        <Scene {...props} mirrored={turn.mirrored} />
      </Canvas>
      {large && <Labels head={head} eye={eye} box={box} />}
      {large && <Views turn={turn} onTurn={setTurn} />}
      {large && <p className="pointer-events-none absolute inset-x-0 top-1 text-center text-sm text-ink-soft">{saidView(turn)}</p>}
    </div>
  );
}

function Views({ turn, onTurn }: { turn: Turn; onTurn(turn: Turn): void }) {
  return (
    <div role="group" aria-label="Look from" className="absolute right-[124px] bottom-1 left-0 flex justify-center gap-1 xl:right-0">
      {(Object.keys(VIEWS) as ViewName[]).map((name) => (
        <button
          key={name} type="button" onClick={() => onTurn(VIEWS[name])} aria-pressed={turn.azimuthDeg === VIEWS[name].azimuthDeg && turn.elevationDeg === VIEWS[name].elevationDeg}
          className="h-10 rounded-ui border border-edge bg-raised px-3 text-sm font-semibold hover:border-ink aria-pressed:border-leaf aria-pressed:bg-leaf-pale"
        >
          {name}
        </button>
      ))}
    </div>
  );
}

/** Sets the camera and the light to the turn; in the mirror both stand on the other side, as the head does. */
function Viewpoint({ turn, k }: { turn: Turn; k: number }) {
  const { camera, invalidate, size } = useThree();
  const light = useRef<DirectionalLight>(null);
  useLayoutEffect(() => {
    aim(camera as PerspectiveCamera, light.current, turn, k);
    invalidate();
  }, [camera, invalidate, turn, k, size]);
  return (
    <>
      <hemisphereLight args={['#ffffff', '#8f9a90', 1.5]} />
      <directionalLight ref={light} intensity={2.1} />
    </>
  );
}

function aim(camera: PerspectiveCamera, light: DirectionalLight | null, turn: Turn, k: number): void {
  const eye = eyeOf(turn, k);
  const flip = turn.mirrored ? -1 : 1;
  camera.position.set(eye.at.x * flip, eye.at.y, eye.at.z);
  camera.up.set(eye.up.x * flip, eye.up.y, eye.up.z);
  camera.lookAt(eye.target.x * flip, eye.target.y, eye.target.z);
  camera.fov = (Math.atan(eye.tangent) * 360) / Math.PI;
  camera.updateProjectionMatrix();
  // Over the left shoulder of who looks.
  const { x, y, z } = addScaled(addScaled(eye.at, eye.up, 420), eye.right, turn.mirrored ? 260 : -260);
  light?.position.set(x * flip, y, z);
}

function Scene({ computed, bark, partOffsetMm, selectedPanel, selectedFoil, lit, mirrored }: RoundHeadProps & { mirrored: boolean }) {
  const invalidate = useThree((state) => state.invalidate);
  const { drawing, sheet } = computed;
  const { head } = drawing;
  const body = useLetGo(useMemo(() => bodyGeometry(head), [head]));
  const scalp = useLetGo(useMemo(() => scalpGeometry(head), [head]));
  const hair = useLetGo(useMemo(() => hairTexture(bark), [bark]));
  const foils = useLetGo(useMemo(() => foilGeometry(drawing, bark, sheet.foils.map(({ widthMm }) => widthMm)), [drawing, sheet, bark]));
  const free = useLetGo(useMemo(() => freeGeometry(drawing, sheet.dropouts.map(({ treatment }) => treatment)), [drawing, sheet]));
  const bright = useLetGo(
    useMemo(() => brightGeometry(head, drawing.paths.filter(({ id }) => id === lit || id === selectedFoil)), [head, drawing, lit, selectedFoil]),
  );
  const edges = useLetGo(useMemo(() => lineGeometry(head, outlinesOf(drawing, (panel) => panel !== selectedPanel), true), [head, drawing, selectedPanel]));
  const chosen = useLetGo(useMemo(() => lineGeometry(head, outlinesOf(drawing, (panel) => panel === selectedPanel), true, 2), [head, drawing, selectedPanel]));
  const part = useLetGo(useMemo(() => lineGeometry(head, partOffsetMm === null ? [] : [openedPart(head, partOffsetMm)], false, 3.4), [head, partOffsetMm]));
  useEffect(() => invalidate());
  return (
    <group scale={[mirrored ? -1 : 1, 1, 1]}>
      {/* What lies in front is drawn first, so that what it hides costs nothing. */}
      <mesh geometry={scalp} renderOrder={1}><meshLambertMaterial map={hair} /></mesh>
      <mesh geometry={body} renderOrder={2}><meshLambertMaterial vertexColors /></mesh>
      <mesh geometry={free}><meshBasicMaterial vertexColors side={2} transparent opacity={0.85} /></mesh>
      <mesh geometry={foils}><meshBasicMaterial vertexColors side={2} /></mesh>
      <mesh geometry={bright}><meshBasicMaterial vertexColors side={2} /></mesh>
      <lineSegments geometry={edges}><lineBasicMaterial color="#ffffff" transparent opacity={0.35} /></lineSegments>
      <lineSegments geometry={chosen}><lineBasicMaterial color="#ffffff" transparent opacity={0.95} /></lineSegments>
      <lineSegments geometry={part}><lineBasicMaterial color="#ffffff" /></lineSegments>
    </group>
  );
}

function outlinesOf({ outlines }: PatternDrawing, wanted: (panel: string) => boolean): (readonly OpenedPoint[])[] {
  return outlines.filter(({ panel }) => wanted(panel)).flatMap((own) => own.outlines);
}

/** What lies on the graphics card is let go when another takes its place. */
function useLetGo<T extends { dispose(): void }>(kept: T): T {
  useEffect(() => () => kept.dispose(), [kept]);
  return kept;
}

/** Names of landmarks that face the eye, standing beside them. */
function Labels({ head, eye, box }: { head: Head; eye: Eye; box: RefObject<HTMLDivElement | null> }) {
  const [aspect, setAspect] = useState(1);
  useLayoutEffect(() => {
    const element = box.current!;
    const observer = new ResizeObserver(() => setAspect(element.clientWidth / Math.max(1, element.clientHeight)));
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
  const marks = useMemo(() => named(head), [head]);
  return marks.map(({ name, at, normal }) => {
    if (dot(normal, subtract(eye.at, at)) < 60) return null;
    const { x, y } = onScreenOf(eye, aspect, at);
    return (
      <span
        key={name} className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 text-xs font-medium text-white [text-shadow:0_0_3px_#000,0_0_6px_#000]"
        style={{ left: `${(x + 1) * 50}%`, top: `${(1 - y) * 50}%` }}
      >
        {name}
      </span>
    );
  });
}

function named(head: Head): { name: string; at: Vec3; normal: Vec3 }[] {
  const marks = landmarks(head);
  const ear = scale({ x: 78, y: -66, z: -14 }, head.k);
  const off = (name: string, at: Vec3, byMm = 4) => {
    const normal = surfaceNormal(at, head.skull);
    return { name, at: addScaled(at, normal, byMm), normal };
  };
  return [
    off('crown', head.crown), off('occipital bone', marks.occipitalBone),
    { name: 'left ear', at: ear, normal: { x: 1, y: 0, z: 0 } },
    { name: 'right ear', at: { ...ear, x: -ear.x }, normal: { x: -1, y: 0, z: 0 } },
  ];
}
