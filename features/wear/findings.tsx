'use client';

import { useRouter } from 'next/navigation';
import { mended, mendWords, type Finding } from '@/core/wear';
import { useVisit } from '../visit/store';

interface FindingsProps {
  findings: readonly Finding[] | undefined;
  complete: boolean;
  problem: string | undefined;
  shown: Finding | undefined;
  onSee(finding: Finding): void;
}

/** What would be noticed: each finding can be looked at, leads to its panel, and offers a mend. */
export function Findings({ findings, complete, problem, shown, onSee }: FindingsProps) {
  const { bundle, plan, editPlan, select } = useVisit();
  const router = useRouter();
  const sorted = [...(findings ?? [])].sort((a, b) => Number(a.fine) - Number(b.fine));
  const minded = sorted.filter(({ fine }) => !fine).length;
  return (
    <aside aria-label="What would be noticed" className="flex min-h-0 flex-col border-l border-line bg-raised">
      <h2 className="px-4 pt-4 text-lg font-bold">What would be noticed</h2>
      <p role="status" className="px-4 pb-2 text-sm text-ink-soft" data-complete={complete}>
        {problem ?? (!findings ? 'Looking …' : `${minded === 0 ? 'Nothing to mind' : `${minded} to mind`}${complete ? '' : ', still looking …'}`)}
      </p>
      <ul className="grid min-h-0 flex-1 content-start gap-2 overflow-y-auto px-3 pb-4">
        {sorted.map((finding) => {
          const panel = plan.panels.find(({ id }) => id === finding.panel);
          return (
            <li
              key={`${finding.key} ${finding.words}`} data-finding={finding.key} data-fine={finding.fine}
              className={`rounded-ui border border-l-[3px] ${shown && shown.words === finding.words ? 'border-leaf' : 'border-line'} ${finding.fine ? 'border-l-leaf' : 'border-l-amber-bark'} bg-ground px-3 py-2`}
            >
              <button type="button" onClick={() => onSee(finding)} className="block w-full text-left hover:text-leaf">
                <span className="block text-base font-medium"><span className={`mr-1 text-sm font-semibold ${finding.fine ? 'text-leaf' : 'text-amber-bark'}`}>{finding.fine ? 'Fine.' : 'Mind.'}</span>{finding.words}</span>
                <span className="mt-0.5 block text-sm text-ink-soft">{finding.why}</span>
              </button>
              {(finding.mend || panel) && (
                <div className="mt-1 flex flex-wrap gap-x-4">
                  {finding.mend && (
                    <button type="button" className="min-h-9 text-left text-base font-semibold text-leaf hover:text-leaf-dark" onClick={() => editPlan(mendWords(finding.mend!), (before) => mended(before, finding.mend!))}>
                      {mendWords(finding.mend)}
                    </button>
                  )}
                  {panel && (
                    <button
                      type="button" className="min-h-9 text-left text-base text-ink-soft hover:text-ink"
                      onClick={() => {
                        select(panel.id);
                        router.push(`/visits/${bundle.id}/pattern`);
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
      </ul>
    </aside>
  );
}
