import { eq, sql } from 'drizzle-orm';
import express from 'express';
import Joi from 'joi';
import { basename, resolve } from 'node:path';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import { photos, plants } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { isoDate, rowId } from '../http/fields.ts';
import { checkFresh, idOf, rowOr404, sendRow } from '../http/resource.ts';
import { check } from '../http/validate.ts';
import { keepPhoto, LARGEST_PHOTO_BYTES, pathOf } from '../services/photos.ts';

const newPhoto = Joi.object<{ plantId: number; date: string }, true>({
  plantId: rowId().required(),
  date: isoDate().required(),
});

/** Pictures along a plant's life: the body is the file itself, resized by the browser. */
export function photoRoutes(context: Context): DescribedRouter<'/photos'> {
  const { db, photoFolder } = context;
  const routes = new DescribedRouter('/photos');
  // Whatever the header says: what the file is, its bytes tell.
  routes.router.use(express.raw({ type: () => true, limit: LARGEST_PHOTO_BYTES }));

  routes.post(
    '/',
    { summary: 'keep a picture (the body is the file)', query: newPhoto },
    (request, response) => {
      const { plantId, date } = check(newPhoto, request.query, true);
      notAhead(context, 'date', date);
      const plant = rowOr404(db, plants, plantId, 'plant');
      if (plant.acquired && date < plant.acquired) {
        throw invalid('date', `date must not be before the plant arrived (${plant.acquired})`);
      }
      const bytes: unknown = request.body;
      if (!Buffer.isBuffer(bytes) || bytes.length === 0) {
        throw new HttpError(400, 'empty', 'the body must be the picture', 'body');
      }
      const { photo, isNew } = keepPhoto(db, photoFolder, plantId, date, bytes);
      sendRow(response.location(`/api/photos/${photo.id}`), photo, isNew ? 201 : 200);
    },
  );

  routes.get('/', { summary: 'the newest picture of each plant' }, (_request, response) => {
    // Of what stands beside the greatest, SQLite takes the row that has it.
    const { id, plantId } = photos;
    const items = db
      .select({ plantId, id, date: sql<string>`max(${photos.date})` })
      .from(photos)
      .groupBy(plantId)
      .all();
    response.json({ items });
  });

  routes.get('/:id', { summary: 'the picture itself' }, (request, response) => {
    const { hash, mime } = rowOr404(db, photos, idOf(request), 'photo');
    response.set({ 'Content-Type': mime, 'Cache-Control': 'private, max-age=31536000, immutable' });
    // Below a root of its own: folders above it may begin with a dot, as data folders do.
    const path = pathOf(photoFolder, hash, mime);
    response.sendFile(basename(path), { root: resolve(photoFolder) }, (error) => {
      if (error && !response.headersSent) {
        response
          .status(404)
          .json({ error: { code: 'notFound', message: 'the file of this picture is missing' } });
      }
    });
  });

  routes.delete('/:id', { summary: 'remove a picture' }, (request, response) => {
    const photo = rowOr404(db, photos, idOf(request), 'photo');
    checkFresh(request, photo);
    // Its file stays for as long as the picture can be put back.
    db.delete(photos).where(eq(photos.id, photo.id)).run();
    response.status(204).end();
  });
  return routes;
}
