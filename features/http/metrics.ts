import 'server-only';
import { createHash, timingSafeEqual } from 'node:crypto';
import { watch } from './queries';

const LOOPBACK = /^(::1|(::ffff:)?127\.\d+\.\d+\.\d+)$/;
const hashOf = (text: string) => createHash('sha256').update(text).digest();

/**
 * The figures, for whoever may read them; undefined for everybody else. With LATTICE_METRICS_TOKEN set,
 * whoever brings it; without, this machine.
 */
export async function metricsFor(
  headers: Headers,
): Promise<{ readonly text: string; readonly type: string } | undefined> {
  const token = process.env.LATTICE_METRICS_TOKEN;
  const from =
    headers
      .get('x-forwarded-for')
      ?.split(',')
      .map((own) => own.trim()) ?? [];
  const may = token
    ? timingSafeEqual(hashOf(headers.get('authorization') ?? ''), hashOf(`Bearer ${token}`))
    : from.length > 0 && from.every((own) => LOOPBACK.test(own));
  if (!may) return undefined;
  const { registry } = watch();
  return { text: await registry.metrics(), type: registry.contentType };
}
