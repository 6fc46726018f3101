import type { FieldPath } from '@endrel/core/fields/field-path';

/** The element id of the field at a path of the job. */
export const anchorOf = (path: FieldPath): string => `field-${path.join('-')}`;

/** Brings a field into view and the cursor into it. True when it was there. */
export function focusField(path: FieldPath): boolean {
  const place = document.getElementById(anchorOf(path));
  const input = place?.querySelector<HTMLElement>('input, select, textarea, button');
  if (!place || !input) return false;
  place.closest('details')?.setAttribute('open', '');
  place.scrollIntoView({ block: 'center' });
  input.focus({ preventScroll: true });
  return true;
}
