export {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  parseArchiveManifest,
  type ArchiveManifest,
} from './archive-manifest';
export { clockDocument, clockSchema } from './clock-document';
export { clientAnswersSchema, NO_ANSWERS, parseClientAnswers } from './client-answers-document';
export { consultSchema, EMPTY_CONSULT, futureProblem, oldShadowMm, parseConsult } from './consult-document';
export { withOldShadow } from './old-shadow';
export { differencesOf, type Difference } from './differences';
export { mergeEdits } from './merge';
export { receiptSheet } from './receipt-sheet';
export { AVERAGE_HAIR, AVERAGE_HEAD } from './fields';
export { growthDocumentSchema, growthReport, parseGrowthDocument } from './growth-document';
export { houseSchema, parseHouse, USUAL_HOUSE } from './house-document';
export { parseWorkingHours } from './working-hours-document';
export { mixCard } from './mix-card';
export { EMPTY_MIX, mixSchema, parseMix } from './mix-document';
export { outcomeSchema, parseOutcome } from './outcome-document';
export { openedHeadShapes, openedHeadSvg } from './opened-head-shapes';
export { MOST_PATTERN_BYTES, patternFile, readPatternFile } from './pattern-file';
export { panelOf, parsePlan, parsePlanText, planSchema, type PanelInput } from './plan-document';
export { productsCsv, readProductsCsv, type Import } from './products-csv';
export { type TableStyle } from './table-style';
export { type RowProblem } from './csv-table';
export {
  CLIENT_COLUMNS,
  CLIENT_FIELDS,
  clientForm,
  clientsCsv,
  readClientsCsv,
  type ClientColumn,
  type ClientColumns,
  type ClientField,
  type ClientsImport,
  type ListedClient,
} from './clients-csv';
export { foilsCsv, readFoilsCsv, type FoilsImport } from './foils-csv';
export {
  parseCounts,
  parseProducts,
  productSchema,
  productsSchema,
  USUAL_PRODUCTS,
  type Products,
} from './products-document';
export {
  EMPTY_PHOTO,
  parsePhoto,
  POSES,
  STAGES,
  type PhotoDocument,
  type Pose,
  type Stage,
} from './photo-document';
export { beginningOf, soundText, unsound } from './sound';
export { parseWith, pathOf, sentenceOf } from './problem';
export { roundedSheet, sheetSchema } from './sheet-document';
export { emptyPlan, startPlan } from './start-plan';
export { parseScript, scriptSchema } from './script-document';
export { parseEventBatch, parseEventBody, type EventBatch } from './service-event';
export {
  parseTechnique,
  TECHNIQUE_GROUPS,
  TECHNIQUE_FORMAT,
  TECHNIQUE_VERSION,
  techniqueSchema,
  type OwnTechnique,
  type TechniqueGroup,
} from './technique-document';
export { printedText, svgOf, type PrintedText, type Shape } from './shapes';
export { cut, wrapped } from './sheet-text';
export { stationSheet, type StationSheet } from './station-sheet';
export { thumbnailOf, type Thumbnail } from './thumbnail';
export { techniquesSchema, type TechniquesDocument } from './techniques-document';
export { EMPTY_TEST, parseTest } from './test-document';
export { visitSchema } from './visit-document';
export { workDocument, workSchema } from './work-document';
export { toBuyCsv } from './to-buy-csv';
