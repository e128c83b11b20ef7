import { ask, client, type Problem } from '../../api/client';
import { asItIs } from '../../api/files';
import type { Write } from '../../app/write.svelte';

const MOST_BYTES = 20_000_000;

/** What is wrong with a file before it is sent, as the server would say it; null where nothing. */
export function problemOf(file: { size: number; type: string }): Problem | null {
  const would_do = 'a JPEG, PNG, WebP or HEIC picture of up to 20 MB would do';
  const say = (read: string) => ({
    field: 'photo',
    read,
    would_do,
    message: `Read ${read}; ${would_do}.`,
  });
  if (file.size === 0) return say('an empty file');
  if (file.size > MOST_BYTES) return say(`${Math.round(file.size / 1e6)} MB`);
  return file.type && !file.type.startsWith('image/') ? say('no picture') : null;
}

/** Send a photo of a stand; whether it stands. */
export async function sendPhoto(write: Write, stand_id: string, file: File): Promise<boolean> {
  write.problem = problemOf(file);
  if (write.problem) return false;
  const params = { query: { id: write.id('photo'), stand_id } };
  return (
    (await write.send(() => ask(client.POST('/api/photos', { params, ...asItIs(file) })))) !== null
  );
}

/** Where a photo is. */
export const photoAt = (id: string, size: 'large' | 'small' = 'large') =>
  `/api/photos/${id}?size=${size}`;

/** The two that stand side by side at first: the earliest and the latest. */
export function firstPair<T extends { id: string }>(newestFirst: T[]): [string, string] {
  return [newestFirst.at(-1)?.id ?? '', newestFirst[0]?.id ?? ''];
}
