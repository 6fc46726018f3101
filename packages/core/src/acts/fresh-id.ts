import type { Graph } from '../parts/graph.ts';

/** An id that no part of the job has: its kind and a number. */
export const freshId = ({ parts }: Pick<Graph, 'parts'>, kind: string): string =>
  free(
    kind.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`),
    // an id that a page made has what no other page makes behind its number
    (id) => id in parts || Object.keys(parts).some((other) => other.startsWith(`${id}-`)),
    1,
  );

/** An id that no joint of the job has, after the port that it is made for. */
export const freshJointId = ({ joints }: Pick<Graph, 'joints'>, part: string, port: string): string => {
  const stem = `${part}-${port}`.slice(0, 36);
  return stem in joints ? free(stem, (id) => id in joints, 2) : stem;
};

function free(stem: string, isTaken: (id: string) => boolean, first: number): string {
  let n = first;
  while (isTaken(`${stem}-${n}`)) n++;
  return `${stem}-${n}`;
}
