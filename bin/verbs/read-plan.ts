import { messageOf, type ValueResult } from '@/core/units';
import { readFile } from 'node:fs/promises';
import { text as textOf } from 'node:stream/consumers';
import { parseMix, parsePlanText } from '@/core/formats';
import type { Plan } from '@/core/pattern';
import type { VisitMix } from '@/core/visit';

/**
 * The plan document of a file, or of standard input where it is `-`; otherwise a sentence that names the
 * file.
 */
export async function readPlan(file: string): Promise<ValueResult<Plan>> {
  const text = await textIn(file);
  if (!text.ok) return text;
  const plan = parsePlanText(text.value);
  return plan.ok ? plan : { ok: false, problem: `${file}: ${plan.problem}` };
}

/** The mix document of a file, in the same way. */
export const readMix = (file: string): Promise<ValueResult<VisitMix>> => readJson(file, parseMix);

/** Any document of a file that is JSON, in the same way. */
export async function readJson<T>(
  file: string,
  parse: (value: unknown) => ValueResult<T>,
): Promise<ValueResult<T>> {
  const text = await textIn(file);
  if (!text.ok) return text;
  let value: unknown;
  try {
    value = JSON.parse(text.value);
  } catch (error) {
    return { ok: false, problem: `${file} is not JSON: ${messageOf(error)}.` };
  }
  const read = parse(value);
  return read.ok ? read : { ok: false, problem: `${file}: ${read.problem}` };
}

async function textIn(file: string): Promise<ValueResult<string>> {
  try {
    return { ok: true, value: file === '-' ? await textOf(process.stdin) : await readFile(file, 'utf8') };
  } catch (error) {
    return { ok: false, problem: `${file} cannot be read: ${messageOf(error)}.` };
  }
}
