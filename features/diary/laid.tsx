'use client';

import { useSaid } from '@/ui/measures';
import type { Preparation } from './queries';

/** Sizes of sheets that are told apart in a list; smaller ones are counted together. */
const SIZES = 8;

/** Sheets to cut, by size; no size is broken at the end of a line. */
export function ToCut({ toCut, most = SIZES }: { toCut: Preparation['toCut']; most?: number }) {
  const said = useSaid();
  const sizes = toCut
    .slice(0, most)
    .map(({ widthMm, lengthMm, count }) =>
      `${count} of ${said(`${widthMm} × ${lengthMm} mm`)}`.replace(/ /g, '\u00a0'),
    );
  const smaller = toCut.slice(most).reduce((sum, { count }) => sum + count, 0);
  return (
    <>
      {sizes.join(', ')}
      {smaller > 0 && ` and ${smaller} smaller`}
    </>
  );
}

/** What is laid out before a client comes. */
export function Laid({
  prepared: { pattern, foils, toCut, bowls, toner, cautions, alertTestMissing },
}: {
  prepared: Preparation;
}) {
  const said = useSaid();
  return (
    <dl aria-label="Preparation" className="grid gap-2 rounded-ui border border-line p-3 text-base">
      <Row name="Last pattern">
        {pattern ?? 'none yet'}
        {foils > 0 && `, ${foils} foils`}
      </Row>
      {toCut.length > 0 && (
        <Row name="Foils to cut">
          <ToCut toCut={toCut} />
        </Row>
      )}
      {bowls && <Row name="Bowls">{said(bowls)}</Row>}
      {toner && <Row name="Toner and root">{said(toner)}</Row>}
      {alertTestMissing && (
        <Row name="Alert test">
          <b className="text-amber-bark">missing or too old</b>
        </Row>
      )}
      {cautions.length > 0 && (
        <Row name="Cautions">
          <ul>
            {cautions.map((seen) => (
              <li key={seen} className={seen.startsWith('Stop') ? 'font-bold text-rowan' : ''}>
                {said(seen)}
              </li>
            ))}
          </ul>
        </Row>
      )}
    </dl>
  );
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-[112px_minmax(0,1fr)] gap-3">
      <dt className="text-ink-soft">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}
