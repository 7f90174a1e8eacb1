export { asOutline } from './as-outline';
export { BRIGHTNESS, brightnessStep } from './brightness';
export { createPatternEngine, type ComputedPlan, type PatternDrawing, type PatternEngine } from './compute';
export { clearLostEdits, dropFoil, moveFoil, restoreFoil, retypeFoil } from './foil-edits';
export { diskPointOf } from './disk';
export { foilAt, panelAt } from './foil-at';
export {
  depthOf,
  GATHER_KINDS,
  gatherOf,
  gatherWord,
  paintedWidth,
  pickedWords,
  sectionsOf,
  stitchShapes,
} from './gather';
export { offScalp } from './gathers/weave';
export { BEND_MM, outlineOf, stitchesOnHead } from './stitch-shapes';
export { GATHER_PRESETS } from './gather-presets';
export { hairGrams, hairIn, hairsOn } from './hair';
export { middleTriangle } from './middle-triangle';
export { frameByHair, hangingHair, type HangingHair } from './hair-led';
export { mirrorPanel, mirrorPlan } from './mirror';
export { panelDifferences, withPanelOf, type PanelDifference } from './panel-differences';
export {
  addPanel,
  addPanelFirst,
  changePanel,
  duplicatePanel,
  freeId,
  isSectionedFirst,
  mirrorPanelIn,
  movePanel,
  removePanel,
  sectionFirst,
} from './panel-edits';
export { pathPoints, type FoilPath } from './panel-foils';
export { foilPoints, turnsByHand, withFoilMovedTo, withFoilTurnedTo } from './parting-grips';
export { placeGrips } from './place-grips';
export { angleName, partingName, directionName, gatherName, recipeLine } from './recipe-name';
export { Remembered } from './remembered';
export { foilsOfRoots, foilsOverRoots, indexRoots, type FoiledRoots, type RootIndex } from './root-foils';
export type * from './sheet';
export { nominalDropout, pitchOf } from './spacing';
export { followsHair, USUAL_TREATMENT } from './types';
export type * from './types';
export { seeded } from './seeded';
export { sharesOf, sharesWords, type HairShares, type Shares } from './shares';
