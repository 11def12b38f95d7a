import { m } from '../messages/index.ts';
import { api, ApiError } from '../api/client.ts';
import type { Photo } from '../api/types.ts';

/** Longest side of a kept picture, px: enough to read a leaf, small enough to keep by the hundred. */
const LONGEST_PX = 1600;
const QUALITY = 0.85;

/**
 * A picture as it is kept: turned upright, no larger than needed, without what
 * a camera writes into it (place, owner).
 *
 * @throws Error in words when the file is no picture
 */
async function resized(file: File): Promise<Blob> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw new Error(m.photo.noPicture(file.name));
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  if (!blob) throw new Error(m.photo.noPicture(file.name));
  return blob;
}

/** A picture as it is kept, as base64. @throws Error in words when the file is no picture */
export async function photoAsText(file: File): Promise<string> {
  const bytes = new Uint8Array(await (await resized(file)).arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}

/** Resizes a picture here and sends it. @throws Error in words for the keeper */
export async function sendPhoto(plantId: number, date: string, file: File): Promise<Photo> {
  const body = await resized(file);
  try {
    return await api(`/photos?plantId=${plantId}&date=${date}`, {
      method: 'POST',
      body,
      type: 'image/jpeg',
    });
  } catch (error) {
    // What is silent is told with what it means for a picture.
    const silent = error instanceof ApiError && error.silent;
    throw silent ? new ApiError(m.photo.silent, 0, 'network') : error;
  }
}
