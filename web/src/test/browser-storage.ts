/** Enough of a browser's storage for what is kept on the device; it may be full. */
export class BrowserStorage {
  readonly items = new Map<string, string>();
  full = false;
  get length(): number {
    return this.items.size;
  }
  key = (index: number): string | null => [...this.items.keys()][index] ?? null;
  getItem = (key: string): string | null => this.items.get(key) ?? null;
  removeItem = (key: string): boolean => this.items.delete(key);
  setItem = (key: string, value: string): void => {
    if (this.full) throw new Error('full');
    this.items.set(key, value);
  };
}
