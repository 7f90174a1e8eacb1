'use client';

import { useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo, useRef } from 'react';
import type { DirectionalLight, PerspectiveCamera } from 'three';
import { addScaled, openedPart, type OpenedPoint } from '@/core/head';
import type { ComputedPlan, PatternDrawing } from '@/core/pattern';
import type { Consult } from '@/core/visit';
import { isPlain, ownTexel } from '../own-hair';
import { aimCamera } from './aim';
import { bodyGeometry } from './body-mesh';
import { brightGeometry, foilGeometry, freeGeometry, lineGeometry } from './foil-mesh';
import { hairTexture, scalpGeometry, STREAKS } from './scalp-mesh';
import type { Rgb } from './solid';
import { eyeOf, type Turn } from './turn';

export interface SceneProps {
  computed: ComputedPlan;
  /** Colour of unlit hair, linear light. */
  bark: Rgb;
  /** The hair that the client has, where it is not one colour. */
  own?: Pick<Consult, 'naturalLevel' | 'map'>;
  /** mm from the middle; null without a part. */
  partOffsetMm: number | null;
  selectedPanel: string;
  selectedFoil?: string;
  lit?: string;
}

/**
 * Sets the camera and the light to the turn; in the mirror both stand on the other side, as the head does.
 */
export function Viewpoint({ turn, k }: { turn: Turn; k: number }) {
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
  aimCamera(camera, eye, turn.mirrored);
  // Over the left shoulder of who looks.
  const { x, y, z } = addScaled(addScaled(eye.at, eye.up, 420), eye.right, turn.mirrored ? 260 : -260);
  light?.position.set(turn.mirrored ? -x : x, y, z);
}

/** Everything that stands before the eye; in the mirror its sides are changed over. */
export function Scene({
  computed,
  bark,
  own,
  partOffsetMm,
  selectedPanel,
  selectedFoil,
  lit,
  mirrored,
}: SceneProps & { mirrored: boolean }) {
  const invalidate = useThree((state) => state.invalidate);
  const { drawing, sheet } = computed;
  const { head } = drawing;
  const body = useLetGo(useMemo(() => bodyGeometry(head), [head]));
  const scalp = useLetGo(useMemo(() => scalpGeometry(head), [head]));
  const hair = useLetGo(
    useMemo(
      () => hairTexture(own && !isPlain(own) ? ownTexel(head, own, STREAKS) : () => bark),
      [head, bark, own],
    ),
  );
  const foils = useLetGo(
    useMemo(
      () =>
        foilGeometry(
          drawing,
          bark,
          sheet.foils.map(({ widthMm }) => widthMm),
        ),
      [drawing, sheet, bark],
    ),
  );
  const free = useLetGo(
    useMemo(
      () =>
        freeGeometry(
          drawing,
          sheet.dropouts.map(({ treatment }) => treatment),
        ),
      [drawing, sheet],
    ),
  );
  const bright = useLetGo(
    useMemo(
      () =>
        brightGeometry(
          head,
          drawing.paths.filter(({ id }) => id === lit || id === selectedFoil),
        ),
      [head, drawing, lit, selectedFoil],
    ),
  );
  const edges = useLetGo(
    useMemo(
      () =>
        lineGeometry(
          head,
          outlinesOf(drawing, (panel) => panel !== selectedPanel),
          true,
        ),
      [head, drawing, selectedPanel],
    ),
  );
  const chosen = useLetGo(
    useMemo(
      () =>
        lineGeometry(
          head,
          outlinesOf(drawing, (panel) => panel === selectedPanel),
          true,
          2,
        ),
      [head, drawing, selectedPanel],
    ),
  );
  const part = useLetGo(
    useMemo(
      () => lineGeometry(head, partOffsetMm === null ? [] : [openedPart(head, partOffsetMm)], false, 3.4),
      [head, partOffsetMm],
    ),
  );
  useEffect(() => invalidate());
  return (
    <group scale={[mirrored ? -1 : 1, 1, 1]}>
      {/* What lies in front is drawn first, so that what it hides costs nothing. */}
      <mesh geometry={scalp} renderOrder={1}>
        <meshLambertMaterial map={hair} />
      </mesh>
      <mesh geometry={body} renderOrder={2}>
        <meshLambertMaterial vertexColors />
      </mesh>
      <mesh geometry={free}>
        <meshBasicMaterial vertexColors side={2} transparent opacity={0.85} />
      </mesh>
      <mesh geometry={foils}>
        <meshBasicMaterial vertexColors side={2} />
      </mesh>
      <mesh geometry={bright}>
        <meshBasicMaterial vertexColors side={2} />
      </mesh>
      <lineSegments geometry={edges}>
        <lineBasicMaterial color="#ffffff" transparent opacity={0.35} />
      </lineSegments>
      <lineSegments geometry={chosen}>
        <lineBasicMaterial color="#ffffff" transparent opacity={0.95} />
      </lineSegments>
      <lineSegments geometry={part}>
        <lineBasicMaterial color="#ffffff" />
      </lineSegments>
    </group>
  );
}

function outlinesOf(
  { outlines }: PatternDrawing,
  wanted: (panel: string) => boolean,
): (readonly OpenedPoint[])[] {
  return outlines.filter(({ panel }) => wanted(panel)).flatMap((outline) => outline.outlines);
}

/** What lies on the graphics card is let go when another takes its place. */
function useLetGo<T extends { dispose(): void }>(kept: T): T {
  useEffect(() => () => kept.dispose(), [kept]);
  return kept;
}
