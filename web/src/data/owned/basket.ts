import { inject, Injectable } from '@angular/core';
import { ListedYarn, TakenAnswer, Yarn, YarnUse } from '@lemniscus/api';
import { YARN_BOUNDS } from '@lemniscus/core/bounds';
import { map, type Observable } from 'rxjs';
import * as z from 'zod';
import { KeptAnswers } from '../sync/kept-answers';
import { KeptList } from '../sync/kept-list';
import { Server } from '../server/server';

/** The yarns the maker owns. */
@Injectable({ providedIn: 'root' })
export class Basket extends KeptList<Yarn> {
  private readonly server: Server;
  private readonly kept = inject(KeptAnswers);

  constructor() {
    const server = inject(Server);
    super({
      name: 'yarn',
      value: Yarn,
      load: () =>
        server
          .get('/api/yarns', z.array(ListedYarn))
          .pipe(map((yarns) => yarns.map(({ changedAt, ...value }) => ({ value, changedAt })))),
      send: (changes) =>
        server.put(
          '/api/yarns',
          { yarns: changes.map(({ value, changedAt, removed }) => ({ ...value, changedAt, removed })) },
          TakenAnswer,
        ),
      batch: YARN_BOUNDS.rows,
    });
    this.server = server;
  }

  /** Where the pieces of each make were when the yarns it uses were weighed. */
  uses(): Observable<YarnUse[]> {
    const uses = z.array(YarnUse);
    return this.kept.latest('uses', uses, this.server.get('/api/yarns/uses', uses));
  }
}
