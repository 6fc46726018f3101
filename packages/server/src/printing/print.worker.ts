import { templateOf } from '@endrel/core/hangers/template-of';
import type { LabelsRequest, TemplateRequest } from '@endrel/core/contract/api';
import { InvalidError } from '../errors.ts';
import { serve } from '../threads/serve.ts';
import { labelsPdf } from './labels-pdf.ts';
import { templatePdf } from './template-pdf.ts';

/** What is to be printed. */
export type PrintRequest = { readonly template: TemplateRequest } | { readonly labels: LabelsRequest };

serve(async (request: PrintRequest) => {
  if ('labels' in request) return labelsPdf(request.labels);
  const { hanger, kind, title } = request.template;
  const template = templateOf(hanger, kind, title);
  if (!template)
    throw new InvalidError(
      kind === 'adapter'
        ? 'The collar is not measured yet: it needs the tube and the neck that the sock was made for.'
        : 'The plate is not measured yet: it needs a bolt circle and a hole or an opening.',
    );
  return templatePdf(template);
});
