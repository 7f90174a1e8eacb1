'use client';

import {
  asOutline,
  changePanel,
  frameByHair,
  isSectionedFirst,
  middleTriangle,
  sectionFirst,
  type Panel,
  type PanelSide,
  type Place,
} from '@/core/pattern';
import { Select } from '@/ui/select';
import { Button } from '@/ui/button';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { useVisit } from '../../visit/store';
import { useUnits } from '../../house/context';
import { BandFields } from './band';
import { LengthSlider } from '../../house/length-slider';
import type { RecipeProps } from './props';

const SIDES: readonly { value: PanelSide; words: string }[] = [
  { value: 'both', words: 'Both sides, mirrored' },
  { value: 'left', words: 'The client’s left' },
  { value: 'right', words: 'The client’s right' },
  { value: 'across', words: 'Across the middle, in one piece' },
];

const PLACE_NAMES: Record<Place['kind'], string> = {
  whole: 'whole head',
  back: 'behind the ears',
  side: 'in front of the ears',
  zones: 'zones',
  'part-strip': 'beside the part',
  'hairline-band': 'along the hairline',
  'face-frame': 'triangle at the face',
  'crown-triangle': 'triangle at the crown',
  wheel: 'round the crown',
  triangle: 'triangle',
  outline: 'as drawn',
  union: 'several places',
  overlap: 'where places meet',
  except: 'a place without others',
};

/** Where the panel lies, with the figures of its place. */
export function PlaceFields({ panel, change }: RecipeProps) {
  const { plan, computed, editPlan } = useVisit();
  const { say } = useUnits();
  const { place } = panel;
  const set = (what: string, figure: (current: Place) => string, next: Place) =>
    change(
      what,
      (current) => figure(current.place),
      (current) => ({ ...current, place: next }),
    );
  const length = ({
    label,
    value,
    limits,
    read,
    to,
  }: {
    readonly label: string;
    readonly value: number;
    readonly limits: readonly [number, number];
    readonly read: (current: Place) => number | undefined;
    readonly to: (mm: number) => Place;
  }) => (
    <LengthSlider
      label={label}
      min={limits[0]}
      max={limits[1]}
      step={1}
      mm={value}
      onChange={(mm) => set(label.toLowerCase(), (current) => say(read(current) ?? 0), to(mm))}
    />
  );
  const first = isSectionedFirst(plan, panel.id);
  const { head, outlines } = computed.drawing;
  const drawn = outlines.find(
    (outline) => outline.panel === panel.id && (panel.side !== 'both' || outline.side === 'left'),
  );
  const drawEdge = () => {
    const edge = drawn && asOutline(panel, drawn.outlines, head);
    if (edge) editPlan(`edge by hand, ${panel.name}`, (before) => changePanel(before, panel.id, () => edge));
  };
  const leaveOut = () => {
    const corners = drawn && middleTriangle(drawn.outlines, head);
    if (corners)
      editPlan(`triangle left out, ${panel.name}`, (before) =>
        changePanel(before, panel.id, (current) => ({
          ...current,
          leaveOut: [...current.leaveOut, corners],
        })),
      );
  };
  return (
    <div className="mt-4 grid gap-1 border-t border-line pt-3">
      <p className="text-base">
        <span className="text-ink-soft">Place:</span>{' '}
        <b className="font-semibold">{PLACE_NAMES[place.kind]}</b>
      </p>
      {place.kind === 'hairline-band' && <BandFields place={place} set={set} />}
      {place.kind === 'face-frame' &&
        length({
          label: 'Depth behind the hairline',
          value: place.depthMm,
          limits: [10, 110],
          read: (current) => (current.kind === 'face-frame' ? current.depthMm : undefined),
          to: (depthMm) => ({ ...place, depthMm }),
        })}
      {place.kind === 'face-frame' && (
        <Slider
          label="Reach"
          min={20}
          max={100}
          step={1}
          value={place.reachDeg}
          said={reachSaid(place.reachDeg)}
          onChange={(reachDeg) =>
            set('reach', (current) => (current.kind === 'face-frame' ? `${current.reachDeg}°` : ''), {
              ...place,
              reachDeg,
            })
          }
        />
      )}
      {place.kind === 'face-frame' && <FrameByHair place={place} set={set} />}
      {place.kind === 'part-strip' && (
        <>
          {length({
            label: 'Width, left',
            value: place.leftMm,
            limits: [0, 80],
            read: (current) => (current.kind === 'part-strip' ? current.leftMm : undefined),
            to: (leftMm) => ({ ...place, leftMm }),
          })}
          {length({
            label: 'Width, right',
            value: place.rightMm,
            limits: [0, 80],
            read: (current) => (current.kind === 'part-strip' ? current.rightMm : undefined),
            to: (rightMm) => ({ ...place, rightMm }),
          })}
        </>
      )}
      {place.kind === 'wheel' &&
        length({
          label: 'Radius of the disc',
          value: place.radiusMm,
          limits: [20, 120],
          read: (current) => (current.kind === 'wheel' ? current.radiusMm : undefined),
          to: (radiusMm) => ({ ...place, radiusMm }),
        })}
      {place.kind === 'crown-triangle' &&
        length({
          label: 'Half its upper edge',
          value: place.halfWidthMm,
          limits: [20, 120],
          read: (current) => (current.kind === 'crown-triangle' ? current.halfWidthMm : undefined),
          to: (halfWidthMm) => ({ ...place, halfWidthMm }),
        })}
      {panel.leaveOut.length > 0 && (
        <p className="flex items-center justify-between gap-3 text-base">
          <span className="text-ink-soft">
            {panel.leaveOut.length === 1
              ? 'A triangle is left out'
              : `${panel.leaveOut.length} triangles are left out`}
          </span>
          <Button
            small
            onClick={() =>
              change(
                'left out',
                (current) => String(current.leaveOut.length),
                (current) => ({ ...current, leaveOut: current.leaveOut.slice(0, -1) }),
              )
            }
          >
            Remove the last triangle
          </Button>
        </p>
      )}
      {place.kind !== 'outline' && place.kind !== 'triangle' && drawn && (
        <Button small onClick={drawEdge}>
          Draw its edge by hand
        </Button>
      )}
      {drawn && (
        <Button small onClick={leaveOut}>
          Leave a triangle out
        </Button>
      )}
      <Select
        label="Side"
        hideLabel
        value={panel.side}
        options={SIDES}
        onChange={(side) =>
          change(
            'side',
            (current) => current.side,
            (current: Panel) => ({ ...current, side }),
          )
        }
      />
      {panel.muted && (
        <div className="flex min-h-9 items-center justify-between gap-3">
          <span className="text-base">Its hair is kept plain</span>
          <Switch
            label={`Keep the hair of ${panel.name} plain`}
            on={panel.reserves === true}
            onChange={(reserves) =>
              change(
                'kept plain',
                (current) => (current.reserves ? 'yes' : 'no'),
                (current) => ({ ...current, reserves }),
              )
            }
          />
        </div>
      )}
      <div className="mt-1 flex items-center justify-between gap-3">
        <span className="text-base text-ink-soft">Sectioned off before the others</span>
        <Switch
          label={`Section ${panel.name} off first`}
          on={first}
          onChange={(on) =>
            editPlan(`${panel.name} sectioned off ${on ? 'first' : 'in turn'}`, (before) =>
              sectionFirst(before, panel.id, on),
            )
          }
        />
      </div>
    </div>
  );
}

