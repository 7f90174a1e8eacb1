/** The steps of a visit in the order of the work. */
export const STEPS = [
  { path: 'consult', name: 'Consult' },
  { path: 'pattern', name: 'Pattern' },
  { path: 'wear', name: 'Wear' },
  { path: 'mix', name: 'Mix' },
  { path: 'clock', name: 'Clock' },
  { path: 'chair', name: 'Chair' },
  { path: 'record', name: 'Record' },
] as const;
export type Step = (typeof STEPS)[number]['path'];
/** Those that are drawn within the page of the visit; Chair is a page of its own. */
export type VisitStep = Exclude<Step, 'chair'>;

export const isVisitStep = (step: string): step is VisitStep =>
  step !== 'chair' && STEPS.some(({ path }) => path === step);
export const stepName = (step: string): string => STEPS.find(({ path }) => path === step)?.name ?? '';

/** Where a step of a visit is. */
export const hrefOf = (visitId: string, step: Step): string =>
  step === 'chair' ? `/chair?visit=${visitId}` : `/visits/${visitId}/${step}`;
