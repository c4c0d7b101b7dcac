/** One line of the table: a figure of ours beside the same figure of its baseline, measured in turns in the same run. */
export interface Result {
  readonly name: string;
  readonly ours: number;
  readonly baseline: number;
  readonly baselineName: string;
  readonly unit: string;
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}

/** Runs both in turns, so that a busy machine slows both, and gives the median of each in milliseconds. */
export async function compare(
  rounds: number,
  ours: () => unknown,
  baseline: () => unknown,
): Promise<{ ours: number; baseline: number }> {
  const times: { ours: number[]; baseline: number[] } = { ours: [], baseline: [] };
  const timed = async (run: () => unknown): Promise<number> => {
    const began = performance.now();
    await run();
    return performance.now() - began;
  };
  // The first turn warms up and is not counted.
  for (let round = 0; round <= rounds; round++) {
    const one = await timed(ours);
    const other = await timed(baseline);
    if (round > 0) {
      times.ours.push(one);
      times.baseline.push(other);
    }
  }
  return { ours: median(times.ours), baseline: median(times.baseline) };
}

export function table(results: readonly Result[]): string {
  const rows = results.map(({ name, ours, baseline, baselineName, unit }) => [
    name,
    `${ours.toPrecision(3)} ${unit}`,
    `${baseline.toPrecision(3)} ${unit}`,
    baselineName,
    `${(ours / baseline).toFixed(2)} ×`,
  ]);
  const all = [['what', 'ours', 'baseline', 'the baseline is', 'ratio'], ...rows];
  const widths = all[0]!.map((_, column) => Math.max(...all.map((row) => row[column]!.length)));
  return all.map((row) => row.map((cell, column) => cell.padEnd(widths[column]!)).join('   ')).join('\n');
}
