'use client';

import { pitchOf, type Panel, type PlainSpacing, type Spacing } from '@/core/pattern';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import type { RecipeProps } from './recipe';
import { shownDropout } from './shown-dropout';

const KINDS: readonly { value: Spacing['kind']; words: string }[] = [
  { value: 'constant', words: 'Even drop-out' },
  { value: 'graded', words: 'Graded: 2, 2, then 5 mm' },
  { value: 'eased', words: 'Eased from one to another' },
  { value: 'backwards', words: 'Back from the part, with a sliver' },
  { value: 'count', words: 'So many foils' },
  { value: 'share', words: 'So much lightened' },
  { value: 'minutes', words: 'So many minutes' },
];

/** The spacing to begin with when another rule is chosen: as near to what is there as it can be. */
function begin(kind: Spacing['kind'], panel: Panel, { dropoutMm, foils, minutes }: { dropoutMm: number; foils: number; minutes: number }): Spacing {
  const even: PlainSpacing = { kind: 'constant', dropoutMm };
  switch (kind) {
    case 'graded':
      return { kind, dropoutsMm: [2, 2, Math.max(2, dropoutMm)] };
    case 'eased':
      return { kind, fromMm: Math.min(80, dropoutMm * 1.5), toMm: dropoutMm };
    case 'backwards':
      return { kind, sliverMm: 4, spacing: even };
    case 'count':
      return { kind, foils: Math.max(1, foils) };
    case 'share':
      return { kind, lightened: 0.12 };
    case 'minutes':
      return { kind, minutes: Math.max(1, Math.round(minutes)) };
    default:
      return panel.spacing.kind === kind ? panel.spacing : even;
  }
}

/** Distance between the foils: a drop-out, a rule for it, or a target that it is solved for. */
export function SpacingFields({ panel, totals, change }: RecipeProps) {
  const { spacing } = panel;
  const dropout = shownDropout(panel, totals);
  const set = (what: string, figure: (own: Panel) => string, next: Spacing) => change(what, figure, (own) => ({ ...own, spacing: next }));
  const solved = totals?.solvedDropoutMm;
  return (
    <div className="mt-3 grid gap-1">
      {(spacing.kind === 'constant' || spacing.kind === 'backwards') && (
        <Slider
          label="Drop-out" min={0} max={30} step={1} value={dropout} said={`${dropout} mm`}
          hint={`Pitch ${pitchOf(panel.thicknessMm, dropout)} mm. ${dropout === 0 ? 'Back to back.' : ''}`}
          onChange={(mm) =>
            set('drop-out', (own) => `${shownDropout(own, totals)} mm`, spacing.kind === 'backwards' ? { ...spacing, spacing: { kind: 'constant', dropoutMm: mm } } : { kind: 'constant', dropoutMm: mm })
          }
        />
      )}
      {spacing.kind === 'backwards' && (
        <Slider
          label="Sliver at the line" min={0} max={15} step={0.5} value={spacing.sliverMm} said={`${spacing.sliverMm} mm`}
          onChange={(mm) => set('sliver', (own) => (own.spacing.kind === 'backwards' ? `${own.spacing.sliverMm} mm` : 'none'), { ...spacing, sliverMm: mm })}
        />
      )}
      {spacing.kind === 'graded' && (
        <Slider
          label="Last drop-out" min={0} max={30} step={1} value={dropout} said={`${dropout} mm`} hint={`Before it: ${spacing.dropoutsMm.slice(0, -1).join(', ') || 'none'} mm.`}
          onChange={(mm) => set('last drop-out', (own) => `${shownDropout(own, totals)} mm`, { ...spacing, dropoutsMm: [...spacing.dropoutsMm.slice(0, -1), mm] })}
        />
      )}
      {spacing.kind === 'eased' && (
        <>
          <Slider
            label="First drop-out" min={0} max={30} step={1} value={spacing.fromMm} said={`${spacing.fromMm} mm`}
            onChange={(mm) => set('first drop-out', (own) => (own.spacing.kind === 'eased' ? `${own.spacing.fromMm} mm` : 'none'), { ...spacing, fromMm: mm })}
          />
          <Slider
            label="Last drop-out" min={0} max={30} step={1} value={spacing.toMm} said={`${spacing.toMm} mm`}
            onChange={(mm) => set('last drop-out', (own) => (own.spacing.kind === 'eased' ? `${own.spacing.toMm} mm` : 'none'), { ...spacing, toMm: mm })}
          />
        </>
      )}
      {spacing.kind === 'count' && (
        <Slider
          label="Foils at most" min={1} max={120} step={1} value={Math.min(120, spacing.foils)} said={String(spacing.foils)} hint={solvedHint(panel, solved)}
          onChange={(foils) => set('foils', (own) => (own.spacing.kind === 'count' ? String(own.spacing.foils) : 'none'), { ...spacing, foils })}
        />
      )}
      {spacing.kind === 'share' && (
        <Slider
          label="Lightened" min={1} max={60} step={1} value={Math.round(spacing.lightened * 100)} said={`${Math.round(spacing.lightened * 100)} %`} hint={solvedHint(panel, solved)}
          onChange={(percent) => set('lightened', (own) => (own.spacing.kind === 'share' ? `${Math.round(own.spacing.lightened * 100)} %` : 'none'), { ...spacing, lightened: percent / 100 })}
        />
      )}
      {spacing.kind === 'minutes' && (
        <Slider
          label="Minutes at most" min={1} max={150} step={1} value={Math.min(150, spacing.minutes)} said={`${spacing.minutes} min`} hint={solvedHint(panel, solved)}
          onChange={(minutes) => set('minutes', (own) => (own.spacing.kind === 'minutes' ? `${own.spacing.minutes} min` : 'none'), { ...spacing, minutes })}
        />
      )}
      <Select
        label="Spacing rule" hideLabel value={spacing.kind} options={spacing.kind === 'budget' ? [...KINDS, { value: 'budget', words: 'So much money' }] : KINDS}
        onChange={(kind) => set('spacing', (own) => KINDS.find((rule) => rule.value === own.spacing.kind)?.words.toLowerCase() ?? own.spacing.kind, begin(kind, panel, { dropoutMm: dropout, foils: totals?.foils ?? 20, minutes: totals?.minutes ?? 20 }))}
      />
    </div>
  );
}

function solvedHint(panel: Panel, solved: number | null | undefined): string | undefined {
  if (solved === null || solved === undefined) return undefined;
  return `Comes to a drop-out of ${Math.round(solved * 10) / 10} mm, pitch ${Math.round(pitchOf(panel.thicknessMm, solved) * 10) / 10} mm.`;
}
