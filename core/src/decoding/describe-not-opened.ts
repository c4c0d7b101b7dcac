import type { NotOpened } from './opened.js';

const KINDS = { text: 'text', pdf: 'PDF', docx: 'Word file', odt: 'text document', html: 'web page', rtf: 'rich text' } as const;

/** A sentence on why nothing was read from a file, and what helps. */
export function describeNotOpened(not: NotOpened): string {
  switch (not.why) {
    case 'empty':
      return 'The file is empty.';
    case 'no text':
      return 'There is no text in it that can be read. Is it a picture? Save the pattern as text, a PDF or a Word file.';
    case 'scan':
      return 'This PDF is a scan: its pages are pictures, without letters. Run it through text recognition first, or type the rounds.';
    case 'password':
      return 'This PDF is closed by a password. Open it where you have the password, print it to a new PDF, and take that one.';
    case 'stopped':
      return 'Stopped. Nothing was taken from it.';
    case 'broken':
      return `This ${KINDS[not.kind]} is damaged and cannot be read. Open it in the program it was made with and save it once more.`;
    case 'unknown':
      return `What is in this ${not.ending} file cannot be read. Unpack it, and take the pattern out of it.`;
    case 'too large':
      return not.of === 'pages'
        ? `It has more than ${not.most} pages, the most that are read. Print the pages of the pattern to a new PDF.`
        : `It is larger than ${not.most} MB, the most that is read.`;
  }
}
