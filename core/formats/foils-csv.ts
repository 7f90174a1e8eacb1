import { zoneName } from '../head';
import type { Plan, Sheet } from '../pattern';
import { csvTable, textCell } from './csv-table';

const COLUMNS = ['number', 'id', 'panel', 'side', 'row', 'column', 'zone', 'formula', 'gather', 'width mm', 'thickness mm', 'drop-out mm', 'angle', 'stitches', 'picked', 'start mm'] as const;

/** The foils of a pattern in the order of work, as a table that spreadsheets open. */
export function foilsCsv(plan: Plan, { foils }: Pick<Sheet, 'foils'>, { separator, decimalComma }: { separator: string; decimalComma: boolean }): string {
  const panels = new Map(plan.panels.map((panel) => [panel.id, panel]));
  const figure = (value: number) => {
    const said = String(Math.round(value * 10) / 10);
    return decimalComma ? said.replace('.', ',') : said;
  };
  const rows = [...foils].sort((a, b) => a.order - b.order).map((foil) => [
    String(foil.order), textCell(foil.id), textCell(panels.get(foil.panel)?.name ?? foil.panel), foil.side, String(foil.row), textCell(String(foil.column)), zoneName(foil.zone), foil.formula, foil.gather, figure(foil.widthMm),
    figure(foil.thicknessMm), figure(foil.dropoutMm), figure(foil.angleDeg).replace(/^-/, '−'), String(foil.stitches), `${Math.round(foil.pickedShare * 100)} %`, figure(panels.get(foil.panel)?.start.distanceMm ?? 0),
  ]);
  return csvTable(COLUMNS, rows, separator);
}
