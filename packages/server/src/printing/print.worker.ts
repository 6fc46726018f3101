import { tubeTemplates } from '@endrel/core/routes/tube-drawing';
import { templateOf } from '@endrel/core/hangers/template-of';
import type { LabelsRequest, SheetsRequest, TemplateRequest } from '@endrel/core/contract/api';
import type { TubeRequest } from '@endrel/core/routes/tube-request';
import { InvalidError } from '../errors.ts';
import { serve } from '../threads/serve.ts';
import { labelsPdf } from './labels-pdf.ts';
import { sheetsPdf } from './sheets-pdf.ts';
import { templatesPdf } from './template-pdf.ts';

/** What is to be printed. */
export type PrintRequest =
  | { readonly template: TemplateRequest }
  | { readonly labels: LabelsRequest }
  | { readonly tube: TubeRequest }
  | { readonly sheets: SheetsRequest };

serve(async (request: PrintRequest) => {
  if ('labels' in request) return labelsPdf(request.labels);
  if ('sheets' in request) return sheetsPdf(request.sheets);
  if ('tube' in request) return templatesPdf(tubeTemplates(request.tube));
  const { hanger, kind, title } = request.template;
  const template = templateOf(hanger, kind, title);
  if (!template)
    throw new InvalidError(
      kind === 'adapter'
        ? 'The collar is not measured yet: it needs the tube and the neck that the sock was made for.'
        : 'The plate is not measured yet: it needs a bolt circle and a hole or an opening.',
    );
  return templatesPdf([template]);
});
