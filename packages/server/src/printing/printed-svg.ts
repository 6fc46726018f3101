import type { Drawing } from '@endrel/core/drawings/drawing';
import { drawingSvg } from '@endrel/core/drawings/drawing-svg';

/** A drawing in the face that comes with the printer, in signs that it has. */
export const printedSvg = (drawing: Drawing): string =>
  drawingSvg(drawing, 'Roboto')
    .replace(/^<\?xml.*\?>\s*/, '')
    .replaceAll('⌀', 'Ø');
