import { Component, provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { NzButtonModule } from 'ng-zorro-antd/button';

/** The least an Angular and NG-ZORRO page can be: one button. */
@Component({ selector: 'bare-root', imports: [NzButtonModule], template: '<button nz-button nzType="primary">Begin</button>' })
class Bare {}

bootstrapApplication(Bare, { providers: [provideZonelessChangeDetection()] }).catch((error: unknown) => console.error(error));
