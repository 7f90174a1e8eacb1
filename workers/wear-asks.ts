import { silently } from '@/core/units';
import { fitInSteps, type FitLimit, type Fitted } from '@/core/fit';
import {
  bareOf,
  pictureOf,
  ribbonColours,
  ribbonsOf,
  WearStudio,
  type Finding,
  type Lamp,
  type Picture,
  type Ribbons,
  type Side,
  type View,
  type WearSubject,
  type Way,
} from '@/core/wear';

/**
 * What can be asked of the worker, each with what it answers; some answer several times, better each time.
 */
export interface WearAsks {
  /** A picture: coarse at once, then fine. */
  picture: {
    ask: { subject: WearSubject; way: Way; view: Side; weeks: number; lamp: Lamp; fine: boolean };
    answer: Picture & { readonly pixelMm: number };
  };
  /** Pictures of several moments, one after the other. */
  strip: {
    ask: {
      subject: WearSubject;
      way: Way;
      view: View;
      moments: readonly Moment[];
      lamp: Lamp;
      pixelMm: number;
    };
    answer: readonly Shown[];
  };
  findings: {
    ask: { subject: WearSubject; weeks: number; partByMm: number };
    answer: { readonly findings: readonly Finding[]; readonly complete: boolean };
  };
  /** Hair for a picture drawn by the graphics card: only every so many-th strand. */
  ribbons: { ask: { subject: WearSubject; way: Way; each: number }; answer: Ribbons };
  colours: {
    ask: { subject: WearSubject; way: Way; weeks: number; each: number };
    answer: Uint8Array<ArrayBuffer>;
  };
  /** Thins the pattern to a limit where it shows least, as the client wears it. */
  fit: { ask: { subject: WearSubject; limit: FitLimit }; answer: Fitted };
  /** What each foil earns, in points, in the order of the sheet. */
  worth: { ask: { subject: WearSubject }; answer: { readonly foils: Float64Array; readonly all: number } };
}
/** Before the visit, or so many weeks after it. */
export type Moment = 'before' | number;
export interface Shown {
  readonly moment: Moment;
  readonly picture: Picture;
}
export type WearKind = keyof WearAsks;

/** Pixels of a picture that is there at once, and of one that is looked at. */
export const COARSE_MM = 1.5;
const FINE_MM = 0.5;

const studio = new WearStudio();

/**
 * Works on one question step by step, so that a newer one can take its place in between; null where a step
 * has nothing to show, a number
 * where all there is to show is how far it has come, 0–1.
 */
export const WORK: {
  [K in WearKind]: (ask: WearAsks[K]['ask']) => Generator<WearAsks[K]['answer'] | number | null>;
} = {
  *picture({ subject, way, view, weeks, lamp, fine }) {
    const hair = yield* studio.hairInSteps(subject.plan, way, subject);
    // Hair is laid, seen, and drawn: something more urgent may come between.
    yield 1;
    const colouring = studio.colouring(subject, weeks);
    yield { ...pictureOf(hair.fibres(view, lamp, COARSE_MM), colouring, lamp), pixelMm: COARSE_MM };
    if (fine) yield { ...pictureOf(hair.fibres(view, lamp, FINE_MM), colouring, lamp), pixelMm: FINE_MM };
  },
  *strip({ subject, way, view, moments, lamp, pixelMm }) {
    const hair = yield* studio.hairInSteps(subject.plan, way, subject);
    const out: Shown[] = [];
    for (const moment of moments) {
      const colouring =
        moment === 'before' ? studio.colouring(bareOf(subject), 0) : studio.colouring(subject, moment);
      out.push({ moment, picture: pictureOf(hair.fibres(view, lamp, pixelMm), colouring, lamp) });
      yield [...out];
    }
  },
  *findings({ subject, weeks, partByMm }) {
    let last: readonly Finding[] = [];
    for (const findings of studio.findings(subject, weeks, partByMm)) {
      last = findings ?? last;
      yield findings && { findings, complete: false };
    }
    yield { findings: last, complete: true };
  },
  *ribbons({ subject, way, each }) {
    const { head, strands, density } = yield* studio.hairInSteps(subject.plan, way, subject);
    yield ribbonsOf(head, strands, density(), each);
  },
  *colours({ subject, way, weeks, each }) {
    yield ribbonColours(
      studio.hair(subject.plan, way, subject).strands,
      studio.colouring(subject, weeks),
      each,
    );
  },
  *fit({ subject, limit }) {
    yield yield* silently(
      fitInSteps(
        subject.plan,
        studio.engine,
        limit,
        (plan, computed) => studio.worth({ ...subject, plan }, computed).foils,
      ),
    );
  },
  *worth({ subject }) {
    const { foils, all } = studio.worth(subject);
    yield { foils, all };
  },
};
