export { ageOn, CAUTION_KEYS, cautionsOf, CONSENT_KINDS, NOTED_WORDS, openCautions, type Caution, type CautionFacts, type CautionKey, type CautionLimits, type CautionWeight, type ConsentKind, type HairTest } from './caution';
export { cautionsFor, factsIn, type OnRecord } from './facts';
export { mixCautions, regrowthOnly, type CautionedFormula, type MixCautionFacts, type StrengthLimits } from './mix-cautions';
