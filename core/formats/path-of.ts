/** Where in a document a problem lies, as one would say it: `panels[1].thicknessMm`. */
export function pathOf(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part),
    '',
  );
}
