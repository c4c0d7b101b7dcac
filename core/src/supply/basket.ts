import { constant } from '../constants/index.js';
import { yarnWeight, type YarnWeightNumber } from '../gauge/index.js';

/** A yarn the maker owns. */
export interface Yarn {
  readonly id: string;
  readonly name: string;
  readonly yarnWeight: YarnWeightNumber;
  readonly fibre: string;
  /** Colour in the maker's words. */
  readonly colour: string;
  /** Metres in 100 g, as its band says; null when not known. */
  readonly metresPer100g: number | null;
  /** Grams there were when they were last weighed or said. */
  readonly grams: number;
  /** When that was, ms since 1970. */
  readonly weighedAt: number;
  readonly dyeLot: string;
  /** Grams of a ball as it is sold, and its price; null when not known. */
  readonly ballGrams: number | null;
  readonly price: number | null;
}

/** A yarn with the grams that are free for a make: what is left, less what other makes still need of it. */
export interface Holding {
  readonly yarn: Yarn;
  readonly free: number;
}

/** The share by which yarns of one weight differ in metres to 100 g (from memory); a band is taken at its word, nearly. */
const USUAL_SPREAD = constant('spread of a usual yarn');
const BAND_SPREAD = constant('spread of a band');

/** Grams in one mm of yarn, and how sure that is. Without a yarn, or without a band, as usual for the weight. */
export function fineness(yarn: Yarn | null, weight: YarnWeightNumber): { readonly gramsPerMm: number; readonly spread: number } {
  const said = yarn?.metresPer100g ?? null;
  const metres = said ?? yarnWeight(yarn?.yarnWeight ?? weight).metres;
  return { gramsPerMm: 100 / (metres * 1_000), spread: said === null ? USUAL_SPREAD : BAND_SPREAD };
}

/** Whole balls that hold so many grams, and the grams of one; 50 g balls where the yarn does not say. */
export function ballsFor(grams: number, yarn: Yarn | null): { readonly balls: number; readonly ballGrams: number } {
  const ballGrams = yarn?.ballGrams ?? 50;
  return { balls: Math.ceil(grams / ballGrams - 1e-9), ballGrams };
}
