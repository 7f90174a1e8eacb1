'use client';

import { Canvas, useThree } from '@react-three/fiber';
import {
  useEffect,
  useLayoutEffect,
  useMemo,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import {
  BufferAttribute,
  BufferGeometry,
  Data3DTexture,
  GLSL3,
  LinearFilter,
  RedFormat,
  ShaderMaterial,
  Vector2,
  Vector3,
  type PerspectiveCamera,
} from 'three';
import { vec } from '@/core/head';
import { BUST, FIBRE, LIGHTING, MOST_PER_MM, SHOULDER, STOPS, type Lamp, type Ribbons } from '@/core/wear';
import { aimCamera } from '../head/round/aim';
import { drawsInSoftware } from '../head/round/software';
import {
  enlarged,
  eyeOf,
  FIELD_DEG,
  saidView,
  settled,
  turned,
  turnedByKey,
  VIEWS,
  type Turn,
} from '../head/round/turn';

interface RoundHairProps {
  hair: Ribbons | undefined;
  /** Colours of every vertex, square roots of linear light as bytes. */
  colours: Uint8Array<ArrayBuffer> | undefined;
  /** Size of the head against the average one. */
  k: number;
  lamp: Lamp;
  label: string;
  /** The hand rests: looked at from here, or from nowhere in particular while it turns. */
  onRest(side: { azimuthDeg: number; heightDeg: number; mirrored: boolean } | undefined): void;
  /** What was computed for where it rests. */
  rested: ReactNode;
}

const LOOKED_AT = vec(0, -79, 0);
/**
 * Looked at from so far away that it is drawn nearly as the computed picture is, which knows no perspective,
 * and as large.
 */
const FROM_MM = 4200;
const SEEN_MM = 422;
const ZOOM = Math.tan((FIELD_DEG * Math.PI) / 360) / (SEEN_MM / 2 / FROM_MM);
/** A hand that has not moved for so long rests. */
const RESTS_MS = 300;
const DEG_PER_PX = 0.45;

/** Hair as the graphics card draws it: turned by a drag or the arrow keys. */
export default function RoundHair({ hair, colours, k, lamp, label, onRest, rested }: RoundHairProps) {
  const [turn, setTurn] = useState<Turn>(VIEWS.Back);
  const [from, setFrom] = useState<{ x: number; y: number }>();
  const software = drawsInSoftware();
  const resting = from === undefined && turn.times === 1;
  useEffect(() => {
    onRest(undefined);
    if (!resting) return;
    const timer = setTimeout(
      () => onRest({ azimuthDeg: turn.azimuthDeg, heightDeg: turn.elevationDeg, mirrored: turn.mirrored }),
      RESTS_MS,
    );
    return () => clearTimeout(timer);
  }, [turn, resting, onRest]);
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    if (!from) return;
    setTurn((before) =>
      turned(before, (event.clientX - from.x) * DEG_PER_PX, (event.clientY - from.y) * DEG_PER_PX),
    );
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
      tabIndex={0}
      role="group"
      aria-label={`${label}, ${saidView(turn)}; arrow keys turn it, 1 to 5 jump to a view`}
      data-turn={`${Math.round(turn.azimuthDeg)} ${Math.round(turn.elevationDeg)}`}
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
      onPointerCancel={() => setFrom(undefined)}
      onKeyDown={onKeyDown}
      onWheel={(event) => setTurn((before) => enlarged(before, Math.exp(-event.deltaY / 400)))}
    >
      <Canvas
        frameloop="demand"
        dpr={software ? 1 : [1, 2]}
        flat
        camera={{ fov: FIELD_DEG, near: 3000, far: 5600 }}
        gl={{ antialias: !software, alpha: true }}
        style={{ pointerEvents: 'none' }}
        aria-hidden="true"
      >
        <Eye turn={turn} k={k} />
        {hair && colours && <Drawn hair={hair} colours={colours} lamp={lamp} mirrored={turn.mirrored} />}
      </Canvas>
      {rested && <div className="pointer-events-none absolute inset-0 bg-ground">{rested}</div>}
      <p className="pointer-events-none absolute inset-x-0 top-1 text-center text-sm text-ink-soft">
        {saidView(turn)}
      </p>
    </div>
  );
}

function Eye({ turn, k }: { turn: Turn; k: number }) {
  const { camera, invalidate, size } = useThree();
  useLayoutEffect(() => {
    aimCamera(
      camera as PerspectiveCamera,
      eyeOf({ ...turn, times: turn.times * ZOOM }, k, LOOKED_AT, FROM_MM),
      turn.mirrored,
    );
    invalidate();
  }, [camera, invalidate, turn, k, size]);
  return null;
}

