export { CHAPTER_WORDS, CHAPTERS, progressOf, type Chapter, type Progress } from './conversation';
export {
  ANSWER_KEYS,
  offeredAnswers,
  withAnswers,
  type AnswerKey,
  type ClientAnswers,
  type OfferedAnswer,
  type Say,
} from './client-answers';
export { effectsOf, type Effect } from './effects';
