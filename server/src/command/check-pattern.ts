import { checkPattern, toReport, type PatternReport } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { readText } from './text-file.js';

/** A pattern that was read, or a sentence on why its file cannot be. */
type Checked = { readonly file: string; readonly report: PatternReport } | { readonly file: string; readonly refused: string };

/**
 * `lemniscus check FILE… [--json]`: reads patterns and prints their rounds, counts and diagnostics, in the order of the
 * files. As JSON one file gives one object; several give one a line, each with its `file`.
 * @returns the exit code: 0 without errors, 1 with errors in a pattern, 2 when a file cannot be read; null when misused
 */
export async function check(rest: readonly string[]): Promise<number | null> {
  const files = rest.filter((arg) => !arg.startsWith('--'));
  const unknown = rest.find((arg) => arg.startsWith('--') && arg !== '--json');
  if (files.length === 0 || unknown !== undefined) return null;
  let code = 0;
  for (const file of files) {
    const checked = await checkFile(file);
    tell(checked, rest.includes('--json'), files.length > 1);
    code = Math.max(code, codeOf(checked));
  }
  return code;
}

async function checkFile(file: string): Promise<Checked> {
  const text = await readText(file);
  if ('refused' in text) return { file, refused: text.refused };
  return { file, report: toReport(text.text, checkPattern(read(text.text))) };
}

function codeOf(checked: Checked): number {
  if ('refused' in checked) return 2;
  return checked.report.diagnostics.some(({ severity }) => severity === 'error') ? 1 : 0;
}

function tell(checked: Checked, json: boolean, several: boolean): void {
  if ('refused' in checked) {
    const said = checked.refused.startsWith(checked.file) ? checked.refused : `${checked.file}: ${checked.refused}`;
    console.error(said);
    if (json && several) console.log(JSON.stringify({ file: checked.file, error: said, parts: [], diagnostics: [] }));
    return;
  }
  const { file, report } = checked;
  if (!json) process.stdout.write(forPeople(report, file));
  else if (several) console.log(JSON.stringify({ file, ...report }));
  else console.log(JSON.stringify(report, null, 2));
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
