import 'server-only';
import { connect } from 'node:net';
import { LineScale, type ScaleDriver } from './line-driver';
import { placesIn, type ScalePlace } from './places';

/**
 * The scales of this house. Every machine that serves it is told the same ones; a station says which of them
 * it stands beside.
 */
const scales = (): readonly ScalePlace[] => placesIn('LATTICE_SCALE');
const control = (): ScalePlace | undefined => placesIn('LATTICE_SCALE_CONTROL')[0];

export const scaleNames = (): readonly string[] => scales().map(({ name }) => name);

// One connection of this server to each, however often its modules are loaded.
const held = globalThis as { latticeScales?: Map<string, ScaleDriver> };

/** The scale of a name, and the first where none of that name is there; undefined where none is connected. */
export function scaleAt(name: string | null): (ScaleDriver & { readonly name: string }) | undefined {
  const place = scales().find((scale) => scale.name === name) ?? scales()[0];
  if (!place) return undefined;
  const key = `${place.host}:${place.port}`;
  held.latticeScales ??= new Map();
  const driver = held.latticeScales.get(key) ?? new LineScale(place.host, place.port);
  held.latticeScales.set(key, driver);
  return { name: place.name, listen: (to) => driver.listen(to), tare: () => driver.tare() };
}

/** Whether a scale is the simulated one, which can be poured on from here. */
export const canHandle = (name: string): boolean => control() !== undefined && scaleNames()[0] === name;

/** Handles the simulated scale: one line, answered. @returns whether it was done */
export function handleScale(line: string): Promise<boolean> {
  const at = control();
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
