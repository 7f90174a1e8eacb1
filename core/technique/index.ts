export { techniqueOf, TECHNIQUES, type Technique } from './library';
export { libraryOn, overviewOf, type TechniqueOverview } from './overview';
export { planOf } from './plan';
