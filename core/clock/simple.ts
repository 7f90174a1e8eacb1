import { Allowed, type Fixed } from './allowed';
import { Courses, type Course } from './course';
import { NEAR, USUAL_RULES, type Action, type Block, type ClockRules, type Start } from './types';

/**
 * The simple plan of an order: foil on with the chosen strengths, alone, and go to the basin with everything that may be
 * rinsed as soon as the next block would take something past its limit; the rest at the end.
 */
export function simplePlan(blocks: readonly Block[], rules: ClockRules = USUAL_RULES, fixed: Fixed = {}, start?: Start): Action[] {
  const courses = new Courses(blocks, rules);
  const allowed = new Allowed(blocks, rules, fixed);
  const actions: Action[] = [];
  let course = courses.begin(start);
  const waiting = (own: Course) => own.foiled & ~own.rinsed;
  const members = (set: number) => blocks.map((_, b) => b).filter((b) => set & (1 << b));
  /** What would be over, were everything rinsed that is on the head. */
  const overAtOnce = (own: Course) => (waiting(own) === 0 ? own.over : courses.rinse(own, members(waiting(own))).course.over);
  const rinse = () => {
    const set = allowed.most(waiting(course), course);
    if (set === 0) return;
    actions.push({ kind: 'rinse', blocks: members(set) });
    course = courses.rinse(course, members(set)).course;
  };
  for (;;) {
    const b = blocks.findIndex((_, own) => allowed.foil(own, course.foiled));
    if (b < 0) break;
    const strength = allowed.strengths(b)[0];
    if (waiting(course) !== 0 && overAtOnce(courses.foil(course, b, strength).course) > overAtOnce(course) + NEAR) rinse();
    actions.push(strength === 0 ? { kind: 'foil', block: b } : { kind: 'foil', block: b, strength });
    course = courses.foil(course, b, strength).course;
  }
  while (waiting(course) !== 0 && allowed.most(waiting(course), course) !== 0) rinse();
  return actions;
}
