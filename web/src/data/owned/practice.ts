import { inject, Injectable } from '@angular/core';
import { TakenAnswer } from '@lemniscus/api';
import { KeptAnswer, PracticeAnswer } from '@lemniscus/api/practice';
import { map } from 'rxjs';
import * as z from 'zod';
import { Server } from '../server/server';
import { KeptList } from '../sync/kept-list';

/** Every task of reading the work that was answered. */
@Injectable({ providedIn: 'root' })
export class Practice extends KeptList<PracticeAnswer> {
  constructor() {
    const server = inject(Server);
    super({
      name: 'practice',
      value: PracticeAnswer,
      load: () =>
        server
          .get('/api/practice', z.array(KeptAnswer))
          .pipe(map((all) => all.map(({ answer: value, changedAt }) => ({ value, changedAt })))),
      send: (changes) =>
        server.put(
          '/api/practice',
          { answers: changes.map(({ value, changedAt, removed }) => ({ answer: value, changedAt, removed })) },
          TakenAnswer,
        ),
      batch: 1_000,
    });
  }
}
