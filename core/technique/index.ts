export { techniqueOf, TECHNIQUES, type Technique } from './library';
export { libraryOn } from './overview';
export { PANEL_STARTS } from './panel-starts';
export { applyTechnique, applyToPanel, planOf, type Laid } from './plan';
