import { USUAL_RULES } from '../clock';
import { startPlan } from '../formats';
import { headFactor } from '../lift';
import type { EventBody, ServiceEvent } from './events';
import type { ScriptBlock, ServiceScript } from './script';
import { MINUTE, readyMinutesOf } from './state';

/** A moment that tests start from. */
export const T0 = Date.UTC(2026, 5, 1, 9, 0);

const LIFTS = [{ from: 6, target: 8, stretch: 'length', lift: { volumes: 20, factor: 1, most: { levels: 7, top: 10 } } }] as const;

/** A script of some blocks with foils a minute each; level 6 to 8 with 20 volumes. */
export function scriptFor(sizes: readonly number[], part: Partial<ScriptBlock> = {}): ServiceScript {
  const blocks = sizes.map((n, b): ScriptBlock => ({
    id: `b${b}`, panel: `p${b}`, name: `Panel ${b + 1}`, formula: 'A', seconds: new Array(n).fill(60), readyMinutes: readyMinutesOf({ lifts: LIFTS, depositMinutes: 0 }, headFactor([]))!, limitMinutes: 45, touches: [], foils: Array.from({ length: n }, (_, i) => `b${b}/${i}`),
    lifts: LIFTS, depositMinutes: 0, ...part,
  }));
  return {
    version: 1, plan: startPlan(), naturalLevel: 6, blocks, mixes: { A: 'Moth, 20 vol, 1 : 2' }, readings: [], rules: { ...USUAL_RULES, margin: 3 }, fixed: { order: blocks.map((_, b) => b) },
    foils: blocks.flatMap(({ foils }) => foils).map((id, i) => ({ id, number: i + 1, kind: 'foil', zone: null, gather: { kind: 'slice' }, widthMm: 80, thicknessMm: 4, startMm: 0, featherMm: 0, teasing: 0, seconds: 60 })),
    after: [{ id: 'wash', kind: 'wash', name: 'Wash and treat', from: 0, to: 8 }, { id: 'toner t', kind: 'toner', name: 'Toner, mid-lengths', from: 8, to: 28 }, { id: 'root', kind: 'root', name: 'Root colour', from: 18, to: 28 }, { id: 'dry', kind: 'dry', name: 'Dry', from: 28, to: 53 }],
  };
}

/** Events a few minutes after the start, each with an id of its own. */
export function happened(list: readonly (readonly [minute: number, body: EventBody, device?: string])[], by = 'Ottilie'): ServiceEvent[] {
  return list.map(([minute, body, device = 'station'], i) => ({ id: `e${i}`, device, at: T0 + minute * MINUTE, by, body }));
}

export const started: EventBody = { kind: 'started', plan: [] };
export const closed = (foil: string): EventBody => ({ kind: 'closed', foil });
