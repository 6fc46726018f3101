import type { Hanger } from '../job/hanger.ts';
import { oringGroove } from './oring-groove.ts';
import { adapterTemplate, plateTemplate, type Template, type TemplateKind } from './plate-template.ts';
import { ringPlate } from './ring-plate.ts';
import { sockAdapter } from './sock-adapter.ts';

/** A drawing at true size of something on the hanger; undefined while what it needs is not measured. */
export function templateOf(hanger: Hanger, kind: TemplateKind, title: string): Template | undefined {
  if (kind === 'adapter') {
    const adapter = sockAdapter(hanger);
    return adapter && adapterTemplate(adapter, title);
  }
  const plate = ringPlate(hanger);
  return plate && plateTemplate(plate, kind, title, oringGroove(hanger, plate));
}
