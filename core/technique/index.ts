export { techniqueOf, TECHNIQUES, type Technique } from './library';
export { libraryOn, overviewOf, type TechniqueOverview } from './overview';
export { PANEL_STARTS, type PanelStart } from './panel-starts';
export { applyTechnique, applyToPanel, planOf, type Laid } from './plan';
