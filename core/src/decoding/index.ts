export { describeNoText, fromWindows, textOf, type Encoding, type FileText } from './text-of.js';
export { describeNotOpened } from './describe-not-opened.js';
export { linesOfText, textOfLines, type Dropped, type FileKind, type NotOpened, type Opened, type SourceLine } from './opened.js';
