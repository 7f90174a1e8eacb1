import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { parseSync } from '@swc/core';

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
 * Every text that a file can show: strings, templates and what stands between tags; no comments, no names of
 * properties and no addresses of modules.
 */
function textsOf(file: string): string[] {
  const out: string[] = [];
  const walk = (node: unknown): void => {
    if (Array.isArray(node)) return node.forEach(walk);
    if (typeof node !== 'object' || node === null) return;
    const { type, value, cooked, ...rest } = node as Record<string, unknown>;
    delete rest.source;
    if (type === 'StringLiteral' || type === 'JSXText') out.push(String(value).trim());
    else if (type === 'TemplateElement') out.push(String(cooked).trim());
    else Object.values({ value, ...rest }).forEach(walk);
  };
  walk(parseSync(readFileSync(file, 'utf8'), { syntax: 'typescript', tsx: file.endsWith('x') }).body);
  return out.filter((text) => text !== '');
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
      .filter((text) => FORBIDDEN.some((regExp) => regExp.test(text)))
      .map((text) => `${path.relative(root, file)}: ${text}`),
  );
  expect(found).toEqual([]);
});
