export {
  ATTRIBUTE,
  ATTRIBUTES,
  attributeOf,
  CONDITION_WORDS,
  FLAG_WORDS,
  sayIn,
  valueIn,
  type AttributeKey,
  type AttributeValues,
} from './attributes';
export {
  brokenZonesOf,
  changesSince,
  copySide,
  fill,
  greyShareOf,
  paint,
  sayChanges,
  sidesAgree,
} from './paint';
export { conditionLines, worstCondition } from './condition';
