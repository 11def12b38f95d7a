import { create } from 'qrcode';

/** A code as one SVG path: a square for each dark module, in modules. */
export interface QrPath {
  path: string;
  /** modules along a side, without the quiet zone */
  size: number;
}

/** Light modules that a reader needs on every side. @source ISO/IEC 18004, quiet zone of 4 modules */
export const QUIET_MODULES = 4;

/** Modules of a text as they are drawn; rows of dark ones are joined. */
export function qrPath(text: string): QrPath {
  // Medium correction: a splash of mud on a label is read past.
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  let path = '';
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) {
      if (!modules.get(y, x)) continue;
      let end = x;
      while (end < size && modules.get(y, end)) end += 1;
      path += `M${x} ${y}h${end - x}v1h-${end - x}z`;
      x = end;
    }
  }
  return { path, size };
}
