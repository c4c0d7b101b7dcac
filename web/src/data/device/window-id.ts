import { Injectable } from '@angular/core';

const LOCK = 'lemniscus.window.';
const LEFT = 'lemniscus.left';

/**
 * Names this window for as long as it is open, and tells which others are: what a window that is gone was still at may be
 * taken up by another. A name is a lock that the browser lets go with the window.
 */
@Injectable({ providedIn: 'root' })
export class WindowId {
  readonly id = crypto.randomUUID();
  /** The name this window had before it was reloaded; its lock may not be let go yet. */
  private readonly before = takeLeft();

  constructor() {
    // Never answered: it is held until the window goes.
    void locks()
      ?.request(LOCK + this.id, () => new Promise<never>(() => undefined))
      .catch(() => undefined);
    window.addEventListener('pagehide', () => {
      try {
        sessionStorage.setItem(LEFT, this.id);
      } catch {
        return;
      }
    });
  }

  /** Whether the window of that name is another one, and open. Without locks none is known to be. */
  async isElsewhere(id: string): Promise<boolean> {
    if (id === this.id || id === this.before) return false;
    const held =
      (
        await locks()
          ?.query()
          .catch(() => null)
      )?.held ?? [];
    return held.some(({ name }) => name === LOCK + id);
  }
}

function locks(): LockManager | undefined {
  return (globalThis as { navigator?: { locks?: LockManager } }).navigator?.locks;
}

function takeLeft(): string | null {
  try {
    const id = sessionStorage.getItem(LEFT);
    sessionStorage.removeItem(LEFT);
    return id;
  } catch {
    return null;
  }
}

/** Does something while no other window does it. */
export async function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  const manager = locks();
  return manager ? await manager.request(`lemniscus.${name}`, work) : work();
}
