export { documentText, toDocument, type DocumentPart, type DocumentRound, type PatternDocument } from './document.js';
export { BASKET_COLUMNS, basketFromCsv, basketToCsv, type BasketFile, type RowProblem, type YarnRow } from './basket-csv.js';
export { listToCsv, listToMarkdown, listToText } from './needs-export.js';
export { readScaleLine, type ScaleReading } from './scale-line.js';
export { measurementsToCsv } from './measurements-csv.js';
export { logToCsv } from './log-csv.js';
