export {
  ageOn,
  CAUTION_KEYS,
  cautionsOf,
  NOTED_WORDS,
  openCautions,
  type Caution,
  type CautionFacts,
  type CautionKey,
  type CautionLimits,
  type CautionWeight,
} from './caution';
export { cautionsFor, factsIn, type OnRecord } from './facts';
export {
  mixCautions,
  type CautionedFormula,
  type CautionedUnit,
  type MixCautionFacts,
  type StrengthLimits,
} from './mix-cautions';
