import { inject, Injectable, signal } from '@angular/core';
import { TakenAnswer } from '@lemniscus/api';
import { KeptPhoto, Photo } from '@lemniscus/api/photo';
import { catchError, map, of, throwError } from 'rxjs';
import * as z from 'zod';
import { RequestFailed, Server } from '../server/server';
import { Journal } from '../sync/journal';
import { KeptList } from '../sync/kept-list';
import { Sender } from '../sync/sender';

const KIND = 'picture';
const Picture = z.object({ id: z.uuid(), data: z.string().startsWith('data:image/jpeg;base64,') });

/** Photos of makes. Their pictures wait in the journal like everything that is made here, and are shown from there meanwhile. */
@Injectable({ providedIn: 'root' })
export class Photos extends KeptList<Photo> {
  private readonly journalOfPictures: Journal;
  private readonly senderOfPictures: Sender;
  /** Pictures that are still here, as data URLs, by the photo's id. */
  private readonly here = signal<ReadonlyMap<string, string>>(new Map());

  constructor() {
    const server = inject(Server);
    const journal = inject(Journal);
    const sender = inject(Sender);
    super({
      name: 'photo',
      value: Photo,
      load: () =>
        server
          .get('/api/photos', z.array(KeptPhoto))
          .pipe(map((all) => all.map(({ photo: value, changedAt }) => ({ value, changedAt })))),
      send: (changes) =>
        server.put(
          '/api/photos',
          { photos: changes.map(({ value, changedAt, removed }) => ({ photo: value, changedAt, removed })) },
          TakenAnswer,
        ),
      batch: 1_000,
    });
    this.journalOfPictures = journal;
    this.senderOfPictures = sender;
    sender.takes({
      kind: KIND,
      batch: 1,
      send: (_of, [entry]) => {
        const picture = Picture.safeParse(entry?.body);
        if (!entry || !picture.success) return of({ refused: entry ? [{ entry, why: 'This is no picture.' }] : [] });
        const { id, data } = picture.data;
        return server.sendFile(`/api/photos/${id}/picture`, jpegOf(data), 'image/jpeg', z.unknown()).pipe(
          map(() => ({})),
          catchError((error: unknown) =>
            error instanceof RequestFailed && !error.passing
              ? of({ refused: [{ entry, why: error.message }] })
              : throwError(() => error),
          ),
        );
      },
    });
    void this.recallPictures();
  }

  of(make: string): readonly Photo[] {
    return this.items()
      .filter((photo) => photo.make === make)
      .sort((a, b) => b.addedAt - a.addedAt);
  }

  /** Where the picture of a photo is to be had. */
  url({ id }: Pick<Photo, 'id'>): string {
    return this.here().get(id) ?? `/api/photos/${id}/picture`;
  }

  /** Keeps a photo with its picture, a JPEG as a data URL. */
  add(photo: Photo, data: string): void {
    this.here.update((all) => new Map(all).set(photo.id, data));
    void this.senderOfPictures.put({
      key: `${KIND}/${photo.id}`,
      kind: KIND,
      of: KIND,
      at: photo.addedAt,
      body: { id: photo.id, data },
    });
    this.put(photo);
  }

  private async recallPictures(): Promise<void> {
    for (const { body } of await this.journalOfPictures.pending(KIND)) {
      const picture = Picture.safeParse(body);
      if (picture.success) this.here.update((all) => new Map(all).set(picture.data.id, picture.data.data));
    }
  }
}

function jpegOf(data: string): Blob {
  const bytes = Uint8Array.from(atob(data.slice(data.indexOf(',') + 1)), (char) => char.charCodeAt(0));
  return new Blob([bytes], { type: 'image/jpeg' });
}
