import { inject, Injectable } from '@angular/core';
import { Yarn, YarnUse } from '@lemniscus/api';
import { YARN_BOUNDS } from '@lemniscus/core/bounds';
import type { Observable } from 'rxjs';
import * as z from 'zod';
import { KeptList } from '../sync/kept-list';
import { Server } from '../server/server';

/** The yarns the maker owns. */
@Injectable({ providedIn: 'root' })
export class Basket extends KeptList<Yarn> {
  private readonly server: Server;

  constructor() {
    const server = inject(Server);
    super({
      name: 'yarn',
      change: z.object({ value: Yarn, changedAt: z.int(), removed: z.boolean() }),
      load: () => server.get('/api/yarns', z.array(Yarn)),
      send: (changes) =>
        server.send('PUT', '/api/yarns', {
          yarns: changes.map(({ value, changedAt, removed }) => ({ ...value, changedAt, removed })),
        }),
      batch: YARN_BOUNDS.rows,
    });
    this.server = server;
  }

  /** Where the pieces of each make were when the yarns it uses were weighed. */
  uses(): Observable<YarnUse[]> {
    return this.server.get('/api/yarns/uses', z.array(YarnUse));
  }
}
