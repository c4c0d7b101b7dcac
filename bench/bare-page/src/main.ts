import { Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { NzButtonModule } from 'ng-zorro-antd/button';

/** The least an Angular and NG-ZORRO page can be: one button that counts. */
@Component({
  selector: 'bare-root',
  imports: [NzButtonModule],
  template: '<button nz-button nzType="primary" (click)="count.set(count() + 1)">{{ count() }}</button>',
})
class Bare {
  protected readonly count = signal(0);
}

bootstrapApplication(Bare, { providers: [provideZonelessChangeDetection()] }).catch((error: unknown) => console.error(error));