/**
 * Hair at the chin is so much further down than at the hairline, mm: a frame that is to reach it needs as
 * much. Working assumption.
 */
const TO_THE_CHIN_MM = 120;

interface FrameByHairProps {
  place: Extract<Place, { kind: 'face-frame' }>;
  set(what: string, figure: (place: Place) => string, next: Place): void;
}

/** Depth of a face frame by the density at its tips, and whether the hair inside reaches the face. */
function FrameByHair({ place, set }: FrameByHairProps) {
  const { plan } = useVisit();
  const { say } = useUnits();
  const { depthMm, reachesMm } = frameByHair(place.depthMm, plan.hair);
  return (
    <>
      <p
        className={`text-sm ${reachesMm < TO_THE_CHIN_MM ? 'font-semibold text-amber-bark' : 'text-ink-soft'}`}
      >
        {reachesMm < TO_THE_CHIN_MM
          ? `Hair from its point ends ${say(Math.max(0, reachesMm))} past the hairline: it does not reach the chin.`
          : `Hair from its point reaches ${say(reachesMm)} past the hairline.`}
      </p>
      {depthMm !== place.depthMm && (
        <Button
          small
          onClick={() =>
            set(
              'depth behind the hairline',
              (current) => (current.kind === 'face-frame' ? say(current.depthMm) : ''),
              {
                ...place,
                depthMm,
              },
            )
          }
        >
          Depth by the hair at its tips: {say(depthMm)}
        </Button>
      )}
    </>
  );
}

/** How far round the head an azimuth lies, by the nearest landmark. */
function reachSaid(deg: number): string {
  if (deg < 38) return `${deg}°, forehead`;
  if (deg < 68) return `${deg}°, temple`;
  return `${deg}°, ear`;
}
