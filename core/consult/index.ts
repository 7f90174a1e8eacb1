export { CHAPTER_WORDS, CHAPTERS, progressOf, type Chapter } from './conversation';
export {
  ANSWER_KEYS,
  offeredAnswers,
  withAnswers,
  type AnswerKey,
  type ClientAnswers,
} from './client-answers';
export { effectsOf } from './effects';
