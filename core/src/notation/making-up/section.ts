import type { Token } from '../tokens.js';

/** Headings of the section that says how the pieces are put together (common practice). */
const HEADINGS: ReadonlySet<string> = new Set(
  'put together|putting together|putting it together|putting it all together|put it together|put it all together|assembly|assemble|assembling|making up|make up|to make up|finishing|finish|to finish|finishing up|finishing touches|joining|joining the parts|joining the pieces|sewing up|sew up|sewing|sewing together|construction|completing'.split(
    '|',
  ),
);

/** What the printed form calls it. */
export const MAKING_UP_HEADING = 'Put together';

/** Whether a line is nothing but the heading of the making-up. */
export function opensMakingUp(tokens: readonly Token[]): boolean {
  if (tokens.length > 8) return false;
  const words = tokens.filter(({ kind }) => kind === 'word').map(({ key }) => key);
  return HEADINGS.has(words.join(' ')) && tokens.every(({ kind }) => kind !== 'number');
}
