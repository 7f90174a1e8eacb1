export {
  ageOn,
  CAUTION_KEYS,
  cautionsOf,
  NOTED_WORDS,
  openCautions,
  type Caution,
  type CautionFacts,
  type CautionKey,
} from './caution';
export { cautionsFor, factsIn, type OnRecord } from './facts';
export { type CautionedFormula, type MixCautionFacts } from './mix-cautions';
