import ELK from 'elkjs/lib/elk-api.js';
import workerUrl from 'elkjs/lib/elk-worker.min.js?url';
import { useEffect, useState } from 'react';
import { diagramGraph, diagramOf, type Diagram, type LaidGraph } from '@endrel/core/wiring/diagram';
import type { Harness } from '@endrel/core/harness/harness';

let engine: InstanceType<typeof ELK> | undefined;
/** The layout engine in a worker of its own, started with the first drawing. */
const elk = () => (engine ??= new ELK({ workerUrl }));

export type LaidCircuit =
  | { readonly kind: 'laying' }
  | { readonly kind: 'laid'; readonly diagram: Diagram }
  | { readonly kind: 'failed'; readonly message: string };

/** A circuit laid out off the main thread; the last drawing stays until the next is there. */
export function useLaidCircuit(harness: Harness): LaidCircuit {
  const [state, setState] = useState<LaidCircuit>({ kind: 'laying' });
  useEffect(() => {
    let isWanted = true;
    elk()
      .layout(diagramGraph(harness) as unknown as Parameters<InstanceType<typeof ELK>['layout']>[0])
      .then((laid) => isWanted && setState({ kind: 'laid', diagram: diagramOf(harness, laid as LaidGraph) }))
      .catch(
        (error: unknown) =>
          isWanted && setState({ kind: 'failed', message: error instanceof Error ? error.message : String(error) }),
      );
    return () => void (isWanted = false);
  }, [harness]);
  return state;
}
