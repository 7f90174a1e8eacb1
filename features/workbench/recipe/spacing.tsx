'use client';

import { pitchOf, type Panel, type PlainSpacing, type Spacing } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { useUnits } from '../../house/context';
import { LengthSlider } from '../../house/length-slider';
import { LengthsField } from './lengths-field';
import type { RecipeProps } from './props';
import { shownDropout } from '../shown-dropout';

const KINDS: readonly { value: Spacing['kind']; words: string }[] = [
  { value: 'constant', words: 'Even drop-out' },
  { value: 'graded', words: 'A list, one by one' },
  { value: 'eased', words: 'Eased from one to another' },
  { value: 'backwards', words: 'Back from the part, with a sliver' },
  { value: 'count', words: 'A number of foils' },
  { value: 'share', words: 'A share lightened' },
  { value: 'minutes', words: 'A number of minutes' },
];

const LIES = [
  { value: 'spread', words: 'Spread evenly' },
  { value: 'together', words: 'Close together first' },
] as const;

/** Drop-outs of a spacing as a list that is typed. */
const listOf = (spacing: PlainSpacing): readonly number[] =>
  spacing.kind === 'graded'
    ? spacing.dropoutsMm
    : spacing.kind === 'constant'
      ? [spacing.dropoutMm]
      : [spacing.fromMm, spacing.toMm];
const plainOf = (mm: readonly number[]): PlainSpacing =>
  mm.length === 1 ? { kind: 'constant', dropoutMm: mm[0] } : { kind: 'graded', dropoutsMm: mm };

function listWords(spacing: Spacing, say: (mm: number) => string): string {
  const plain = spacing.kind === 'backwards' ? spacing.spacing : spacing;
  return plain.kind === 'constant' || plain.kind === 'graded' || plain.kind === 'eased'
    ? listOf(plain).map(say).join(', ')
    : '';
}

