'use client';

import { withShadow } from '@/core/mix';
import { mended, mendWords, type Finding, type WearMend } from '@/core/wear';
import type { WearAsks } from '@/workers/wear-asks';
import { useSaid } from '@/ui/measures';
import { useComputed } from '../visit/computed';
import { useGoToStep } from '../visit/step-link';
import { useVisit } from '../visit/store';

interface FindingsProps {
  findings: readonly Finding[] | undefined;
  complete: boolean;
  problem: string | undefined;
  shown: Finding | undefined;
  /** What each foil earns, in the order of the sheet. */
  earned: WearAsks['worth']['answer'] | undefined;
  onSee(finding: Finding): void;
}

/** What would be noticed: each finding can be looked at, leads to its panel, and offers a mend. */
export function Findings({ findings, complete, problem, shown, earned, onSee }: FindingsProps) {
  const { plan, editPlan, editMix, select } = useVisit();
  const { shelf } = useComputed();
  const make = (mend: WearMend) => {
    if (mend.kind === 'old-line' && mend.how === 'shadow')
      editMix(mendWords(mend), (before) => withShadow(before, mend.mm, shelf), 'root shadow');
    else editPlan(mendWords(mend), (before) => mended(before, mend));
  };
  const go = useGoToStep();
  const said = useSaid();
  const sorted = [...(findings ?? [])].sort((a, b) => Number(a.fine) - Number(b.fine));
  const minded = sorted.filter(({ fine }) => !fine).length;
  return (
    <aside
      aria-label="What would be noticed"
      className="relative flex min-h-0 flex-col border-line bg-raised max-lg:order-3 lg:border-l"
    >
      <h2 className="px-4 pt-4 text-lg font-bold">What would be noticed</h2>
      <p role="status" className="px-4 pb-2 text-sm text-ink-soft" data-complete={complete}>
        {problem ??
          (!findings
            ? 'Looking …'
            : `${minded === 0 ? 'No issues' : `${minded} to look at`}${complete ? '' : ', still looking …'}`)}
      </p>
      <ul className="grid min-h-0 flex-1 content-start gap-2 px-3 pb-4 lg:overflow-y-auto">
        {sorted.map((finding) => {
          const panel = plan.panels.find(({ id }) => id === finding.panel);
          return (
            <li
              key={`${finding.key} ${finding.words}`}
              data-finding={finding.key}
              data-fine={finding.fine}
              className={`rounded-ui border border-l-[3px] ${shown && shown.words === finding.words ? 'border-leaf' : 'border-line'} ${finding.fine ? 'border-l-leaf' : 'border-l-amber-bark'} bg-ground px-3 py-2`}
            >
              <button
                type="button"
                onClick={() => onSee(finding)}
                className="block w-full text-left hover:text-leaf"
              >
                <span className="block text-base font-medium">
                  <span
                    className={`mr-1 text-sm font-semibold ${finding.fine ? 'text-leaf' : 'text-amber-bark'}`}
                  >
                    {finding.fine ? 'Fine.' : 'Check.'}
                  </span>
                  {said(finding.words)}
                </span>
                <span className="mt-0.5 block text-sm text-ink-soft">{finding.why}</span>
              </button>
              {(finding.mends || panel) && (
                <div className="mt-1 flex flex-wrap gap-x-4">
                  {finding.mends?.map((mend) => (
                    <button
                      key={mendWords(mend)}
                      type="button"
                      className="min-h-9 text-left text-base font-semibold text-leaf hover:text-leaf-dark"
                      onClick={() => make(mend)}
                    >
                      {mendWords(mend)}
                    </button>
                  ))}
                  {panel && (
                    <button
                      type="button"
                      className="min-h-9 text-left text-base text-ink-soft hover:text-ink"
                      onClick={() => {
                        select(panel.id);
                        go('pattern');
                      }}
                    >
                      Panel: {panel.name}
                    </button>
                  )}
                </div>
              )}
            </li>
          );
        })}
        {earned && (
          <li>
            <Earned worth={earned} />
          </li>
        )}
      </ul>
    </aside>
  );
}

/** Light that the foils of each panel earn, most for a foil first. */
function Earned({ worth }: { worth: WearAsks['worth']['answer'] }) {
  const { plan, computed } = useVisit();
  const { foils } = computed.sheet;
  if (worth.foils.length !== foils.length || foils.length === 0) return null;
  const panels = plan.panels
    .map(({ id, name }) => {
      const worths = foils.flatMap((foil, i) => (foil.panel === id ? [worth.foils[i]] : []));
      return { id, name, foils: worths.length, points: worths.reduce((a, b) => a + b, 0) };
    })
    .filter((own) => own.foils > 0)
    .sort((a, b) => b.points / b.foils - a.points / a.foils);
  return (
    <section aria-label="What the foils add" className="px-1 pt-3">
      <h3 className="text-md font-bold">What the foils add</h3>
      <p className="text-sm text-ink-soft">
        Percent of all hair that is seen, as it is worn: {worth.all.toFixed(1)} in all (estimate).
      </p>
      <table className="mt-1 w-full text-sm">
        <thead>
          <tr className="text-left text-ink-soft">
            <th className="font-normal">Panel</th>
            <th className="text-right font-normal">foils</th>
            <th className="text-right font-normal">earn</th>
            <th className="text-right font-normal">a foil</th>
          </tr>
        </thead>
        <tbody>
          {panels.map(({ id, name, foils: count, points }) => (
            <tr key={id} className="border-t border-line">
              <td className="max-w-[140px] truncate py-1">{name}</td>
              <td className="text-right">{count}</td>
              <td className="text-right">{points.toFixed(1)}</td>
              <td className="text-right font-semibold">{(points / count).toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
