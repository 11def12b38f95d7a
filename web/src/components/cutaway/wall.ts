import type { PotMaterialId } from '@fernbank/core';

/** Colour of a pot's wall, by what it is made of. */
export const WALL: Record<PotMaterialId, string> = {
  terracotta: '#b8653c',
  glazed: '#4f6f78',
  plastic: '#78726a',
  fabric: '#7d7b68',
  net: '#8b8678',
  glass: '#a9c3c4',
};
