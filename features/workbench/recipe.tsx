'use client';

import { directionName, gatherName, gatherOf, nominalDropout, pitchOf, stitchIntervals, type Gather, type Panel, type SingleGather } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { barkOf } from '../visit/bark';
import { useVisit } from '../visit/store';

const FORMULAS = ['A', 'B', 'C'].map((letter) => ({ value: letter, words: letter }));
const START_WEAVE = { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 } as const;

/** The recipe of the selected panel; every change shows at once. */
export function Recipe() {
  const { plan, computed, selected, editPlan } = useVisit();
  const panel = plan.panels.find(({ id }) => id === selected.panel) ?? plan.panels[0];
  if (!panel) return <aside aria-label="Recipe" className="border-l border-line bg-raised" />;
  const totals = computed.sheet.panels.find((own) => own.panel === panel.id);

  /** One change of one figure; a drag is one step, named from where it began. */
  const change = (what: string, figure: (panel: Panel) => string, next: (panel: Panel) => Panel) =>
    editPlan(
      (before, after) => `${what} ${figure(find(before.panels, panel.id))} → ${figure(find(after.panels, panel.id))}, ${panel.name}`,
      (before) => ({ ...before, panels: before.panels.map((other) => (other.id === panel.id ? next(other) : other)) }),
      `${panel.id}/${what}`,
    );
  const weave = panel.gather.kind === 'weave' ? panel.gather : undefined;
  const setWeave = (what: string, figure: (gather: typeof START_WEAVE) => string, to: Partial<Extract<Gather, { kind: 'weave' }>>) =>
    change(
      what,
      (own) => (own.gather.kind === 'weave' ? figure(own.gather as typeof START_WEAVE) : 'slice'),
      (own) => ({ ...own, gather: { ...(own.gather.kind === 'weave' ? own.gather : START_WEAVE), ...to } }),
    );
  const name = gatherName(panel.gather, panel.thicknessMm);
  const dropout = shownDropout(panel, totals);

  return (
    <aside aria-label={`Recipe of ${panel.name}`} className="overflow-y-auto border-l border-line bg-raised px-4 py-4">
      <p className="text-sm font-semibold">{panel.name}</p>
      <h2 className="mb-2 text-lg leading-tight font-bold wide">{name[0].toUpperCase() + name.slice(1)}, {directionName(panel.direction)}</h2>
      <Segmented
        label="Gather" value={panel.gather.kind}
        options={[{ value: 'slice', words: 'Slice' }, { value: 'weave', words: 'Weave' }]}
        onChange={(kind) =>
          change('gather', (own) => own.gather.kind, (own) => ({ ...own, gather: kind === 'slice' ? { kind } : START_WEAVE }))
        }
      />
      <SectionPreview gather={gatherOf(panel.gather, 1)} thicknessMm={panel.thicknessMm} dropoutMm={dropout} />

      <div className="mt-4 grid gap-1">
        <Slider
          label="Thickness" min={0.5} max={15} step={0.5} value={panel.thicknessMm} said={`${panel.thicknessMm} mm`}
          onChange={(mm) => change('thickness', (own) => `${own.thicknessMm} mm`, (own) => ({ ...own, thicknessMm: mm }))}
        />
        <Slider
          label="Drop-out" min={0} max={30} step={1} value={dropout} said={`${dropout} mm`}
          hint={`Pitch ${pitchOf(panel.thicknessMm, dropout)} mm. ${dropout === 0 ? 'Back to back.' : ''}`}
          onChange={(mm) =>
            change('drop-out', (own) => `${shownDropout(own, totals)} mm`, (own) => ({ ...own, spacing: { kind: 'constant', dropoutMm: mm } }))
          }
        />
        {weave && (
          <>
            <Slider
              label="Stitch" min={0.5} max={12} step={0.5} value={weave.stitchMm} said={`${weave.stitchMm} mm`}
              onChange={(mm) => setWeave('stitch', (own) => `${own.stitchMm} mm`, { stitchMm: mm })}
            />
            <Slider
              label="Gap" min={0.5} max={12} step={0.5} value={weave.gapMm} said={`${weave.gapMm} mm`}
              onChange={(mm) => setWeave('gap', (own) => `${own.gapMm} mm`, { gapMm: mm })}
            />
            <p className="mb-1 text-base text-ink-soft">Depth of the weave</p>
            <Segmented
              label="Depth of the weave" value={weave.depth > 0.6 ? 'through' : 'surface'}
              options={[{ value: 'surface', words: 'Surface half' }, { value: 'through', words: 'Through' }]}
              onChange={(depth) =>
                setWeave('depth', (own) => (own.depth > 0.6 ? 'through' : 'surface'), { depth: depth === 'through' ? 1 : 0.5 })
              }
            />
          </>
        )}
      </div>
      <p className="mt-4 mb-1 text-base text-ink-soft">Formula</p>
      <Segmented
        label="Formula" value={panel.formula} options={FORMULAS}
        onChange={(letter) => change('formula', (own) => own.formula, (own) => ({ ...own, formula: letter }))}
      />
      {totals && (
        <p className="mt-4 text-sm text-ink-soft">
          {totals.foils} foils in {totals.rows} rows{panel.side === 'both' && ', both sides counted,'} on {Math.round(totals.areaCm2)} cm² of scalp.
        </p>
      )}
    </aside>
  );
}

/** The drop-out that is shown and moved: the one solved for a target, or the one that the spacing ends in, to half a mm. */
function shownDropout(panel: Panel, totals: { solvedDropoutMm: number | null } | undefined): number {
  return Math.round((nominalDropout(panel.spacing) ?? totals?.solvedDropoutMm ?? 0) * 2) / 2;
}

const find = (panels: readonly Panel[], id: string) => panels.find((panel) => panel.id === id)!;

const SHOWN_MM = 60;

/** A piece of the section from the front, as large as life on a screen of 96 dots an inch: light is what goes into the foil. */
function SectionPreview({ gather, thicknessMm, dropoutMm }: { gather: SingleGather; thicknessMm: number; dropoutMm: number }) {
  const { consult } = useVisit();
  const bark = barkOf(consult.naturalLevel);
  const height = thicknessMm + Math.min(dropoutMm, 12);
  const depth = gather.kind === 'slice' ? 1 : gather.depth;
  return (
    <figure className="mt-3">
      <svg viewBox={`0 0 ${SHOWN_MM} ${height}`} style={{ width: `${SHOWN_MM}mm`, height: `${height}mm` }} className="max-w-full rounded-[4px]" role="img"
        aria-label={`Section ${thicknessMm} mm thick with ${dropoutMm} mm left out behind it`}>
        <rect width={SHOWN_MM} height={height} fill={bark} />
        {stitchIntervals(gather, SHOWN_MM).map(([from, to]) => (
          <rect key={from} x={from} width={to - from} y={0} height={thicknessMm * depth} fill="var(--color-sun)" />
        ))}
        <path d={`M0 ${thicknessMm}H${SHOWN_MM}`} stroke="var(--color-foil)" strokeWidth="0.35" />
      </svg>
      <figcaption className="mt-1 text-xs text-ink-soft">
        About life-size: the section above the line, the drop-out under it.
      </figcaption>
    </figure>
  );
}
