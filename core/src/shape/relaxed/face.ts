import type { PartCount } from '../../fabric/index.js';
import { gatesOf } from '../../notation/index.js';

/** Where a part's own words set its eyes: the round below them, 0-based, and the stitches between; null where they do not say how many. */
export interface Face {
  readonly round: number;
  readonly between: number | null;
}

/** The face of a part, or null where its words name no round for eyes. */
export function faceOf(counted: PartCount): Face | null {
  const gate = gatesOf(counted.part).find(({ kind }) => kind === 'eyes');
  const number = gate?.rounds?.[0];
  const round = counted.rounds.findIndex((each) => each.number === number);
  return gate && round >= 0 ? { round, between: gate.apart?.count ?? null } : null;
}
