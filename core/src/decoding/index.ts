export { describeNoText, fromWindows, textOf, type Encoding, type FileText } from './text-of.js';
