import { createVisitEngine } from '@/core/visit/computed';

/** One for the page, or for all pages that a server writes: it remembers heads and parts of visits, and what it remembers changes no result. */
export const visitEngine = createVisitEngine();
