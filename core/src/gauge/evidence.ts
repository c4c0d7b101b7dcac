/** Something measured over what was predicted for it: 1.05 is a twentieth more. */
export interface Evidence {
  readonly ratio: number;
  /** Give or take, as a share. */
  readonly spread: number;
  /** What it was measured with; evidence counts fully only there. */
  readonly made: string;
  /** By how much the prediction may be out between there and here, whoever works; nothing where it is left out. */
  readonly apart?: number;
}

/** What to multiply a prediction by, and how sure that is. */
export interface Belief {
  readonly factor: number;
  /** Give or take, as a share. */
  readonly spread: number;
  /** Where it comes from: tables only, also measured with other yarns or hooks, or measured with these. */
  readonly from: 'tables' | 'elsewhere' | 'here';
  /** Measurements that went into it. */
  readonly count: number;
}

/** What is believed before anything is measured; `transfer` is the share by which the same hand differs from yarn to yarn. */
export interface Prior {
  readonly factor: number;
  readonly spread: number;
  readonly transfer: number;
}

/**
 * Weighs what was predicted and what was measured by how exact they are (inverse variance, in logarithms): the tables, what
 * was measured with the same yarn and hook, and what was measured with others, each yarn and hook counted as one witness.
 * Nothing replaces anything, so that no hair's breadth makes a jump, and one poor measurement leaves three good ones their
 * weight.
 */
export function believe(evidence: readonly Evidence[], made: string, { factor, spread, transfer }: Prior): Belief {
  const here = evidence.filter((one) => one.made === made);
  const others = [...new Set(evidence.map((one) => one.made))].filter((each) => each !== made);
  const witnesses = others.map((each) => {
    const own = evidence.filter((one) => one.made === each);
    const pooled = pool(own);
    return { ratio: pooled.factor, spread: Math.hypot(pooled.spread, transfer, own[0]!.apart ?? 0) };
  });
  const from = here.length > 0 ? 'here' : evidence.length > 0 ? 'elsewhere' : 'tables';
  return { ...pool([{ ratio: factor, spread }, ...witnesses, ...here]), from, count: here.length || evidence.length };
}

function pool(all: readonly Pick<Evidence, 'ratio' | 'spread'>[]): { factor: number; spread: number } {
  let weights = 0;
  let sum = 0;
  for (const { ratio, spread } of all) {
    const weight = 1 / spread ** 2;
    weights += weight;
    sum += weight * Math.log(ratio);
  }
  return { factor: Math.exp(sum / weights), spread: 1 / Math.sqrt(weights) };
}
