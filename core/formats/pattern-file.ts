import { messageOf, type ValueResult } from '../units';
import type { ComputedPlan, Plan } from '../pattern';
import { openedHeadSvg } from './opened-head-shapes';
import { parseTechnique, TECHNIQUE_VERSION, type OwnTechnique } from './technique-document';

const ID = 'dappled-lattice-technique';
/** A pattern of forty panels is a few hundred kilobytes; more is no pattern. */
export const MOST_PATTERN_BYTES = 4_000_000;

/**
 * A pattern as one file for another salon: its drawing as SVG, which any program shows, and the technique
 * itself inside.
 * @param plan the technique laid on the head that is drawn
 */
export function patternFile(technique: OwnTechnique, plan: Plan, computed: ComputedPlan): string {
  // What would end the passage is written as JSON writes it too.
  const json = JSON.stringify(technique).replaceAll(']]>', ']]\\u003e');
  return openedHeadSvg(plan, computed).replace(
    /<\/svg>\s*$/,
    `<metadata id="${ID}"><![CDATA[${json}]]></metadata></svg>\n`,
  );
}

/**
 * Reads a pattern's file: the drawing with the technique inside, or the technique alone as JSON. The drawing
 * is not used.
 */
export function readPatternFile(text: string): ValueResult<OwnTechnique> {
  if (text.length > MOST_PATTERN_BYTES)
    return { ok: false, problem: 'the file is larger than a pattern can be.' };
  const start = text.replace(/^\uFEFF/, '').trimStart();
  if (start.startsWith('{')) return parsed(start);
  const open = start.indexOf(`<metadata id="${ID}"><![CDATA[`);
  const from = open + `<metadata id="${ID}"><![CDATA[`.length;
  const to = start.indexOf(']]></metadata>', from);
  if (open < 0) return { ok: false, problem: 'there is no pattern of Dappled Lattice in it.' };
  return to < 0 ? { ok: false, problem: 'the pattern in it was cut short.' } : parsed(start.slice(from, to));
}

function parsed(json: string): ValueResult<OwnTechnique> {
  let value: unknown;
  try {
    value = JSON.parse(json);
  } catch (error) {
    return { ok: false, problem: `it is not JSON: ${messageOf(error)}.` };
  }
  const version = (value as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > TECHNIQUE_VERSION)
    return { ok: false, problem: `version: it is of version ${version}, made by a newer Dappled Lattice.` };
  return parseTechnique(value);
}
