'use client';

import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { BufferAttribute, BufferGeometry, Color, GLSL3, ShaderMaterial, type PerspectiveCamera } from 'three';
import { vec } from '@/core/head';
import type { WearAsks } from '@/workers/wear-asks';
import { aimCamera } from '../head/round/aim';
import { drawsInSoftware } from '../head/round/software';
import { enlarged, eyeOf, FIELD_DEG, saidView, settled, turned, turnedByKey, VIEWS, type Turn } from '../head/round/turn';

type Hair = WearAsks['strands']['answer'];

interface RoundHairProps {
  hair: Hair | undefined;
  /** sRGB bytes of every point, as the points are. */
  colours: Uint8Array<ArrayBuffer> | undefined;
  /** Size of the head against the average one. */
  k: number;
  label: string;
}

const LOOKED_AT = vec(0, -82, 0);
const FROM_MM = 980;
const DEG_PER_PX = 0.45;

/** Hair as the graphics card draws it, line by line: turned by a drag or the arrow keys. */
export default function RoundHair({ hair, colours, k, label }: RoundHairProps) {
  const [turn, setTurn] = useState<Turn>(VIEWS.Back);
  const [from, setFrom] = useState<{ x: number; y: number }>();
  const software = drawsInSoftware();
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    if (!from) return;
    setTurn((before) => turned(before, (event.clientX - from.x) * DEG_PER_PX, (event.clientY - from.y) * DEG_PER_PX));
    setFrom({ x: event.clientX, y: event.clientY });
  };
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    const next = turnedByKey(turn, event.key);
    if (!next) return;
    event.preventDefault();
    setTurn(next);
  };
  return (
    <div
      tabIndex={0} role="group" aria-label={`${label}, ${saidView(turn)}; arrow keys turn it, 1 to 5 jump to a view`} data-turn={`${Math.round(turn.azimuthDeg)} ${Math.round(turn.elevationDeg)}`}
      className="relative h-full w-full cursor-grab touch-none select-none"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setFrom({ x: event.clientX, y: event.clientY });
      }}
      onPointerMove={onPointerMove}
      onPointerUp={() => {
        setFrom(undefined);
        setTurn(settled);
      }}
      onPointerCancel={() => setFrom(undefined)} onKeyDown={onKeyDown} onWheel={(event) => setTurn((before) => enlarged(before, Math.exp(-event.deltaY / 400)))}
    >
      <Canvas
        frameloop="demand" dpr={software ? 1 : [1, 2]} flat camera={{ fov: FIELD_DEG, near: 300, far: 2400 }} gl={{ antialias: !software, alpha: true }}
        style={{ pointerEvents: 'none' }} aria-hidden="true"
      >
        <Eye turn={turn} k={k} />
        {hair && colours && <Lines hair={hair} colours={colours} mirrored={turn.mirrored} />}
      </Canvas>
      <p className="pointer-events-none absolute inset-x-0 top-1 text-center text-sm text-ink-soft">{saidView(turn)}</p>
    </div>
  );
}

function Eye({ turn, k }: { turn: Turn; k: number }) {
  const { camera, invalidate, size } = useThree();
  useLayoutEffect(() => {
    aimCamera(camera as PerspectiveCamera, eyeOf(turn, k, LOOKED_AT, FROM_MM), turn.mirrored);
    invalidate();
  }, [camera, invalidate, turn, k, size]);
  return null;
}

/** Lit as the computed picture is: the lamp stands over the onlooker's left shoulder, in the eye's own axes. */
const LAMP = 'const vec3 lamp = vec3(-0.35, 0.62, 0.7) / 0.9993;';

const HAIR_VERTEX = `
  in vec3 direction;
  in vec3 tone;
  out vec3 vDirection;
  out vec3 vOutward;
  out vec3 vTone;
  void main() {
    vDirection = mat3(modelViewMatrix) * direction;
    // Out from the middle of the head; below it, out from the neck.
    vOutward = mat3(modelViewMatrix) * (position - vec3(0.0, min(0.0, position.y + 40.0) - 10.0 * step(-40.0, position.y), -8.0));
    vTone = tone;
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }`;

