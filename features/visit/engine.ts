import { createVisitEngine } from '@/core/visit/computed';

/** One for the page: it remembers heads and parts of visits, and what it remembers changes no result. */
export const visitEngine = createVisitEngine();
