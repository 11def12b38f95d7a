import { del, get, set } from 'idb-keyval';

/**
 * Pictures that are not sent yet, each file as base64, kept in the browser's database: its smaller
 * store of texts, where drafts lie, has no room for them.
 *
 * @param name  of the draft or parcel that they belong to
 */
export const picturesOf = async (name: string): Promise<string[]> =>
  (await get<string[]>(`pictures.${name}`)) ?? [];

export const keepPictures = (name: string, pictures: readonly string[]): Promise<void> =>
  pictures.length > 0 ? set(`pictures.${name}`, [...pictures]) : dropPictures(name);

export const dropPictures = (name: string): Promise<void> => del(`pictures.${name}`);
