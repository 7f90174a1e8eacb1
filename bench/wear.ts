import { startPlan } from '../core/formats';
import { gauge } from '../core/head';
import { createPatternEngine, type Plan } from '../core/pattern';
import {
  hairRoots,
  layHair,
  LineReader,
  lightOn,
  lookOf,
  pictureOf,
  subjectOf,
  TIED,
  USUAL_STRANDS,
  VIEW_NAMES,
  WearStudio,
  type Finding,
  type View,
  type Way,
} from '../core/wear';
import { median, printed, type Measure } from './measure';

const STRANDS = 30_000;
/** As many as the page lays: edits and findings are measured with them. */
const ON_THE_PAGE = USUAL_STRANDS;
/** Pixels of a picture at once, and of one that is looked at, mm. */
const COARSE_MM = 1.5;
const FINE_MM = 0.5;
const few = { warmUp: 3, runs: 9 };

/** The plain work that everything is compared with: the skull's equation at 30 000 points. */
function baseline(): number {
  let sum = 0;
  for (let i = 0; i < STRANDS; i += 1) sum += gauge((i % 70) + 1, (i % 89) + 1, (i % 95) + 1);
  return sum;
}

/** What a new way of wearing, an edit and the findings take on one core, after warm-up. */
function wearMeasures(): Measure[] {
  const plain = median(() => undefined, baseline);
  const line = (name: string, medianMs: number, budgetMs: number | null): Measure => ({
    name,
    medianMs,
    ratio: medianMs / plain,
    budgetMs,
  });
  const out = [line('baseline: skull equation, 30 000 points', plain, null)];
  const engine = createPatternEngine();
  let turn = 0;
  const edited = (): Plan => {
    const start = startPlan();
    return {
      ...start,
      panels: start.panels.map((panel) => ({ ...panel, thicknessMm: 4 + (turn++ % 40) / 100 })),
    };
  };
  const { head, hair } = startPlan();
  const roots = hairRoots(head, STRANDS);
  const downAt = (partMm: number): Way => ({ kind: 'down', partMm });

  // Each time another part, so that nothing is remembered but the head.
  const firstView = (view: View) =>
    median(
      () => 1 + (turn++ % 40),
      (partMm) => layHair(roots, hair, downAt(partMm)).surface(view),
      few,
    );
  out.push(
    line(`a moved part, first view, ${roots.index.roots.count} strands`, firstView('top'), 350),
    line('a moved part, view from behind', firstView('back'), 350),
  );
  out.push(
    line(
      'tied back, first view',
      median(
        () => undefined,
        () => layHair(roots, hair, TIED).surface('left'),
        few,
      ),
      350,
    ),
  );

  const onPage = hairRoots(head, ON_THE_PAGE);
  const tied = layHair(onPage, hair, TIED);
  const down = layHair(onPage, hair, downAt(0));
  for (const wornHair of [tied, down]) for (const view of VIEW_NAMES) wornHair.flow(view);
  tied.hairline();
  const reader = new LineReader(engine);
  out.push(
    line(
      'an edit, tied: all views, brightness, unlit hairline, stripe, lines',
      median(
        edited,
        (plan) => {
          const computed = engine.compute(plan);
          return [
            lookOf(tied, lightOn(onPage, plan, computed), computed),
            reader.lines(subjectOf(plan), computed),
          ];
        },
        few,
      ),
      40,
    ),
    line(
      'an edit, down: all views, brightness, stripe, lines',
      median(
        edited,
        (plan) => {
          const computed = engine.compute(plan);
          return [
            lookOf(down, lightOn(onPage, plan, computed), computed),
            reader.lines(subjectOf(plan), computed),
          ];
        },
        few,
      ),
      40,
    ),
  );

  const studio = new WearStudio(engine, ON_THE_PAGE);
  const small = (plan: Plan, pixelMm: number) => {
    const wornHair = studio.hair(plan, downAt(0));
    return pictureOf(
      wornHair.fibres('back', 'daylight', pixelMm),
      studio.colouring(subjectOf(plan), 0),
      'daylight',
    );
  };
  small(startPlan(), COARSE_MM);
  small(startPlan(), FINE_MM);
  out.push(
    line(
      'coarse picture of an edit while a hand drags',
      median(edited, (plan) => small(plan, COARSE_MM), few),
      40,
    ),
    line(
      'fine picture of an edit, half a millimetre a pixel',
      median(edited, (plan) => small(plan, FINE_MM), few),
      60,
    ),
  );
  // Each time another part, so that nothing is remembered but the head; a new studio has not even that.
  const shown = (wearStudio: WearStudio, partMm: number, pixelMm: number) => {
    const hair = wearStudio.hair(startPlan(), downAt(partMm));
    return pictureOf(
      hair.fibres('back', 'daylight', pixelMm),
      wearStudio.colouring(subjectOf(startPlan()), 0),
      'daylight',
    );
  };
  out.push(
    line(
      'cold: head sown, hair settled, coarse picture',
      median(
        () => new WearStudio(undefined, ON_THE_PAGE),
        (wearStudio) => shown(wearStudio, 0, COARSE_MM),
        few,
      ),
      1000,
    ),
    line(
      'another way, settled and seen, coarse picture',
      median(
        () => 1 + (turn++ % 40),
        (partMm) => shown(studio, partMm, COARSE_MM),
        few,
      ),
      1000,
    ),
    line(
      'the same, fine',
      median(
        () => 1 + (turn++ % 40),
        (partMm) => shown(studio, partMm, FINE_MM),
        few,
      ),
      3000,
    ),
    line(
      'another view of the same way, coarse',
      median(
        () => layHair(onPage, hair, downAt(1 + (turn++ % 40))),
        (wornHair) => wornHair.fibres('left', 'daylight', COARSE_MM),
        few,
      ),
      250,
    ),
  );

  const all = (wearStudio: WearStudio) => {
    let findings: readonly Finding[] = [];
    for (const found of wearStudio.findings(subjectOf(startPlan()))) findings = found ?? findings;
    return findings;
  };
  out.push(
    line(
      'all findings, part tolerance and phases among them, cold',
      median(() => new WearStudio(undefined, ON_THE_PAGE), all, { warmUp: 1, runs: 3 }),
      2500,
    ),
    line(
      'all findings of an edit, hair laid before',
      median(
        edited,
        (plan) => {
          let findings: readonly Finding[] = [];
          for (const found of studio.findings(subjectOf(plan))) findings = found ?? findings;
          return findings;
        },
        few,
      ),
      200,
    ),
  );
  out.push(line(`kept then: ${(studio.bytes / 1e6).toFixed(0)} MB of laid hair`, 0, null));

  const perStrand = [10_000, 20_000, 40_000, 120_000].map((count) => {
    const own = hairRoots(head, count);
    const ms = median(
      () => 1 + (turn++ % 40),
      (partMm) => layHair(own, hair, downAt(partMm)).surface('back'),
      few,
    );
    out.push(
      line(
        `laid and seen from behind: ${own.index.roots.count} strands, ${((1000 * ms) / own.index.roots.count).toFixed(2)} µs each`,
        ms,
        null,
      ),
    );
    return ms / own.index.roots.count;
  });
  out.push(
    line(`cost of a strand at 120 000 against 10 000: ${(perStrand[3] / perStrand[0]).toFixed(2)}`, 0, null),
  );
  return out;
}

for (const measure of wearMeasures()) console.log(printed(measure));
