const TYPES = {
  txt: 'text/plain',
  md: 'text/markdown',
  json: 'application/json',
  csv: 'text/csv',
} as const;
export type FileKind = keyof typeof TYPES;

/** Saves a text as a file, named by its title. */
export function save(title: string, kind: FileKind, content: string): void {
  saveBlob(title, kind, new Blob([content], { type: `${TYPES[kind]};charset=utf-8` }));
}

/** Saves what another part has made as a file, with its ending. */
export function saveBlob(title: string, ending: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = `${fileName(title)}.${ending}`;
  link.click();
  URL.revokeObjectURL(url);
}

function fileName(title: string): string {
  const name = title
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  return name || 'untitled';
}
