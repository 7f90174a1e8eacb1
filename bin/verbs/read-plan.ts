import { readFile } from 'node:fs/promises';
import { text as textOf } from 'node:stream/consumers';
import { parsePlanText, type Parsed } from '@/core/formats';
import type { Plan } from '@/core/pattern';

/** The plan document of a file, or of standard input where it is `-`; otherwise a sentence that names the file. */
export async function readPlan(file: string): Promise<Parsed<Plan>> {
  let text: string;
  try {
    text = file === '-' ? await textOf(process.stdin) : await readFile(file, 'utf8');
  } catch (error) {
    return { ok: false, problem: `${file} cannot be read: ${(error as Error).message}.` };
  }
  const plan = parsePlanText(text);
  return plan.ok ? plan : { ok: false, problem: `${file}: ${plan.problem}` };
}
