export {
  blocksOf,
  strengthName,
  type BlockFacts,
  type ClockChoices,
  type WorkBlock,
} from './blocks';
export { PAINTED_AGAIN_MINUTES, type FormulaAmount, type WorkBowl, type WorkBowls } from './bowls';
export { cannotWith, clockPlanOf, levelReachedBy, plainQuestion, type ClockPlan } from './clock-plan';
export { factsOfLetters, lettersOf, type FormulaRow, type LetterFacts, type Letters } from './letters';
export { curveOf, isExpected, type LiftPoint, type LiftRow, type Stretch } from './lift';
export { ownMixName } from './mix-names';
export { workList, type WorkFacts, type WorkList } from './list';
export { lightenedIn, overlapping } from './overlap';
export { placedUnits, type PlacingFacts } from './placed';
export type { WorkProblem } from './problems';
export { levelsOfUnits, reachedIn } from './reached';
export { remediesFor, type Remedy, type Unexpected } from './remedies';
export { regrowthOnly, type RegrowthOnly } from './regrowth-only';
export { sheetsToCut, together, type Sheets } from './sheets';
export { groupsOf, groupWords, numberWords, workSummary, type WorkGroup } from './summary';
export { strengthsFor, type Careful } from './strengths';
export { strengthIdeas, type StrengthIdea } from './suggest';
export { takeStrength } from './take-strength';
export { UNIT_WORDS, type LaidWith, type PlacedUnit, type UnitKind, type WorkUnit } from './unit';
export { endsSentence, reachWords, startWords } from './words';