/** A figure as the graphics card writes it. */
const f = (value: number) => value.toFixed(4);

/**
 * Lit as the computed picture is, by the same figures: the lamp stands in the eye's own axes, and hair stands
 * in its way.
 */
const LAMPS_GLSL = `
  uniform vec3 lamp;
  uniform vec3 behind;
  uniform vec3 shining;`;

const REACHES = `
  ${LAMPS_GLSL}
  uniform highp sampler3D density;
  uniform vec3 boxFrom;
  uniform vec3 boxSize;
  uniform float cellMm;
  // Share of light from a direction that reaches a place.
  float reaches(vec3 at, vec3 towards) {
    vec3 one = towards * cellMm;
    float met = 0.4 * texture(density, (at - boxFrom) / boxSize).r;
    for (int i = 1; i <= 9; i += 1) {
      vec3 place = (at + one * float(i) - boxFrom) / boxSize;
      if (any(lessThan(place, vec3(0.0))) || any(greaterThan(place, vec3(1.0)))) break;
      met += texture(density, place).r;
    }
    return exp(-met * ${f(STOPS * MOST_PER_MM)} * cellMm);
  }`;

const ENCODED = `
  precision highp float;
  ${LAMPS_GLSL}
  out vec4 colour;
  vec3 encoded(vec3 own) {
    vec3 soft = mix(own, 1.0 - ${f(1 - SHOULDER)} * exp((${f(SHOULDER)} - own) / ${f(1 - SHOULDER)}), step(${f(SHOULDER)}, own));
    return pow(clamp(soft, 0.0, 1.0), vec3(1.0 / 2.2));
  }`;

const HAIR_VERTEX = `
  in vec4 run;
  in vec3 tone;
  out vec3 vRun;
  out vec3 vTone;
  out vec3 vLit;
  uniform vec2 screen;
  uniform float widthPx;
  ${REACHES}
  void main() {
    vec4 seen = modelViewMatrix * vec4(position, 1.0);
    vRun = normalize(mat3(modelViewMatrix) * run.xyz);
    vTone = tone * tone;
    mat3 back = transpose(mat3(modelViewMatrix));
    vLit = vec3(
      reaches(position, normalize(back * lamp)),
      reaches(position, normalize(back * vec3(0.0, 0.0, 1.0))),
      reaches(position, normalize(back * behind))
    );
    vec4 place = projectionMatrix * seen;
    // Aside from the way the hair runs on the screen, so many pixels wide.
    vec4 on = projectionMatrix * (seen + vec4(vRun, 0.0));
    vec2 way = (on.xy / on.w - place.xy / place.w) * screen;
    vec2 aside = normalize(vec2(-way.y, way.x) + 1e-6);
    place.xy += aside * run.w * widthPx / screen * place.w;
    gl_Position = place;
  }`;

const lobe = ({ most, at, sharp }: { most: number; at: number; sharp: number }) =>
  `lobe(turn, ${f(at)}, ${f(sharp)}) * ${f(most)}`;

const HAIR_FRAGMENT = `
  ${ENCODED}
  in vec3 vRun;
  in vec3 vTone;
  in vec3 vLit;
  float lobe(float turn, float at, float sharp) { float off = turn - at; return pow(max(0.0, 1.0 - off * off), sharp * 0.5); }
  void main() {
    vec3 t = normalize(vRun);
    float tl = dot(t, lamp);
    float tb = dot(t, behind);
    float turn = (tl + t.z) * 0.5;
    float own = ${f(FIBRE.around)} * (0.25 + 0.75 * vLit.y) + ${f(FIBRE.across)} * sqrt(max(0.0, 1.0 - tl * tl)) * vLit.x;
    float tinted = ${lobe(FIBRE.tinted)} * vLit.x + ${f(FIBRE.rim)} * sqrt(max(0.0, 1.0 - tb * tb)) * vLit.z * vLit.z;
    float white = ${lobe(FIBRE.white)} * vLit.x * (0.6 + 0.4 * vLit.y);
    colour = vec4(encoded((vTone * (own + tinted) + white) * shining), 1.0);
  }`;

const SKIN_VERTEX = `
  out vec3 vFacing;
  out vec2 vLit;
  ${REACHES}
  void main() {
    vFacing = normalMatrix * normal;
    mat3 back = transpose(mat3(modelViewMatrix));
    vec3 off = position + normal * 4.0;
    vLit = vec2(reaches(off, normalize(back * lamp)), reaches(off, vec3(0.0, 1.0, 0.0)));
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }`;

