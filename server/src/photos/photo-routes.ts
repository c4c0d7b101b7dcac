import { sortOut } from '@lemniscus/api';
import { KeptPhoto, PhotoBatch, PICTURE_BYTES } from '@lemniscus/api/photo';
import express, { Router } from 'express';
import * as z from 'zod';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { Problem } from '../http/problem.js';
import { answerTaken } from '../http/taken.js';
import { isJpeg, keepPhotos, keepPicture, listPhotos, pictureOf } from './photo-store.js';

const PhotoId = z.object({ id: z.uuid('A photo is named by a UUID.') });

export function photoRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listPhotos(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    const { good, refused } = sortOut(KeptPhoto, parse(PhotoBatch, request.body).photos);
    await keepPhotos(database.em.fork(), good);
    answerTaken(response, refused);
  });
  routes.post('/:id/picture', express.raw({ type: 'image/jpeg', limit: PICTURE_BYTES }), async (request, response) => {
    const { id } = parse(PhotoId, request.params);
    const bytes: unknown = request.body;
    if (!Buffer.isBuffer(bytes) || !isJpeg(bytes)) throw new Problem('bad-request', 'A photo is kept as a JPEG picture.');
    await keepPicture(database, id, bytes);
    response.status(204).end();
  });
  routes.get('/:id/picture', async (request, response) => {
    const { id } = parse(PhotoId, request.params);
    const bytes = await pictureOf(database, id);
    if (!bytes) throw new Problem('not-found', 'The picture of this photo has not come yet.');
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(Buffer.from(bytes));
  });
  return routes;
}
