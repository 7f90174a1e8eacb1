import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/** Forms that docs/words.md has another for. */
const FORBIDDEN = [
  /\b(Keep|Take|Set|Drop|Withdraw|Book) it\b/,
  /\bTake (it )?(away|back|down|out again)\b/,
  /\b[Pp]ut away\b/,
  /\btaken away\b/,
  /\b[Ww]orks here no more\b/,
  /\bsaid once\b/,
  /\bto mind\b/,
  /\bno release\b/,
  /\bSo (much|many) (foils|lightened|minutes|money)$/,
  /\banew\b(?!['"])/,
  /\b[Tt]ake (the table|this (weight|suggestion))\b/,
  /\b[Gg]oes by the usual\b/,
  /\bpair of hands\b/,
  /\bthere is no reason that\b/i,
  /\bto be weighed\b/i,
  /\bto go by\b/,
  /\d %/,
  // A client is “they” unless we know better.
  /\b([Ss]he|[Hh]ers?|[Hh]erself)\b/,
];

/**
 * Every text that a file can show: strings, templates and what stands between tags; no comments, and no names
 * of properties.
 */
function textsOf(file: string): { line: number; text: string }[] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const out: { line: number; text: string }[] = [];
  const walk = (node: ts.Node): void => {
    if (
      ts.isStringLiteralLike(node) ||
      ts.isJsxText(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node)
    ) {
      if (!ts.isImportDeclaration(node.parent) && node.text.trim() !== '')
        out.push({
          line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
          text: node.text.trim(),
        });
    }
    ts.forEachChild(node, walk);
  };
  walk(source);
  return out;
}

const root = path.join(import.meta.dirname, '..');
const files = ['app', 'core', 'features', 'ui'].flatMap((room) =>
  readdirSync(path.join(root, room), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
    .map((name) => path.join(root, room, name)),
);

test('no screen and no sentence of the core says what docs/words.md has another word for', () => {
  expect(files.length).toBeGreaterThan(250);
  const found = files.flatMap((file) =>
    textsOf(file)
      .filter(({ text }) => FORBIDDEN.some((regExp) => regExp.test(text)))
      .map(({ line, text }) => `${path.relative(root, file)}:${line} ${text}`),
  );
  expect(found).toEqual([]);
});
