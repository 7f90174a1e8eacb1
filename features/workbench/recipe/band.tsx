'use client';

import { zoneName } from '@/core/head';
import { followsHair, type BandWidth, type Place } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { useUnits } from '../../house/context';
import { useHangingHair } from '../use-hanging-hair';
import { LengthSlider } from '../../house/length-slider';

type Band = Extract<Place, { kind: 'hairline-band' }>;

/** Landmarks along the hairline, degrees from the front. */
const LANDMARKS: readonly { readonly deg: number; readonly words: string }[] = [
  { deg: 0, words: 'Middle of the forehead' },
  { deg: 36, words: 'Side of the forehead' },
  { deg: 50, words: 'Temple' },
  { deg: 80, words: 'In front of the ear' },
  { deg: 97, words: 'Top of the ear' },
  { deg: 115, words: 'Behind the ear' },
  { deg: 142, words: 'Corner of the nape' },
  { deg: 180, words: 'Middle of the nape' },
];
const WIDTHS = [
  { value: 'even', words: 'Even' },
  { value: 'run', words: 'From … to' },
  { value: 'hair', words: 'By the hair' },
] as const;
type WidthKind = (typeof WIDTHS)[number]['value'];
const USUAL_HAIRS = 17;
const WIDEST_MM = 60;

interface BandFieldsProps {
  place: Band;
  set(what: string, figure: (place: Place) => string, next: Place): void;
}

/** A band along the hairline: from where to where, how wide, and how far behind short hair it begins. */
export function BandFields({ place, set }: BandFieldsProps) {
  const { say } = useUnits();
  const { widthMm } = place;
  const kind: WidthKind = typeof widthMm === 'number' ? 'even' : followsHair(widthMm) ? 'hair' : 'run';
  const [first, last] = runOf(widthMm, place);
  const of = (read: (own: Band) => string) => (current: Place) =>
    current.kind === 'hairline-band' ? read(current) : '';
  const width = (what: string, next: BandWidth) =>
    set(
      what,
      of((own) => widthWords(own, say)),
      { ...place, widthMm: next },
    );
  const end = (label: string, deg: number, limits: readonly [number, number], to: (deg: number) => Band) => (
    <Select
      label={label}
      value={String(deg)}
      options={optionsFor(deg).filter(
        (option) => Number(option.value) >= limits[0] && Number(option.value) <= limits[1],
      )}
      onChange={(next) =>
        set(
          label.toLowerCase(),
          of((own) => landmarkWords(label === 'From' ? own.fromDeg : own.toDeg)),
          to(Number(next)),
        )
      }
    />
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        {end('From', place.fromDeg, [0, place.toDeg - 5], (fromDeg) => rerun({ ...place, fromDeg }))}
        {end('To', place.toDeg, [place.fromDeg + 5, 180], (toDeg) => rerun({ ...place, toDeg }))}
      </div>
      <Segmented
        label="Width of the band"
        value={kind}
        options={WIDTHS}
        onChange={(next) =>
          width(
            'width of the band',
            next === 'even'
              ? Math.round(first)
              : next === 'run'
                ? run(place, first, Math.max(first, 20))
                : { hairsPerMm: USUAL_HAIRS },
          )
        }
      />
      {typeof widthMm === 'number' && (
        <LengthSlider
          label="Width"
          min={1}
          max={WIDEST_MM}
          step={1}
          mm={widthMm}
          onChange={(mm) => width('width of the band', mm)}
        />
      )}
      {kind === 'run' && (
        <>
          <LengthSlider
            label="Width at its front end"
            min={1}
            max={WIDEST_MM}
            step={1}
            mm={first}
            onChange={(mm) => width('width at the front', run(place, mm, last))}
          />
          <LengthSlider
            label="Width at its back end"
            min={1}
            max={120}
            step={1}
            mm={last}
            onChange={(mm) => width('width at the back', run(place, first, mm))}
          />
        </>
      )}
      {followsHair(widthMm) && (
        <>
          <Slider
            label="Hair hanging out"
            min={4}
            max={40}
            step={1}
            value={widthMm.hairsPerMm}
            said={`${widthMm.hairsPerMm} hairs/mm`}
            onChange={(hairsPerMm) => width('line of hair', { hairsPerMm })}
          />
          <Hanging place={place} />
        </>
      )}
      <LengthSlider
        label="Short hair pinned back"
        min={0}
        max={40}
        step={1}
        mm={place.insetMm ?? 0}
        said={(mm) => (mm === 0 ? 'none' : undefined)}
        hint={place.insetMm ? 'The first foil begins behind it.' : undefined}
        onChange={(insetMm) =>
          set(
            'short hair pinned back',
            of((own) => say(own.insetMm ?? 0)),
            { ...place, insetMm },
          )
        }
      />
    </>
  );
}

