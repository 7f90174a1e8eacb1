'use client';

import type { ComponentType, ReactNode } from 'react';
import {
  GATHER_KINDS,
  GATHER_PRESETS,
  gatherName,
  offScalp,
  type Gather,
  type GatherKind,
  type GatherOfKind,
  type SingleGather,
} from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { useUnits } from '../../house/context';
import { LengthSlider } from '../../house/length-slider';
import { Switch } from '@/ui/switch';
import type { RecipeProps } from './props';
import { FIRST_SEQUENCE, TurnFields } from './turns';

type Kind = GatherKind | 'alternate';
/** Changes what is gathered, where it is still of the kind that the fields were drawn for. */
type Change<G extends SingleGather> = (what: string, figure: (gather: G) => string, to: Partial<G>) => void;
interface FieldsProps<G extends SingleGather> {
  gather: G;
  set: Change<G>;
}

/** What is offered of each kind: its name, what it begins with, and its measures. */
const OFFERED: {
  readonly [K in GatherKind]: {
    words: string;
    start: GatherOfKind<K>;
    Fields: ComponentType<FieldsProps<GatherOfKind<K>>> | null;
  };
} = {
  slice: { words: 'Slice', start: GATHER_PRESETS.slice.gather, Fields: null },
  weave: { words: 'Weave', start: GATHER_PRESETS.fine.gather, Fields: WeaveFields },
  double: { words: 'Double', start: GATHER_PRESETS.double.gather, Fields: DoubleFields },
  zigzag: { words: 'Zigzag', start: GATHER_PRESETS.zigzag.gather, Fields: ZigzagFields },
};
const KINDS: readonly { value: Kind; words: string }[] = [
  ...GATHER_KINDS.map((kind) => ({ value: kind, words: OFFERED[kind].words })),
  { value: 'alternate', words: 'In turn' },
];
const PRESETS = Object.entries(GATHER_PRESETS).map(([value, { name }]) => ({ value, words: name }));

/** How hair is picked, and how thick the section is. */
export function GatherFields({ panel, totals, change }: RecipeProps) {
  const { gather } = panel;
  const { say } = useUnits();
  const set =
    <G extends SingleGather>(kind: G['kind']): Change<G> =>
    (what, figure, to) => {
      const fits = (current: Gather): current is G => current.kind === kind;
      change(
        what,
        (current) => (fits(current.gather) ? figure(current.gather) : current.gather.kind),
        (current) => (fits(current.gather) ? { ...current, gather: { ...current.gather, ...to } } : current),
      );
    };
  const name = gatherName(gather, panel.thicknessMm);
  const preset = PRESETS.find(({ words }) => words === name)?.value ?? 'own';
  return (
    <>
      <Segmented
        label="Gather"
        value={gather.kind}
        options={KINDS}
        onChange={(kind) =>
          change(
            'gather',
            (current) => gatherName(current.gather, current.thicknessMm),
            (current) => ({
              ...current,
              gather: kind === 'alternate' ? FIRST_SEQUENCE : OFFERED[kind].start,
            }),
          )
        }
      />
      {gather.kind === 'alternate' && <TurnFields {...{ panel, totals, change, gather }} />}
      {gather.kind !== 'alternate' && (
        <div className="mt-2">
          <Select
            label="Usual gathers"
            hideLabel
            value={preset}
            options={preset === 'own' ? [...PRESETS, { value: 'own', words: name }] : PRESETS}
            onChange={(key) => {
              const chosen = GATHER_PRESETS[key as keyof typeof GATHER_PRESETS];
              if (chosen)
                change(
                  'gather',
                  (current) => gatherName(current.gather, current.thicknessMm),
                  (current) => ({ ...current, gather: chosen.gather, thicknessMm: chosen.thicknessMm }),
                );
            }}
          />
        </div>
      )}
      <div className="mt-3">
        <LengthSlider
          label="Thickness"
          min={0.5}
          max={20}
          step={0.5}
          mm={panel.thicknessMm}
          onChange={(mm) =>
            change(
              'thickness',
              (current) => say(current.thicknessMm),
              (current) => ({ ...current, thicknessMm: mm }),
            )
          }
        />
      </div>
      {gather.kind !== 'alternate' && <KindFields gather={gather} set={set(gather.kind)} />}
    </>
  );
}

function KindFields({ gather, set }: FieldsProps<SingleGather>) {
  // Fields take their kind of gather alone: that this one is theirs, the types cannot follow.
  const Fields = OFFERED[gather.kind].Fields as ComponentType<FieldsProps<SingleGather>> | null;
  return Fields && <Fields gather={gather} set={set} />;
}

