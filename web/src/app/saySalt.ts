import { ask, client } from '../api/client';
import type { Write } from './write.svelte';

/** What is seen of salt where no pen reads it, or that far too much was poured. */
export type SaltWord = 'crust' | 'clean' | 'too_much';

/** Say it of a place; the flush follows from it. */
export function saySalt(write: Write, subjectId: string, word: SaltWord) {
  const told = { kind: 'salt', value: null, word };
  const body = { id: write.id(subjectId + word), subject_id: subjectId, ...told };
  return write.send(() => ask(client.POST('/api/field-tests', { body })));
}
