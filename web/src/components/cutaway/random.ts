import { seeded } from '@fernbank/core';

/** Numbers in 0 … 1 from a text: the same plant always looks the same. @source FNV-1a, from memory */
export function randomFrom(text: string): () => number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return seeded(hash >>> 0);
}
