import type { Preparation } from './queries';

/** Sizes of sheets that are told apart in a list; smaller ones are counted together. */
const SIZES = 8;

/** Sheets to cut, by size, as they are said. */
export const cutWords = (toCut: Preparation['toCut'], most = SIZES): string =>
  `${toCut.slice(0, most).map(({ widthMm, lengthMm, count }) => `${count}\u00a0of ${widthMm}\u00a0×\u00a0${lengthMm}\u00a0mm`).join(', ')}${toCut.length > most ? ` and ${toCut.slice(most).reduce((sum, { count }) => sum + count, 0)} smaller` : ''}`;

/** What is laid out before a client comes. */
export function Laid({ prepared: { pattern, foils, toCut, bowls, toner, cautions, alertTestMissing } }: { prepared: Preparation }) {
  return (
    <dl aria-label="Preparation" className="grid gap-2 rounded-ui border border-line p-3 text-base">
      <Row name="Last pattern">{pattern ?? 'none yet'}{foils > 0 && `, ${foils} foils`}</Row>
      {toCut.length > 0 && <Row name="Foils to cut">{cutWords(toCut)}</Row>}
      {bowls && <Row name="Bowls">{bowls}</Row>}
      {toner && <Row name="Toner and root">{toner}</Row>}
      {alertTestMissing && <Row name="Alert test"><b className="text-amber-bark">missing or too old</b></Row>}
      {cautions.length > 0 && <Row name="Cautions"><ul>{cautions.map((seen) => <li key={seen} className={seen.startsWith('Stop') ? 'font-bold text-rowan' : ''}>{seen}</li>)}</ul></Row>}
    </dl>
  );
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return <div className="grid grid-cols-[112px_minmax(0,1fr)] gap-3"><dt className="text-ink-soft">{name}</dt><dd>{children}</dd></div>;
}
