export { mergeTexts } from './merge-texts.js';
