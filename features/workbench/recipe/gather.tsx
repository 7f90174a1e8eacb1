'use client';

import { GATHER_PRESETS, gatherName, offScalp, type Gather, type SingleGather } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { useUnits } from '../../house/context';
import { LengthSlider } from '../../house/length-slider';
import { Switch } from '@/ui/switch';
import type { RecipeProps } from './props';
import { FIRST_SEQUENCE, TurnFields } from './turns';

type Kind = SingleGather['kind'] | 'alternate';

const KINDS: readonly { value: Kind; words: string }[] = [
  { value: 'slice', words: 'Slice' },
  { value: 'weave', words: 'Weave' },
  { value: 'zigzag', words: 'Zigzag' },
  { value: 'alternate', words: 'In turn' },
];
const STARTS: Record<Kind, Gather> = {
  slice: { kind: 'slice' },
  weave: GATHER_PRESETS.fine.gather,
  zigzag: GATHER_PRESETS.zigzag.gather,
  alternate: FIRST_SEQUENCE,
};
const PRESETS = Object.entries(GATHER_PRESETS).map(([value, { name }]) => ({ value, words: name }));

/** How hair is picked, and how thick the section is. */
export function GatherFields({ panel, totals, change }: RecipeProps) {
  const { gather } = panel;
  const { say } = useUnits();
  const setGather = (
    what: string,
    figure: (own: SingleGather) => string,
    next: (own: SingleGather) => SingleGather,
  ) =>
    change(
      what,
      (own) => (own.gather.kind === 'alternate' ? 'in turn' : figure(own.gather)),
      (own) => ({ ...own, gather: own.gather.kind === 'alternate' ? own.gather : next(own.gather) }),
    );
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
            (own) => gatherName(own.gather, own.thicknessMm),
            (own) => ({ ...own, gather: STARTS[kind] }),
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
                  (own) => gatherName(own.gather, own.thicknessMm),
                  (own) => ({ ...own, gather: chosen.gather, thicknessMm: chosen.thicknessMm }),
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
              (own) => say(own.thicknessMm),
              (own) => ({ ...own, thicknessMm: mm }),
            )
          }
        />
      </div>
      {gather.kind === 'weave' && (
        <>
          <LengthSlider
            label="Stitch"
            min={0.5}
            max={12}
            step={0.5}
            mm={gather.stitchMm}
            onChange={(mm) =>
              setGather(
                'stitch',
                (own) => (own.kind === 'weave' ? say(own.stitchMm) : own.kind),
                (own) => (own.kind === 'weave' ? { ...own, stitchMm: mm } : own),
              )
            }
          />
          <Graded gather={gather} setGather={setGather} />
          <LengthSlider
            label="Gap"
            min={0.5}
            max={12}
            step={0.5}
            mm={gather.gapMm}
            onChange={(mm) =>
              setGather(
                'gap',
                (own) => (own.kind === 'weave' ? say(own.gapMm) : own.kind),
                (own) => (own.kind === 'weave' ? { ...own, gapMm: mm } : own),
              )
            }
          />
        </>
      )}
      {gather.kind === 'weave' && (
        <LengthSlider
          label="Woven off the scalp"
          min={0}
          max={40}
          step={1}
          mm={gather.offScalpMm ?? 0}
          said={(mm) => (mm === 0 ? 'at the scalp' : undefined)}
          hint={offScalpWords(gather, say)}
          onChange={(mm) =>
            setGather(
              'woven off the scalp',
              (own) => (own.kind === 'weave' ? say(own.offScalpMm ?? 0) : own.kind),
              (own) => (own.kind === 'weave' ? { ...own, offScalpMm: mm } : own),
            )
          }
        />
      )}
      {gather.kind === 'zigzag' && (
        <LengthSlider
          label="Point"
          min={2}
          max={30}
          step={1}
          mm={gather.pointMm}
          onChange={(mm) =>
            setGather(
              'point',
              (own) => (own.kind === 'zigzag' ? say(own.pointMm) : own.kind),
              (own) => (own.kind === 'zigzag' ? { ...own, pointMm: mm } : own),
            )
          }
        />
      )}
      {(gather.kind === 'weave' || gather.kind === 'zigzag') && (
        <Segmented
          label="Depth of the weave"
          value={gather.depth > 0.6 ? 'through' : 'surface'}
          options={[
            { value: 'surface', words: 'Surface half' },
            { value: 'through', words: 'Through' },
          ]}
          onChange={(depth) =>
            setGather(
              'depth',
              (own) => (own.kind === 'slice' ? 'through' : own.depth > 0.6 ? 'through' : 'surface'),
              (own) => (own.kind === 'slice' ? own : { ...own, depth: depth === 'through' ? 1 : 0.5 }),
            )
          }
        />
      )}
    </>
  );
}

type Weave = Extract<SingleGather, { kind: 'weave' }>;

interface GradedProps {
  gather: Weave;
  setGather(
    what: string,
    figure: (own: SingleGather) => string,
    next: (own: SingleGather) => SingleGather,
  ): void;
}

const ENDS = [
  { value: 'hairline', words: 'From the hairline' },
  { value: 'inside', words: 'From the other end' },
] as const;

/** Stitches that grow or shrink along the section, and the end at which they begin. */
function Graded({ gather, setGather }: GradedProps) {
  const { say } = useUnits();
  const graded = typeof gather.lastStitchMm === 'number';
  const weave = (what: string, figure: (own: Weave) => string, to: Partial<Weave>) =>
    setGather(
      what,
      (own) => (own.kind === 'weave' ? figure(own) : own.kind),
      (own) => (own.kind === 'weave' ? { ...own, ...to } : own),
    );
  return (
    <>
      <div className="flex min-h-9 items-center justify-between gap-3">
        <span className="text-base">Stitches graded</span>
        <Switch
          label="Stitches graded"
          on={graded}
          onChange={(on) =>
            weave(
              'graded stitches',
              (own) => (own.lastStitchMm ? 'on' : 'off'),
              on ? { lastStitchMm: Math.max(0.5, gather.stitchMm / 2) } : { lastStitchMm: null },
            )
          }
        />
      </div>
      {graded && (
        <LengthSlider
          label="Last stitch"
          min={0.5}
          max={12}
          step={0.5}
          mm={gather.lastStitchMm!}
          onChange={(mm) =>
            weave('last stitch', (own) => say(own.lastStitchMm ?? own.stitchMm), { lastStitchMm: mm })
          }
        />
      )}
      <Segmented
        label="Where the first stitch lies"
        value={gather.fromHairline ? 'hairline' : 'inside'}
        options={ENDS}
        onChange={(end) =>
          weave('first stitch', (own) => (own.fromHairline ? 'at the hairline' : 'at the other end'), {
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
