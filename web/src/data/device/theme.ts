import { effect, Injectable, signal } from '@angular/core';

export type Theme = 'day' | 'evening';

const KEY = 'lemniscus.theme';

/** Day or evening: as the maker chose on this device, else as the system says. */
@Injectable({ providedIn: 'root' })
export class ThemeService {
  private readonly system = matchMedia('(prefers-color-scheme: dark)');
  private readonly chosen = signal<Theme | null>(readChoice());
  private readonly fromSystem = signal<Theme>(this.system.matches ? 'evening' : 'day');

  readonly theme = (): Theme => this.chosen() ?? this.fromSystem();

  constructor() {
    this.system.addEventListener('change', ({ matches }) => this.fromSystem.set(matches ? 'evening' : 'day'));
    effect(() => (document.documentElement.dataset['theme'] = this.theme()));
  }

  toggle(): void {
    const next: Theme = this.theme() === 'day' ? 'evening' : 'day';
    this.chosen.set(next);
    try {
      localStorage.setItem(KEY, next);
    } catch {
      // Blocked site data: it lasts as long as the window.
    }
  }
}

function readChoice(): Theme | null {
  try {
    const value = localStorage.getItem(KEY);
    return value === 'day' || value === 'evening' ? value : null;
  } catch {
    return null;
  }
}
