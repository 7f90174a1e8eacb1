import 'server-only';

/** A table as a file of spreadsheets; a mark at the start tells them that it is UTF-8. */
export function csvResponse(table: string, name: string): Response {
  return new Response(`\uFEFF${table}`, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
}
