import { inject, Injectable } from '@angular/core';
import { Restored } from '@lemniscus/api';
import type { Observable } from 'rxjs';
import { Server } from './server';

/** Everything as one file, out and in. */
@Injectable({ providedIn: 'root' })
export class BackupApi {
  private readonly server = inject(Server);

  takeIn(file: Blob): Observable<Restored> {
    return this.server.sendFile('/api/backup', file, 'application/zip', Restored);
  }
}