const HAIR_FRAGMENT = `
  in vec3 vDirection;
  in vec3 vOutward;
  in vec3 vTone;
  out vec4 colour;
  ${LAMP}
  float across(float half_, float at, float width, float sharp) { return pow(max(0.0, 1.0 - (half_ - at) * (half_ - at) * width), sharp); }
  void main() {
    vec3 t = normalize(vDirection);
    float diffuse = max(0.0, dot(normalize(vOutward), lamp));
    float tl = dot(t, lamp);
    float half_ = (tl + t.z) * 0.5;
    float lit = 0.34 + 0.8 * sqrt(max(0.0, 1.0 - tl * tl)) * (0.35 + 0.65 * diffuse);
    float white = 0.1 * across(half_, 0.06, 6.0, 24.0) * diffuse;
    float tinted = 0.5 * across(half_, -0.1, 3.0, 8.0) * diffuse;
    vec3 own = pow(vTone, vec3(2.2)) * (lit + tinted) + white;
    colour = vec4(pow(clamp(own, 0.0, 1.0), vec3(1.0 / 2.2)), 1.0);
  }`;

const SKIN_VERTEX = `
  in vec3 tone;
  out vec3 vNormal_;
  out vec3 vTone;
  void main() {
    vNormal_ = normalMatrix * normal;
    vTone = tone;
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }`;

const SKIN_FRAGMENT = `
  in vec3 vNormal_;
  in vec3 vTone;
  out vec4 colour;
  ${LAMP}
  void main() {
    float diffuse = max(0.0, dot(normalize(vNormal_), lamp));
    colour = vec4(pow(vTone * (0.34 + 0.75 * diffuse), vec3(1.0 / 2.2)), 1.0);
  }`;

const SKIN = new Color(0.36, 0.31, 0.26);
const SCALP = new Color(0.05, 0.042, 0.035);

function Lines({ hair, colours, mirrored }: { hair: Hair; colours: Uint8Array<ArrayBuffer>; mirrored: boolean }) {
  const invalidate = useThree((state) => state.invalidate);
  const lines = useMemo(() => lineGeometry(hair), [hair]);
  const body = useMemo(() => bodyGeometry(hair), [hair]);
  const hairMaterial = useMemo(() => new ShaderMaterial({ glslVersion: GLSL3, vertexShader: HAIR_VERTEX, fragmentShader: HAIR_FRAGMENT }), []);
  const skinMaterial = useMemo(() => new ShaderMaterial({ glslVersion: GLSL3, vertexShader: SKIN_VERTEX, fragmentShader: SKIN_FRAGMENT, side: 2 }), []);
  useEffect(() => () => lines.dispose(), [lines]);
  useEffect(() => () => body.dispose(), [body]);
  useEffect(() => () => [hairMaterial, skinMaterial].forEach((own) => own.dispose()), [hairMaterial, skinMaterial]);
  useLayoutEffect(() => {
    lines.setAttribute('tone', new BufferAttribute(colours, 3, true));
    invalidate();
  }, [lines, colours, invalidate, mirrored]);
  return (
    <group scale={[mirrored ? -1 : 1, 1, 1]}>
      <mesh geometry={body} material={skinMaterial} />
      <lineSegments geometry={lines} material={hairMaterial} frustumCulled={false} />
    </group>
  );
}

function lineGeometry({ count, points, used, xyz, directions }: Hair): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(xyz, 3));
  geometry.setAttribute('direction', new BufferAttribute(directions, 3, true));
  const segments = used.reduce((sum, own) => sum + Math.max(0, own - 1), 0);
  const index = new Uint32Array(2 * segments);
  for (let s = 0, n = 0; s < count; s += 1) {
    for (let p = 0; p + 1 < used[s]; p += 1) {
      index[n] = points * s + p;
      index[n + 1] = points * s + p + 1;
      n += 2;
    }
  }
  geometry.setIndex(new BufferAttribute(index, 1));
  return geometry;
}

function bodyGeometry({ body: { rings, round, xyz, hairy } }: Hair): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(xyz, 3));
  const tone = new Float32Array(3 * hairy.length);
  hairy.forEach((bears, i) => (bears ? SCALP : SKIN).toArray(tone, 3 * i));
  geometry.setAttribute('tone', new BufferAttribute(tone, 3));
  const index: number[] = [];
  for (let j = 0; j + 1 < rings; j += 1) {
    for (let i = 0; i + 1 < round; i += 1) {
      const a = j * round + i;
      index.push(a, a + round, a + 1, a + 1, a + round, a + round + 1);
    }
  }
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
}

