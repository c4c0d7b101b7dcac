import { Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { ThemeService } from './theme';

@Component({ selector: 'lem-root', imports: [RouterOutlet], template: '<router-outlet />' })
export class Root {
  constructor() {
    inject(ThemeService);
  }
}
