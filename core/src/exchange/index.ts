export { documentText, toDocument, type DocumentPart, type DocumentRound, type PatternDocument } from './document.js';