/** What the hair makes of a band that follows it: its widths, and where the line stays thin. */
function Hanging({ place }: { place: Band }) {
  const { say } = useUnits();
  const line = useHangingHair(place);
  if (!line || line.all.length === 0) return null;
  const { wanted, all } = line;
  const widths = all.map(({ widthMm }) => widthMm);
  const thin = all.filter((hangingHair) => hangingHair.hairsPerMm < wanted);
  const zones = [...new Set(thin.map(({ zone }) => zoneName(zone).toLowerCase()))];
  return (
    <p className="text-sm text-ink-soft" aria-label="Widths by the hair">
      {Math.min(...widths) === Math.max(...widths)
        ? `${say(widths[0])} wide all along.`
        : `${say(Math.min(...widths))} to ${say(Math.max(...widths))} wide.`}
      {zones.length > 0 && (
        <b className="text-amber-bark">
          {' '}
          Thin at the {zones.join(', ')}:{' '}
          {Math.round(Math.min(...thin.map((hangingHair) => hangingHair.hairsPerMm)))} hairs/mm.
        </b>
      )}{' '}
      An estimate from density and length.
    </p>
  );
}

/** Widths of a band from its front end to its back end, alike on both sides. */
function run({ fromDeg, toDeg }: Band, first: number, last: number): BandWidth {
  const both = (deg: number, mm: number): (readonly [number, number])[] =>
    deg === 0 || deg === 180
      ? [[deg, mm]]
      : [
          [-deg, mm],
          [deg, mm],
        ];
  return [...both(fromDeg, first), ...both(toDeg, last)];
}

/** A band whose ends moved: a run of widths goes from end to end again. */
function rerun(place: Band): Band {
  const { widthMm } = place;
  if (typeof widthMm === 'number' || followsHair(widthMm)) return place;
  return { ...place, widthMm: run(place, ...runOf(widthMm, place)) };
}

/** Widths at the front and back end. */
function runOf(width: BandWidth, { fromDeg, toDeg }: Band): readonly [number, number] {
  if (typeof width === 'number') return [width, width];
  if (followsHair(width)) return [10, 10];
  const nearest = (deg: number) =>
    width.reduce((best, own) =>
      Math.abs(Math.abs(own[0]) - deg) < Math.abs(Math.abs(best[0]) - deg) ? own : best,
    )[1];
  return [nearest(fromDeg), nearest(toDeg)];
}

function widthWords({ widthMm }: Band, say: (mm: number) => string): string {
  if (typeof widthMm === 'number') return say(widthMm);
  return followsHair(widthMm)
    ? `${widthMm.hairsPerMm} hairs a mm`
    : widthMm.map(([, mm]) => say(mm)).join(', ');
}

const landmarkWords = (deg: number) =>
  LANDMARKS.find((landmark) => landmark.deg === deg)?.words.toLowerCase() ?? `${deg}°`;

function optionsFor(deg: number): { value: string; words: string }[] {
  const known = LANDMARKS.map((landmark) => ({ value: String(landmark.deg), words: landmark.words }));
  return LANDMARKS.some((landmark) => landmark.deg === deg)
    ? known
    : [...known, { value: String(deg), words: `${deg}° from the front` }];
}
