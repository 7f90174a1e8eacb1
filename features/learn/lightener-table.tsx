'use client';

import { useState } from 'react';
import type { Result } from '@/core/units';
import { Button } from '@/ui/button';
import { useCalendar } from '../house/calendar';
import { forgetLightener, takeSpeed } from './actions';
import type { LearntProduct } from './queries';

/** Speeds are set in steps of so much. */
const STEP = 0.05;
const inSteps = (factor: number) =>
  Math.min(1.5, Math.max(0.3, Math.round(Math.round(factor / STEP) * STEP * 100) / 100));

/** How quick each lightener was beside what is used now, with what that is based on. */
export function LightenerTable({ products, owner }: { products: readonly LearntProduct[]; owner: boolean }) {
  const calendar = useCalendar();
  const [problem, setProblem] = useState<string>();
  const run = (work: () => Promise<Result>) =>
    void work()
      .catch((): Result => ({ ok: false, problem: 'No connection: nothing was changed.' }))
      .then((answer) => setProblem(answer.ok ? undefined : answer.problem));
  const seen = products.filter(({ speed }) => speed.readings > 0);
  const unseen = products.filter(({ speed }) => speed.readings === 0);
  return (
    <section aria-label="Lift by lightener" className="card grid gap-3 p-5">
      <h2 className="text-lg font-bold wide">Lift by lightener</h2>
      <p className="text-base text-ink-soft">
        From checks at the chair, against usual powder, which is 1; heads differ, so that a service counts as
        one. An estimate: a strand test on this head goes before it.
      </p>
      {seen.length > 0 && (
        <table aria-label="Speed of lighteners" className="w-full text-base">
          <thead className="text-left text-sm text-ink-soft">
            <tr>
              <th className="font-medium">Lightener</th>
              <th className="text-right font-medium">used now</th>
              <th className="text-right font-medium">learnt</th>
              <th className="text-right font-medium">eight in ten</th>
              <th className="text-right font-medium">based on</th>
              <th>
                <span className="sr-only">Forget</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {seen.map(({ id, name, set, speed: { factor, low, high, readings, services }, since }) => (
              <tr key={id} className="border-t border-line">
                <td className="py-1.5 font-semibold">
                  {name}
                  {since && (
                    <span className="block text-sm font-normal text-ink-soft">
                      learnt since {calendar.moment(since)}
                    </span>
                  )}
                </td>
                <td className="text-right">{set.toFixed(2)}</td>
                <td className="text-right font-semibold">{factor.toFixed(2)}</td>
                <td className="text-right text-ink-soft">
                  {low.toFixed(2)}–{high.toFixed(2)}
                </td>
                <td className="text-right">
                  {readings} {readings === 1 ? 'check' : 'checks'}, {services}{' '}
                  {services === 1 ? 'service' : 'services'}
                </td>
                <td className="pl-4">
                  {owner && (
                    <span className="flex justify-end gap-2">
                      {set >= low && set <= high ? (
                        <span className="self-center text-sm text-ink-soft">
                          no different from the one used, as far as can be seen
                        </span>
                      ) : (
                        <Button small onClick={() => run(() => takeSpeed(id, inSteps(factor)))}>
                          Use {inSteps(factor).toFixed(2)}
                        </Button>
                      )}
                      <Button
                        small
                        look="quiet"
                        aria-label={`Forget what was learnt of ${name}`}
                        onClick={() => run(() => forgetLightener(id))}
                      >
                        Forget
                      </Button>
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {unseen.length > 0 && (
        <p className="text-base text-ink-soft">
          Nothing read yet of {unseen.map(({ name, set }) => `${name} (${set.toFixed(2)})`).join(', ')}.
        </p>
      )}
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
    </section>
  );
}
