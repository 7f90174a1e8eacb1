export { techniqueOf, TECHNIQUES, type Technique } from './library';
export { planOf } from './plan';
