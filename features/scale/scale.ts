import 'server-only';
import { connect } from 'node:net';
import { z } from 'zod';
import { LineScale, type ScaleDriver } from './line-driver';

const place = z
  .string()
  .regex(/^[a-z0-9.-]+:\d{1,5}$/i, 'must be host:port, such as 127.0.0.1:4701')
  .transform((text) => {
    const [host, port] = text.split(':');
    return { host, port: Number(port) };
  });

function placeIn(name: 'LATTICE_SCALE' | 'LATTICE_SCALE_CONTROL'): { host: string; port: number } | undefined {
  const text = process.env[name];
  if (!text) return undefined;
  const read = place.safeParse(text);
  if (!read.success) throw new Error(`${name} ${read.error.issues[0].message}.`);
  return read.data;
}

// One connection for the server, however often its modules are loaded.
const held = globalThis as { latticeScale?: ScaleDriver };

/** The scale of this house; undefined where none is connected. */
export function theScale(): ScaleDriver | undefined {
  const at = placeIn('LATTICE_SCALE');
  if (!at) return undefined;
  return (held.latticeScale ??= new LineScale(at.host, at.port));
}

/** Whether the scale is a simulated one that can be poured on from here. */
export const canHandle = (): boolean => placeIn('LATTICE_SCALE_CONTROL') !== undefined;

/** Handles the simulated scale: one line, answered. @returns whether it was done */
export function handleScale(line: string): Promise<boolean> {
  const at = placeIn('LATTICE_SCALE_CONTROL');
  if (!at) return Promise.resolve(false);
  return new Promise((resolve) => {
    const socket = connect(at.port, at.host, () => socket.write(`${line}\n`));
    const done = (ok: boolean) => {
      socket.destroy();
      resolve(ok);
    };
    socket.setEncoding('ascii');
    socket.setTimeout(2000, () => done(false));
    socket.on('error', () => done(false));
    socket.on('data', (answer) => done(String(answer).startsWith('OK')));
  });
}