/** Widths along the parting of a gather that has stitches; what lies between them belongs to it alone. */
function StitchFields<G extends GatherOfKind<'weave'> | GatherOfKind<'double'>>({
  gather,
  set,
  children,
}: FieldsProps<G> & { children?: ReactNode }) {
  const { say } = useUnits();
  return (
    <>
      <LengthSlider
        label="Stitch"
        min={0.5}
        max={12}
        step={0.5}
        mm={gather.stitchMm}
        onChange={(mm) => set('stitch', (own) => say(own.stitchMm), { stitchMm: mm } as Partial<G>)}
      />
      {children}
      <LengthSlider
        label="Gap"
        min={0.5}
        max={12}
        step={0.5}
        mm={gather.gapMm}
        onChange={(mm) => set('gap', (own) => say(own.gapMm), { gapMm: mm } as Partial<G>)}
      />
    </>
  );
}

function WeaveFields({ gather, set }: FieldsProps<GatherOfKind<'weave'>>) {
  const { say } = useUnits();
  return (
    <>
      <StitchFields gather={gather} set={set}>
        <Graded gather={gather} set={set} />
      </StitchFields>
      <LengthSlider
        label="Woven off the scalp"
        min={0}
        max={40}
        step={1}
        mm={gather.offScalpMm ?? 0}
        said={(mm) => (mm === 0 ? 'at the scalp' : undefined)}
        hint={offScalpWords(gather, say)}
        onChange={(mm) => set('woven off the scalp', (own) => say(own.offScalpMm ?? 0), { offScalpMm: mm })}
      />
      <Depth gather={gather} set={set} />
    </>
  );
}

function DoubleFields({ gather, set }: FieldsProps<GatherOfKind<'double'>>) {
  const said = ({ depth }: GatherOfKind<'double'>) => (depth > 0.35 ? 'half' : 'quarter');
  return (
    <>
      <StitchFields gather={gather} set={set} />
      <Segmented
        label="Each layer takes"
        value={said(gather)}
        options={[
          { value: 'quarter', words: 'Quarter layers' },
          { value: 'half', words: 'Half layers' },
        ]}
        onChange={(depth) => set('depth of each layer', said, { depth: depth === 'half' ? 0.5 : 0.25 })}
      />
    </>
  );
}

function ZigzagFields({ gather, set }: FieldsProps<GatherOfKind<'zigzag'>>) {
  const { say } = useUnits();
  return (
    <>
      <LengthSlider
        label="Point"
        min={2}
        max={30}
        step={1}
        mm={gather.pointMm}
        onChange={(mm) => set('point', (own) => say(own.pointMm), { pointMm: mm })}
      />
      <Depth gather={gather} set={set} />
    </>
  );
}

/** Whether stitches skim the section's surface or go through it. */
function Depth<G extends GatherOfKind<'weave'> | GatherOfKind<'zigzag'>>({ gather, set }: FieldsProps<G>) {
  const said = ({ depth }: G) => (depth > 0.6 ? 'through' : 'surface');
  return (
    <Segmented
      label="Depth of the weave"
      value={said(gather)}
      options={[
        { value: 'surface', words: 'Surface half' },
        { value: 'through', words: 'Through' },
      ]}
      onChange={(depth) => set('depth', said, { depth: depth === 'through' ? 1 : 0.5 } as Partial<G>)}
    />
  );
}

const ENDS = [
  { value: 'hairline', words: 'From the hairline' },
  { value: 'inside', words: 'From the other end' },
] as const;

/** Stitches that grow or shrink along the section, and the end at which they begin. */
function Graded({ gather, set }: FieldsProps<GatherOfKind<'weave'>>) {
  const { say } = useUnits();
  const { lastStitchMm } = gather;
  return (
    <>
      <div className="flex min-h-9 items-center justify-between gap-3">
        <span className="text-base">Stitches graded</span>
        <Switch
          label="Stitches graded"
          on={typeof lastStitchMm === 'number'}
          onChange={(on) =>
            set('graded stitches', (own) => (own.lastStitchMm ? 'on' : 'off'), {
              lastStitchMm: on ? Math.max(0.5, gather.stitchMm / 2) : null,
            })
          }
        />
      </div>
      {typeof lastStitchMm === 'number' && (
        <LengthSlider
          label="Last stitch"
          min={0.5}
          max={12}
          step={0.5}
          mm={lastStitchMm}
          onChange={(mm) =>
            set('last stitch', (own) => say(own.lastStitchMm ?? own.stitchMm), { lastStitchMm: mm })
          }
        />
      )}
      <Segmented
        label="Where the first stitch lies"
        value={gather.fromHairline ? 'hairline' : 'inside'}
        options={ENDS}
        onChange={(end) =>
          set('first stitch', (own) => (own.fromHairline ? 'at the hairline' : 'at the other end'), {
            fromHairline: end === 'hairline',
          })
        }
      />
    </>
  );
}

/** What weaving off the scalp does to stitches, share and blend. */
function offScalpWords(gather: SingleGather, say: (mm: number) => string): string | undefined {
  const off = offScalp(gather);
  if (!off || gather.kind !== 'weave') return undefined;
  return `Stitches come about ${say(Math.round(2 * gather.stitchMm * off.times) / 2)} wide and uneven by up to ${say(Math.round(2 * off.wanderMm) / 2)}; the share stays, the blend is bolder. An estimate.`;
}
