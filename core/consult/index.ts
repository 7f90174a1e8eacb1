export { CHAPTER_WORDS, CHAPTERS, progressOf, type Chapter, type Progress } from './conversation';
export { effectsOf, type Effect } from './effects';
