import { inject, Injectable } from '@angular/core';
import { Home } from '@lemniscus/api';
import type { Observable } from 'rxjs';
import { Server } from './server';

/** How other devices get in; this machine is told, no other is. */
@Injectable({ providedIn: 'root' })
export class HomeApi {
  private readonly server = inject(Server);

  show(): Observable<Home> {
    return this.server.get('/api/home', Home);
  }

  sendAway(device: string): Observable<unknown> {
    return this.server.send('DELETE', `/api/home/devices/${device}`);
  }
}
