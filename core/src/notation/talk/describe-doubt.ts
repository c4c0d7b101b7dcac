import type { Doubt } from './doubt.js';

/** What is in doubt, in a few words that stand in a remark: no brackets, no colon. */
export function describeDoubt(doubt: Doubt): string {
  switch (doubt.is) {
    case 'total':
      return `${doubt.said} was said, and the words make ${doubt.makes}`;
    case 'times':
      return `${doubt.said} times was said, and ${doubt.fits} fit the round`;
    case 'number':
      return `it was called ${doubt.said}`;
    case 'missing':
      return doubt.from === doubt.to ? `round ${doubt.from} was not heard` : `rounds ${doubt.from} to ${doubt.to} were not heard`;
    case 'run':
      return `${doubt.said} rounds were said too`;
    case 'unheard':
      return 'how was not heard';
    case 'unconfirmed':
      return 'nothing that was said confirms it';
    case 'other':
      return `it may be ${doubt.text}${doubt.rounds === 1 ? '' : ` for ${doubt.rounds} rounds`}, which makes ${doubt.makes}`;
  }
}
