import type { RowProblem } from '@/core/formats';

/** How columns of a table are parted, as it is said. */
export const SEPARATOR_WORDS: Readonly<Record<string, string>> = {
  ',': 'commas',
  ';': 'semicolons',
  '\t': 'tabs',
  '|': 'bars',
};

/** Rows of a table that cannot be taken, each by its number. */
export function RowProblems({ problems }: { problems: readonly RowProblem[] }) {
  if (problems.length === 0) return null;
  return (
    <section aria-label="Problems" role="alert" className="rounded-ui bg-rowan-pale p-3">
      <h3 className="mb-1 font-semibold text-rowan">
        {problems.length === 1 ? 'One row has a problem' : `${problems.length} rows have problems`}; nothing
        is imported until they are put right.
      </h3>
      <ul className="grid max-h-48 gap-0.5 overflow-y-auto text-base">
        {problems.map(({ row, problem: words }, i) => (
          <li key={i}>
            <b>Row {row}:</b> {words}
          </li>
        ))}
      </ul>
    </section>
  );
}
