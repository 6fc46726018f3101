import type { LabelsRequest, SheetsRequest, TemplateRequest } from '@endrel/core/contract/api';
import type { TubeRequest } from '@endrel/core/routes/tube-request';
import type { PrintRequest } from './print.worker.ts';
import { Thread } from '../threads/thread.ts';

/** Makes PDF files, in a thread of its own that is started with the first. */
export class Printer {
  #thread: Thread<PrintRequest> | undefined;

  template = (template: TemplateRequest): Promise<Buffer> => this.#print({ template });
  labels = (labels: LabelsRequest): Promise<Buffer> => this.#print({ labels });
  sheets = (sheets: SheetsRequest): Promise<Buffer> => this.#print({ sheets });
  tube = (tube: TubeRequest): Promise<Buffer> => this.#print({ tube });

  async #print(request: PrintRequest): Promise<Buffer> {
    this.#thread ??= new Thread('printing/print.worker');
    return Buffer.from((await this.#thread.ask(request)) as Uint8Array);
  }

  async close(): Promise<void> {
    await this.#thread?.close();
  }
}
