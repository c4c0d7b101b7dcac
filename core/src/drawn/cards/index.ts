import type { CardId } from '../../technique/index.js';
import type { Drawing } from '../drawing.js';
import { BEGINNING_DRAWINGS } from './beginnings.js';
import { DETAIL_DRAWINGS } from './details.js';
import { INSIDE_DRAWINGS } from './inside.js';
import { SEWING_DRAWINGS } from './sewing.js';
import { GOING_ROUND_DRAWINGS } from './going-round.js';
import { STITCH_DRAWINGS } from './stitches.js';

const DRAWINGS = {
  ...BEGINNING_DRAWINGS,
  ...STITCH_DRAWINGS,
  ...GOING_ROUND_DRAWINGS,
  ...INSIDE_DRAWINGS,
  ...SEWING_DRAWINGS,
  ...DETAIL_DRAWINGS,
} satisfies Record<CardId, () => Drawing>;

/** The pictures of a card. */
export const drawingOf = (card: CardId): Drawing => DRAWINGS[card]();
