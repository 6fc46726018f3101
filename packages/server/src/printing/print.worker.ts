import { plateTemplate } from '@endrel/core/hangers/plate-template';
import { ringPlate } from '@endrel/core/hangers/ring-plate';
import type { TemplateRequest } from '@endrel/core/contract/api';
import { InvalidError } from '../errors.ts';
import { serve } from '../threads/serve.ts';
import { templatePdf } from './template-pdf.ts';

serve(async ({ hanger, kind, title }: TemplateRequest) => {
  const plate = ringPlate(hanger);
  if (!plate) throw new InvalidError('The plate is not measured yet: it needs a bolt circle and a hole or an opening.');
  return templatePdf(plateTemplate(plate, kind, title));
});
