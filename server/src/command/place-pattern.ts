import { assemblyOf, orderReport, placeReport, type PlaceReport } from '@lemniscus/core/assembly';
import { checkPattern, type PatternCount } from '@lemniscus/core/fabric';
import { estimateStitch } from '@lemniscus/core/gauge';
import { read } from '@lemniscus/core/notation';
import { statedKit } from '@lemniscus/core/supply';
import { readText } from './text-file.js';

/** What a stitch and an eye are sized by where the pattern does not say (common practice). */
const USUAL = { yarn: 4, hook: 3.5, eyeMm: 10 } as const;
/** A stitch takes about so long (our own estimate). */
const SECONDS = 4;

/**
 * `lemniscus place FILE [--json]`: where every copy of every feature goes.
 * @returns the exit code: 0 when all have a place, 1 when something is in the way, 2 when the file cannot be read; null when misused
 */
export function place(args: readonly string[]): Promise<number | null> {
  return withAssembly(args, (assembly) => {
    const report = placeReport(assembly);
    const code = assembly.problems.some(({ severity }) => severity === 'error') ? 1 : 0;
    return { report, lines: [...report.places.flatMap(placeLines), ...report.problems.map((words) => `! ${words}`)], code };
  });
}

/** `lemniscus order FILE [--json]`: the steps of a make in order, each with what it waits for. */
export function order(args: readonly string[]): Promise<number | null> {
  return withAssembly(args, (assembly) => {
    const report = orderReport(assembly.order);
    const lines = report.steps.flatMap(({ what, minutes, waitsFor }, i) => [
      `${String(i + 1).padStart(3)}. ${what} (about ${minutes} min)`,
      ...(waitsFor.length > 0
        ? [`     after ${waitsFor.map((id) => report.steps.find(({ step }) => step === id)?.what ?? id).join('; ')}`]
        : []),
    ]);
    return {
      report,
      lines: [...lines, ...report.problems.map((words) => `! ${words}`)],
      code: report.problems.length > 0 ? 1 : 0,
    };
  });
}

type Assembly = ReturnType<typeof assemblyOf>;
interface Told {
  readonly report: unknown;
  readonly lines: readonly string[];
  readonly code: number;
}

async function withAssembly(args: readonly string[], tell: (assembly: Assembly) => Told): Promise<number | null> {
  const files = args.filter((arg) => arg !== '--json');
  const [file] = files;
  if (file === undefined || files.length > 1 || file.startsWith('--')) return null;
  const text = await readText(file);
  if ('refused' in text) {
    console.error(text.refused);
    return 2;
  }
  const count = checkPattern(read(text.text));
  const { report, lines, code } = tell(assembled(count));
  if (args.includes('--json')) console.log(JSON.stringify(report, null, 2));
  else process.stdout.write(`${[count.pattern.title || 'Untitled', ...lines].join('\n')}\n`);
  return code;
}

function assembled(count: PatternCount): Assembly {
  const { yarnWeight, hookMm, eyeMm } = statedKit(count.pattern);
  return assemblyOf(count, {
    stitch: estimateStitch(yarnWeight ?? USUAL.yarn, hookMm ?? USUAL.hook),
    eyeMm: eyeMm ?? USUAL.eyeMm,
    secondsPerStitch: SECONDS,
  });
}

function placeLines({ feature, copy, host, round, gap, afterStitch, mm, problems }: PlaceReport): string[] {
  const height = gap
    ? `between R${round[0]} and R${round[1]}`
    : round[0] === round[1]
      ? `R${round[0]}`
      : `R${round[0]} to R${round[1]}`;
  const holes = afterStitch.length === 0 ? 'all round' : `after stitch ${afterStitch.join(' and ')}`;
  const across = mm.across === null ? '' : `, ${mm.across} mm straight across`;
  return [
    `${feature} ${copy} on ${host}: ${height}, ${holes}; ${mm.around} mm round from the front, ${mm.along} mm along the wall${across}`,
    ...problems.map((words) => `  ! ${words}`),
  ];
}
