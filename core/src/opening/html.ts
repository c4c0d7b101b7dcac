import { convert, type HtmlToTextOptions } from 'html-to-text';
import { linesOfText, type SourceLine } from '../decoding/index.js';

/** What stands around a page's own words. */
const AROUND = ['nav', 'header', 'footer', 'aside', 'form', 'button', 'dialog', 'iframe', 'select'];
/** What shows nothing to a reader. */
const SILENT = ['script', 'style', 'noscript', 'template', 'svg', 'img', 'picture', 'video', 'audio', 'head'];

function options(skipped: readonly string[]): HtmlToTextOptions {
  const heading = { uppercase: false, leadingLineBreaks: 2, trailingLineBreaks: 1 };
  return {
    wordwrap: false,
    selectors: [
      ...['h1', 'h2', 'h3', 'h4', 'h5', 'h6'].map((selector) => ({ selector, options: heading })),
      { selector: 'a', options: { ignoreHref: true } },
      { selector: 'ul', options: { itemPrefix: '- ', leadingLineBreaks: 1, trailingLineBreaks: 1 } },
      { selector: 'ol', options: { leadingLineBreaks: 1, trailingLineBreaks: 1 } },
      { selector: 'p', options: { leadingLineBreaks: 1, trailingLineBreaks: 1 } },
      { selector: 'table', format: 'dataTable', options: { uppercaseHeaderCells: false, colSpacing: 4, maxColumnWidth: 400 } },
      ...skipped.map((selector) => ({ selector, format: 'skip' })),
    ],
  };
}

/** The lines of a web page or of a document's HTML, with what stands around its own words beside them, dropped. */
export function linesOfHtml(html: string): SourceLine[] {
  const whole = linesOfText(convert(html, options(SILENT)));
  const own = convert(html, options([...SILENT, ...AROUND]))
    .split('\n')
    .map((line) => line.trimEnd());
  return beside(whole, own);
}

/** The lines of the whole, those that are no lines of its own dropped; both are in the same order. */
function beside(whole: readonly SourceLine[], own: readonly string[]): SourceLine[] {
  let at = 0;
  return whole.map((line) => {
    if (line.text === '') return line;
    let next = at;
    while (next < own.length && own[next] === '') next++;
    if (own[next] !== line.text) return { ...line, dropped: 'around the page' as const };
    at = next + 1;
    return line;
  });
}
