import { readFile } from 'node:fs/promises';
import { checkPattern, toReport, type PatternReport } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';

const USAGE = 'Usage: lemniscus check FILE [--json]';

/**
 * `lemniscus check FILE [--json]`: reads a pattern and prints its rounds, counts and diagnostics.
 * @returns the exit code: 0 without errors, 1 with errors in the pattern, 2 when the file cannot be read
 */
async function check(args: readonly string[]): Promise<number> {
  const [command, ...rest] = args;
  const files = rest.filter((arg) => !arg.startsWith('--'));
  const unknown = rest.find((arg) => arg.startsWith('--') && arg !== '--json');
  if (command !== 'check' || files.length !== 1 || unknown !== undefined) {
    console.error(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = await readFile(files[0]!, 'utf8');
  } catch (error) {
    console.error(`${files[0]} cannot be read: ${error instanceof Error ? error.message : String(error)}`);
    return 2;
  }
  const report = toReport(text, checkPattern(read(text)));
  process.stdout.write(rest.includes('--json') ? `${JSON.stringify(report, null, 2)}\n` : forPeople(report, files[0]!));
  return report.diagnostics.some((diagnostic) => diagnostic.severity === 'error') ? 1 : 0;
}

function forPeople(report: PatternReport, file: string): string {
  const lines = [`${report.title || 'Untitled'} (${report.terms} terms)`];
  for (const part of report.parts) {
    lines.push('', part.copies > 1 ? `${part.name}, make ${part.copies}` : part.name);
    for (const { label, uses, makes, stated, ok } of part.rounds) {
      const differs = stated !== null && stated !== makes ? `, stated ${stated}` : '';
      lines.push(`  ${label.padEnd(8)}${String(uses).padStart(5)} → ${String(makes).padEnd(5)}${ok ? '' : ' ✗'}${differs}`);
    }
  }
  if (report.diagnostics.length > 0) lines.push('');
  for (const { line, column, severity, message } of report.diagnostics)
    lines.push(`${file}:${line}:${column} ${severity}: ${message}`);
  return `${lines.join('\n')}\n`;
}

process.exitCode = await check(process.argv.slice(2));
