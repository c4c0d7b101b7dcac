import type { PartCount } from '@lemniscus/core/fabric';
import { gatesOf, printInstruction, printLabel, type GateKind, type Terms } from '@lemniscus/core/notation';

/** What lies ahead in a part: written lines with their counts, and the pattern's notes between them. */
export type Ahead =
  | {
      readonly is: 'rounds';
      readonly line: number;
      readonly label: string;
      readonly words: string;
      readonly makes: string;
      readonly change: 'up' | 'down' | 'same';
      readonly ok: boolean;
      readonly now: boolean;
      /** Rounds of this line done and in all, where there are several. */
      readonly tally: { readonly done: number; readonly of: number } | null;
      /** Colour changed to in this line. */
      readonly colour: string | null;
    }
  | {
      readonly is: 'note';
      readonly before: string;
      readonly text: string;
      readonly due: boolean;
      /** What it asks for, where it is something that can be done at this time only. */
      readonly gate: GateKind | null;
      /** Index of the round it stands before; the number of rounds at the end. */
      readonly round: number;
    };

/**
 * The lines from the one being worked on, with the notes that stand before each. A note before the line being worked
 * stays until the second round of that line.
 * @param round 0-based round being worked; past the last one when the piece is finished
 */
export function comingUp({ part, rounds }: PartCount, round: number, terms: Terms): Ahead[] {
  const current = rounds[round]?.line ?? part.lines.length;
  const ahead: Ahead[] = [];
  const gates = gatesOf(part);
  const notes = (line: number, before: string, due: boolean, at: number): void => {
    for (const { text, before: own } of part.notes) {
      if (own !== line) continue;
      const gate = gates.find((each) => each.before === line && each.text === text)?.kind ?? null;
      ahead.push({ is: 'note', before, text, due, gate, round: at });
    }
  };
  for (let index = current; index < part.lines.length; index++) {
    const line = part.lines[index]!;
    const own = rounds.filter((one) => one.line === index);
    const first = own[0];
    const last = own[own.length - 1];
    if (!first || !last) continue;
    const now = index === current;
    const started = now ? round - rounds.indexOf(first) : 0;
    if (started === 0) notes(index, `Before ${first.label}`, now, rounds.indexOf(first));
    const below = rounds[rounds.indexOf(first) - 1]?.makes ?? 0;
    const colour = line.items.find((item) => item.kind === 'colour');
    ahead.push({
      is: 'rounds',
      line: index,
      label: printLabel(line),
      words: printInstruction({ ...line, items: line.items.filter((item) => item.kind !== 'colour') }, { terms, form: 'short' }),
      makes: first.makes === last.makes ? `${last.makes}` : `${first.makes}–${last.makes}`,
      change: last.makes > below ? 'up' : last.makes < below ? 'down' : 'same',
      ok: own.every((one) => one.ok),
      now,
      tally: own.length > 1 ? { done: started, of: own.length } : null,
      colour: colour?.kind === 'colour' ? colour.name : null,
    });
  }
  notes(part.lines.length, 'At the end', current === part.lines.length, rounds.length);
  return ahead;
}
