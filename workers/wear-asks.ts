import { fitInSteps, type FitLimit, type Fitted } from '@/core/fit';
import { bodyRings, pictureOf, strandColours, strandDirections, WearStudio, type BodyRings, type Finding, type Picture, type View, type WearSubject, type Way } from '@/core/wear';

/** What can be asked of the worker, each with what it answers; some answer several times, better each time. */
export interface WearAsks {
  /** A picture: coarse at once, then fine. */
  picture: { ask: { subject: WearSubject; way: Way; view: View; weeks: number; fine: boolean }; answer: Picture & { readonly pixelMm: number } };
  /** Small pictures of several weeks, one after the other. */
  strip: { ask: { subject: WearSubject; way: Way; view: View; weeks: readonly number[] }; answer: { readonly weeks: number; readonly picture: Picture }[] };
  findings: { ask: { subject: WearSubject; weeks: number; partByMm: number }; answer: { readonly findings: readonly Finding[]; readonly complete: boolean } };
  /** Lines of hair for a picture drawn by the graphics card. */
  strands: {
    ask: { subject: WearSubject; way: Way };
    answer: { readonly count: number; readonly points: number; readonly used: Uint16Array; readonly xyz: Float32Array<ArrayBuffer>; readonly directions: Int8Array<ArrayBuffer>; readonly body: BodyRings };
  };
  colours: { ask: { subject: WearSubject; way: Way; weeks: number }; answer: Uint8Array<ArrayBuffer> };
  /** Thins the pattern to a limit where it shows least, as the client wears it. */
  fit: { ask: { subject: WearSubject; limit: FitLimit }; answer: Fitted };
  /** What each foil earns, in points, in the order of the sheet. */
  worth: { ask: { subject: WearSubject }; answer: { readonly foils: Float64Array; readonly all: number } };
}
export type WearKind = keyof WearAsks;

/** The larger pixel is the measures' own, whose views are kept anyway. */
const COARSE_MM = 2;
const FINE_MM = 1;

const studio = new WearStudio();

/** Works on one question step by step, so that a newer one can take its place in between; null where a step has nothing to show. */
export const WORK: { [K in WearKind]: (ask: WearAsks[K]['ask']) => Generator<WearAsks[K]['answer'] | null> } = {
  *picture({ subject, way, view, weeks, fine }) {
    const hair = studio.hair(subject.plan, way, subject.curl);
    const colouring = studio.colouring(subject, weeks);
    yield { ...pictureOf(hair.surface(view, COARSE_MM), hair.shading(view, COARSE_MM), colouring), pixelMm: COARSE_MM };
    if (fine) yield { ...pictureOf(hair.surface(view, FINE_MM), hair.shading(view, FINE_MM), colouring), pixelMm: FINE_MM };
  },
  *strip({ subject, way, view, weeks }) {
    const hair = studio.hair(subject.plan, way, subject.curl);
    const out: { weeks: number; picture: Picture }[] = [];
    for (const own of weeks) {
      out.push({ weeks: own, picture: pictureOf(hair.surface(view, COARSE_MM), hair.shading(view, COARSE_MM), studio.colouring(subject, own)) });
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
  *strands({ subject, way }) {
    const { strands, head } = studio.hair(subject.plan, way, subject.curl);
    // Copies, since what is handed over to the page is gone here.
    yield { count: strands.count, points: strands.points, used: strands.used.slice(), xyz: strands.xyz.slice(), directions: strandDirections(strands), body: bodyRings(head) };
  },
  *colours({ subject, way, weeks }) {
    yield strandColours(studio.hair(subject.plan, way, subject.curl).strands, studio.colouring(subject, weeks));
  },
  *fit({ subject, limit }) {
    const steps = fitInSteps(subject.plan, studio.engine, limit, (plan, computed) => studio.worth({ ...subject, plan }, computed).foils);
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) return yield step.value;
      yield null;
    }
  },
  *worth({ subject }) {
    const { foils, all } = studio.worth(subject);
    yield { foils, all };
  },
};
