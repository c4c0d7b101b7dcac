import { Injectable, signal } from '@angular/core';

/** Whether a screen could not be opened, as its code could not be fetched. */
@Injectable({ providedIn: 'root' })
export class NavigationTrouble {
  readonly happened = signal(false);
}
