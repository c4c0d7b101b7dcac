/** The part of the independent minimiser that the tests use. */
declare module 'fmin/index.js' {
  export function conjugateGradient(
    f: (x: number[], gradient: number[]) => number,
    initial: readonly number[],
    parameters?: { maxIterations?: number },
  ): { x: number[]; fx: number };
}
