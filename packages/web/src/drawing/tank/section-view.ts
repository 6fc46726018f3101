/** A window onto a section: metres to drawing units, up being up. `mirrored`: along runs to the left. */
export interface SectionView {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  x(along: number): number;
  y(up: number): number;
}

/** Fits a piece of a section into a drawing with a margin all round. m and drawing units. */
export function sectionView(
  bounds: { readonly along: readonly [number, number]; readonly up: readonly [number, number] },
  size: { readonly width: number; readonly height: number; readonly margin: number; readonly right?: number },
  mirrored = false,
): SectionView {
  const { width, height, margin, right = margin } = size;
  const [alongSpan, upSpan] = [bounds.along[1] - bounds.along[0] || 0.1, bounds.up[1] - bounds.up[0] || 0.1];
  const scale = Math.min((width - margin - right) / alongSpan, (height - 2 * margin) / upSpan);
  const left = margin + (width - margin - right - alongSpan * scale) / 2;
  const floor = height - margin - (height - 2 * margin - upSpan * scale) / 2;
  return {
    width,
    height,
    scale,
    x: (along) => left + (mirrored ? bounds.along[1] - along : along - bounds.along[0]) * scale,
    y: (up) => floor - (up - bounds.up[0]) * scale,
  };
}
