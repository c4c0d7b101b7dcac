import type { Hand } from '../gauge/index.js';

/** Which yarn of the basket a colour is worked in, in one part or (`part` null) in all others. */
export interface YarnChoice {
  /** `partKey` of the part, or null. */
  readonly part: string | null;
  /** The colour as `colourKey` gives it. */
  readonly colour: string;
  /** Id of the yarn in the basket. */
  readonly yarn: string;
}

/** What a maker chose for a make beside its yarn weight and hook. */
export interface Kit {
  readonly hand: Hand | null;
  /** How many of the whole figure are to be made. */
  readonly copies: number;
  /** It is for a child under three: nothing small, no long cords. */
  readonly underThree: boolean;
  readonly yarns: readonly YarnChoice[];
  /** Parts to make first, by `partKey`, in this order; the others follow in the pattern's. */
  readonly order: readonly string[];
  /** Ids of list entries that are got. */
  readonly got: readonly string[];
}

export const EMPTY_KIT: Kit = { hand: null, copies: 1, underThree: false, yarns: [], order: [], got: [] };

/** A colour as choices name it; the pattern's first stitches, before any colour is named, have ''. */
export function colourKey(name: string): string {
  return name.trim().toLowerCase();
}

/** The part of a piece: "wing/2" is a copy of "wing". */
export function partKey(piece: string): string {
  return piece.slice(0, piece.lastIndexOf('/'));
}

/** The id of the yarn a colour of a part is worked in; null where none is chosen. */
export function yarnFor({ yarns }: Kit, part: string, colour: string): string | null {
  const key = colourKey(colour);
  const fits = yarns.filter((choice) => choice.colour === key);
  return (fits.find((choice) => choice.part === part) ?? fits.find((choice) => choice.part === null))?.yarn ?? null;
}

/** The kit with another yarn for a colour, in one part or in all; null takes the choice back. */
export function chooseYarn(kit: Kit, part: string | null, colour: string, yarn: string | null): Kit {
  const key = colourKey(colour);
  const others = kit.yarns.filter((choice) => choice.part !== part || choice.colour !== key);
  return { ...kit, yarns: yarn === null ? others : [...others, { part, colour: key, yarn }] };
}
