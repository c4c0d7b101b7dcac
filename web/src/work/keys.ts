/** What can be opened over the work. */
export type WorkDialog = 'more' | 'count' | 'rip' | 'differently' | 'pieces' | 'keys' | 'shape';

/** What a key does at the hook. */
export type HookAct = 'step' | 'group' | 'round' | 'round start' | 'undo' | 'how' | Exclude<WorkDialog, 'more'>;

interface HookKey {
  /** As the browser names it, in small letters. */
  readonly key: string;
  readonly shown: string;
  readonly act: HookAct;
  readonly does: string;
  /** Also where the piece has no stitch yet. */
  readonly always?: true;
}

/** Every key at the hook: what it does, and how the sheet of keys says so. */
export const KEYS: readonly HookKey[] = [
  { key: ' ', shown: 'Space', act: 'step', does: 'The step you chose: a stitch, a group or a round' },
  { key: 'arrowright', shown: '→', act: 'group', does: 'A group' },
  { key: 'enter', shown: 'Enter', act: 'round', does: 'A round' },
  { key: 'arrowleft', shown: '←', act: 'round start', does: 'Back to the round’s start' },
  { key: 'z', shown: 'Z', act: 'undo', does: 'Undo the last thing', always: true },
  { key: 'c', shown: 'C', act: 'count', does: 'Count is off' },
  { key: 'r', shown: 'R', act: 'rip', does: 'Rip back; or hold a worked stitch on the dial' },
  { key: 'd', shown: 'D', act: 'differently', does: 'I did it differently; a remark' },
  { key: 'k', shown: 'K', act: 'how', does: 'How it is done: the card of the words at hand; and away again' },
  { key: 'v', shown: 'V', act: 'shape', does: 'See the piece in the round, as far as it is' },
  { key: 'p', shown: 'P', act: 'pieces', does: 'All pieces', always: true },
  { key: '?', shown: '?', act: 'keys', does: 'This sheet', always: true },
];

/** What a pressed key does; null for one that does nothing. */
export function actOf(key: string, workable: boolean): HookAct | null {
  const known = KEYS.find((each) => each.key === key.toLowerCase());
  return known && (workable || known.always) ? known.act : null;
}