const SKIN_FRAGMENT = `
  ${ENCODED}
  in vec3 vFacing;
  in vec2 vLit;
  void main() {
    vec3 n = normalize(vFacing);
    float wrapped = max(0.0, (dot(n, lamp) + ${f(BUST.wraps)}) / ${f(1 + BUST.wraps)});
    float lit = ${f(BUST.around)} * (0.7 + 0.3 * n.y) * (0.5 + 0.5 * vLit.y) + ${f(BUST.lamp)} * wrapped * vLit.x;
    colour = vec4(encoded(vec3(${BUST.rgb.map(f).join(', ')}) * lit * shining), 1.0);
  }`;

/** Width of a ribbon, pixels to each side; wider where fewer strands stand for all. */
const WIDTH_PX = 0.7;
const FEW_WIDTH_PX = 1.6;

interface DrawnProps {
  hair: Ribbons;
  colours: Uint8Array<ArrayBuffer>;
  lamp: Lamp;
  mirrored: boolean;
}

function Drawn({ hair, colours, lamp, mirrored }: DrawnProps) {
  const { invalidate, size, viewport } = useThree();
  const ribbons = useMemo(() => ribbonGeometry(hair), [hair]);
  const body = useMemo(() => bodyGeometry(hair), [hair]);
  const materials = useMemo(() => {
    const { cellMm, size: cells, from, cells: values } = hair.density;
    const density = new Data3DTexture(values, ...cells);
    density.format = RedFormat;
    density.minFilter = density.magFilter = LinearFilter;
    density.unpackAlignment = 1;
    density.needsUpdate = true;
    const shared = {
      density: { value: density },
      cellMm: { value: cellMm },
      boxFrom: { value: new Vector3(...from).subScalar(cellMm / 2) },
      boxSize: { value: new Vector3(...cells).multiplyScalar(cellMm) },
      lamp: { value: new Vector3() },
      behind: { value: new Vector3() },
      shining: { value: new Vector3() },
    };
    return {
      density,
      hair: new ShaderMaterial({
        glslVersion: GLSL3,
        vertexShader: HAIR_VERTEX,
        fragmentShader: HAIR_FRAGMENT,
        side: 2,
        uniforms: {
          ...shared,
          screen: { value: new Vector2(1, 1) },
          widthPx: { value: drawsInSoftware() ? FEW_WIDTH_PX : WIDTH_PX },
        },
      }),
      skin: new ShaderMaterial({
        glslVersion: GLSL3,
        vertexShader: SKIN_VERTEX,
        fragmentShader: SKIN_FRAGMENT,
        side: 2,
        uniforms: shared,
      }),
    };
  }, [hair]);
  useEffect(() => () => ribbons.dispose(), [ribbons]);
  useEffect(() => () => body.dispose(), [body]);
  useLayoutEffect(() => {
    const { from, behind, lamp: shining } = LIGHTING[lamp];
    for (const [name, [x, y, z]] of Object.entries({ lamp: from, behind, shining })) {
      // Hair and skin share them.
      (materials.hair.uniforms[name].value as Vector3).set(x, y, z);
    }
    invalidate();
  }, [materials, lamp, invalidate]);
  useEffect(() => () => Object.values(materials).forEach((material) => material.dispose()), [materials]);
  useLayoutEffect(() => {
    (materials.hair.uniforms.screen.value as Vector2).set(
      (size.width * viewport.dpr) / 2,
      (size.height * viewport.dpr) / 2,
    );
    ribbons.setAttribute('tone', new BufferAttribute(colours, 3, true));
    invalidate();
  }, [materials, ribbons, colours, invalidate, mirrored, size, viewport.dpr]);
  return (
    <group scale={[mirrored ? -1 : 1, 1, 1]}>
      <mesh geometry={body} material={materials.skin} />
      <mesh geometry={ribbons} material={materials.hair} frustumCulled={false} />
    </group>
  );
}

function ribbonGeometry({ position, run, index }: Ribbons): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(position, 3));
  geometry.setAttribute('run', new BufferAttribute(run, 4, true));
  geometry.setIndex(new BufferAttribute(index, 1));
  return geometry;
}

function bodyGeometry({ body: { xyz, normals, triangles } }: Ribbons): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(xyz, 3));
  geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  geometry.setIndex(new BufferAttribute(triangles, 1));
  return geometry;
}
