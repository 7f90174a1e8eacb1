export { mixOf, type FormulaAmount, type Mixed, type MixFacts, type PanelLift, type Recipe } from './mix';
