import { BOUNDS } from '../bounds/index.js';
import { counted, type Fix, type GateKind, type Span } from '../notation/index.js';

/** What counting can find, as facts; `describeCount` makes the sentence. `fixes` are the ways out, the likeliest first. */
export type CountDiagnostic = { readonly span: Span; readonly fixes?: readonly Fix[] } & (
  | {
      /** A hint where a last round may stop part of the way. */
      readonly severity: 'error' | 'hint';
      readonly code: 'leaves-stitches';
      readonly label: string;
      readonly available: number;
      readonly uses: number;
      readonly makes: number;
      readonly stated: number | null;
    }
  | ({ readonly severity: 'error' } & (
      | {
          readonly code: 'uses-too-many';
          readonly label: string;
          readonly available: number;
          readonly uses: number;
          readonly makes: number;
          readonly stated: number | null;
        }
      | {
          readonly code: 'total-differs';
          readonly label: string;
          readonly makes: number;
          readonly stated: number;
          /** Which is likelier wrong, judged from the round after; null when that fits both or neither. */
          readonly likelier: 'total' | 'instruction' | null;
          readonly next: string | null;
        }
      | { readonly code: 'too-large'; readonly label: string }
    ))
  | {
      readonly severity: 'hint';
      readonly code: 'growth-ruffles' | 'growth-gathers';
      readonly label: string;
      readonly by: number;
      readonly flat: number;
    }
  | {
      /** A round of a talk that its count could not confirm; `why` in the words of the text. */
      readonly severity: 'warning';
      readonly code: 'told-in-doubt';
      readonly label: string;
      readonly why: string;
    }
  | {
      readonly severity: 'warning';
      readonly code: 'gate-late';
      readonly gate: GateKind;
      readonly stitches: number;
      readonly label: string;
    }
);

const stitches = (count: number): string => counted(count, 'stitch');

/** The stated total, where it is another than what is made. */
function saidOtherwise({ makes, stated }: { readonly makes: number; readonly stated: number | null }): string {
  return stated === null || stated === makes ? '' : `, and ${stated} is stated`;
}

export function describeCount(d: CountDiagnostic): string {
  switch (d.code) {
    case 'leaves-stitches': {
      const over = d.available - d.uses;
      if (d.severity === 'hint')
        return `${d.label} stops after ${d.uses} of the ${stitches(d.available)} below. Fine for a last round that does.`;
      return `${d.label} works ${d.uses} of the ${stitches(d.available)} below: ${over} ${over === 1 ? 'is' : 'are'} left over. As written it makes ${d.makes}${saidOtherwise(d)}.`;
    }
    case 'uses-too-many':
      return `${d.label} needs ${stitches(d.uses)}, but the round below has ${d.available}: ${d.uses - d.available} too many. As written it makes ${d.makes}${saidOtherwise(d)}.`;
    case 'total-differs': {
      const off = d.makes - d.stated;
      const said = `${d.label} makes ${d.makes}, but ${d.stated} is stated: ${Math.abs(off)} ${off > 0 ? 'more' : 'fewer'} than stated.`;
      if (d.likelier === 'total') return `${said} ${d.next} goes on from ${d.makes}, so the stated total is likelier wrong.`;
      return d.likelier === 'instruction'
        ? `${said} ${d.next} goes on from ${d.stated}, so the round itself is likelier wrong.`
        : said;
    }
    case 'too-large':
      return `${d.label} goes past ${BOUNDS.partStitches} stitches in one part, the most that is worked out. Check its repeats.`;
    case 'growth-ruffles':
      return `${d.label} adds ${d.by} at once, where about ${d.flat} lie flat: it will ruffle. Fine for a frill.`;
    case 'growth-gathers':
      return `${d.label} takes away ${d.by} at once, where about ${d.flat} lie flat: it will gather like a drawstring.`;
    case 'told-in-doubt':
      return `${d.label} is in doubt, as the talk was heard: ${d.why}. Listen there, and mend it or take it as it stands.`;
    case 'gate-late':
      return `By then the opening has closed to ${stitches(d.stitches)} (after ${d.label}), too few for a hand. Say it some rounds earlier.`;
  }
}
