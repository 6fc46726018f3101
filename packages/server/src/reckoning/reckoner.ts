import type { JobFacts } from '@endrel/core/contract/summary';
import { Thread } from '../threads/thread.ts';

export type Question =
  | { readonly ask: 'facts'; readonly document: string; readonly mesh: string | undefined }
  | { readonly ask: 'meshFault'; readonly text: string };

/** Where what the server has to reckon is reckoned: a whole job's findings, a mesh's soundness. */
export class Reckoner {
  readonly #thread = new Thread<Question>('reckoning/reckon.worker');

  /** @param document - a judged job as JSON text. */
  facts(document: string, mesh: string | undefined): Promise<JobFacts> {
    return this.#thread.ask({ ask: 'facts', document, mesh }) as Promise<JobFacts>;
  }

  /** What is wrong with a mesh, in words; undefined when it is sound. */
  meshFault(text: string): Promise<string | undefined> {
    return this.#thread.ask({ ask: 'meshFault', text }) as Promise<string | undefined>;
  }

  close(): Promise<void> {
    return this.#thread.close();
  }
}
