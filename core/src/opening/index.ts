export { describeNotOpened } from './describe-not-opened.js';
export { openFile } from './open-file.js';
export { textOfLines, type Dropped, type FileKind, type NotOpened, type Opened, type SourceLine } from './opened.js';
