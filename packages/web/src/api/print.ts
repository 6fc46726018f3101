import type { LabelsRequest, SheetsRequest, TemplateRequest } from '@endrel/core/contract/api';
import type { TubeRequest } from '@endrel/core/routes/tube-request';
import { callFile } from './client.ts';

/** A plate's template as PDF; the server makes it. */
export const printTemplate = (request: TemplateRequest): Promise<Blob> => callFile('POST', '/print/template', request);
/** A sheet of labels as PDF, or several. */
export const printLabels = (request: LabelsRequest): Promise<Blob> => callFile('POST', '/print/labels', request);
/** The strips that wrap round a tube, and its views, as PDF. */
export const printTube = (request: TubeRequest): Promise<Blob> => callFile('POST', '/print/tube', request);
/** Sheets as PDF: cards, a circuit with its lists. */
export const printSheets = (request: SheetsRequest): Promise<Blob> => callFile('POST', '/print/sheets', request);
