export { describeNoText, textOf, type Encoding, type FileText } from './text-of.js';