/** The spacing to begin with when another rule is chosen: as near to what is there as it can be. */
function begin(
  kind: Spacing['kind'],
  panel: Panel,
  { dropoutMm, foils, minutes }: { dropoutMm: number; foils: number; minutes: number },
): Spacing {
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
  const { say } = useUnits();
  const dropout = shownDropout(panel, totals);
  const set = (what: string, figure: (current: Panel) => string, next: Spacing) =>
    change(what, figure, (current) => ({ ...current, spacing: next }));
  const solved = totals?.solvedDropoutMm;
  return (
    <div className="mt-3 grid gap-1">
      {spacing.kind === 'constant' && (
        <LengthSlider
          label="Drop-out"
          min={0}
          max={30}
          step={1}
          mm={dropout}
          hint={`Pitch ${say(pitchOf(panel.thicknessMm, dropout))}. ${dropout === 0 ? 'Back to back.' : ''}`}
          onChange={(mm) =>
            set('drop-out', (current) => say(shownDropout(current, totals)), {
              kind: 'constant',
              dropoutMm: mm,
            })
          }
        />
      )}
      {spacing.kind === 'backwards' && (
        <LengthsField
          label="Drop-outs away from the part"
          mm={listOf(spacing.spacing)}
          max={80}
          hint="One after the other; the last goes on."
          onChange={(mm) =>
            set('drop-outs', (current) => listWords(current.spacing, say), {
              ...spacing,
              spacing: plainOf(mm),
            })
          }
        />
      )}
      {spacing.kind === 'backwards' && (
        <LengthSlider
          label="Sliver at the line"
          min={0}
          max={15}
          step={0.5}
          mm={spacing.sliverMm}
          onChange={(mm) =>
            set(
              'sliver',
              (current) => (current.spacing.kind === 'backwards' ? say(current.spacing.sliverMm) : 'none'),
              {
                ...spacing,
                sliverMm: mm,
              },
            )
          }
        />
      )}
      {spacing.kind === 'graded' && (
        <>
          <LengthsField
            label="Drop-outs"
            mm={spacing.dropoutsMm}
            max={80}
            hint="One after the other; the last goes on."
            onChange={(dropoutsMm) =>
              set('drop-outs', (current) => listWords(current.spacing, say), { ...spacing, dropoutsMm })
            }
          />
          <LengthSlider
            label="Then even at"
            min={0}
            max={30}
            step={1}
            mm={dropout}
            onChange={(mm) =>
              set('last drop-out', (current) => say(shownDropout(current, totals)), {
                ...spacing,
                dropoutsMm: [...spacing.dropoutsMm.slice(0, -1), mm],
              })
            }
          />
        </>
      )}
      {spacing.kind === 'eased' && (
        <>
          <LengthSlider
            label="First drop-out"
            min={0}
            max={30}
            step={1}
            mm={spacing.fromMm}
            onChange={(mm) =>
              set(
                'first drop-out',
                (current) => (current.spacing.kind === 'eased' ? say(current.spacing.fromMm) : 'none'),
                {
                  ...spacing,
                  fromMm: mm,
                },
              )
            }
          />
          <LengthSlider
            label="Last drop-out"
            min={0}
            max={30}
            step={1}
            mm={spacing.toMm}
            onChange={(mm) =>
              set(
                'last drop-out',
                (current) => (current.spacing.kind === 'eased' ? say(current.spacing.toMm) : 'none'),
                {
                  ...spacing,
                  toMm: mm,
                },
              )
            }
          />
        </>
      )}
      {spacing.kind === 'count' && (
        <Slider
          label="Foils at most"
          min={1}
          max={120}
          step={1}
          value={Math.min(120, spacing.foils)}
          said={String(spacing.foils)}
          hint={totals?.note ? `${totals.note}.` : solvedHint(panel, solved, say)}
          onChange={(foils) =>
            set(
              'foils',
              (current) => (current.spacing.kind === 'count' ? String(current.spacing.foils) : 'none'),
              {
                ...spacing,
                foils,
              },
            )
          }
        />
      )}
      {spacing.kind === 'count' && (
        <Segmented
          label="Where they lie"
          value={typeof spacing.togetherMm === 'number' ? 'together' : 'spread'}
          options={LIES}
          onChange={(how) =>
            set(
              'where they lie',
              (current) =>
                current.spacing.kind === 'count' && typeof current.spacing.togetherMm === 'number'
                  ? 'together'
                  : 'spread',
              { ...spacing, togetherMm: how === 'together' ? 2 : null },
            )
          }
        />
      )}
      {spacing.kind === 'count' && typeof spacing.togetherMm === 'number' && (
        <LengthSlider
          label="Drop-out"
          min={0}
          max={30}
          step={1}
          mm={spacing.togetherMm}
          onChange={(togetherMm) =>
            set(
              'drop-out',
              (current) => (current.spacing.kind === 'count' ? say(current.spacing.togetherMm ?? 0) : ''),
              {
                ...spacing,
                togetherMm,
              },
            )
          }
        />
      )}
      {spacing.kind === 'share' && (
        <Slider
          label="Lightened"
          min={1}
          max={60}
          step={1}
          value={Math.round(spacing.lightened * 100)}
          said={`${Math.round(spacing.lightened * 100)}%`}
          hint={solvedHint(panel, solved, say)}
          onChange={(percent) =>
            set(
              'lightened',
              (current) =>
                current.spacing.kind === 'share' ? `${Math.round(current.spacing.lightened * 100)}%` : 'none',
              { ...spacing, lightened: percent / 100 },
            )
          }
        />
      )}
      {spacing.kind === 'minutes' && (
        <Slider
          label="Minutes at most"
          min={1}
          max={150}
          step={1}
          value={Math.min(150, spacing.minutes)}
          said={`${spacing.minutes} min`}
          hint={solvedHint(panel, solved, say)}
          onChange={(minutes) =>
            set(
              'minutes',
              (current) => (current.spacing.kind === 'minutes' ? `${current.spacing.minutes} min` : 'none'),
              {
                ...spacing,
                minutes,
              },
            )
          }
        />
      )}
      <Select
        label="Spacing rule"
        hideLabel
        value={spacing.kind}
        options={spacing.kind === 'budget' ? [...KINDS, { value: 'budget', words: 'A budget' }] : KINDS}
        onChange={(kind) =>
          set(
            'spacing',
            (current) =>
              KINDS.find((rule) => rule.value === current.spacing.kind)?.words.toLowerCase() ??
              current.spacing.kind,
            begin(kind, panel, {
              dropoutMm: dropout,
              foils: totals?.foils ?? 20,
              minutes: totals?.minutes ?? 20,
            }),
          )
        }
      />
    </div>
  );
}

function solvedHint(
  panel: Panel,
  solved: number | null | undefined,
  say: (mm: number) => string,
): string | undefined {
  if (solved === null || solved === undefined) return undefined;
  return `Comes to a drop-out of ${say(solved)}, pitch ${say(pitchOf(panel.thicknessMm, solved))}.`;
}
