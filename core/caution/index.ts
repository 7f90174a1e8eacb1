export { ageOn, CAUTION_KEYS, cautionsOf, NOTED_WORDS, openCautions, type Caution, type CautionFacts, type CautionKey, type CautionLimits, type CautionWeight, type HairTest } from './caution';
export { factsIn } from './facts';
