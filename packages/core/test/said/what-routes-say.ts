import { setAt, valueAt } from '../../src/acts/at-path.ts';
import type { FieldPath } from '../../src/fields/field-path.ts';
import type { Measured } from '../../src/fields/measured.ts';
import { snagsOf } from '../../src/checks/snags.ts';
import type { Job } from '../../src/job/job.ts';
import { findingsOf } from '../../src/reckoning/findings.ts';
import { lineName, type RoutedLine } from '../../src/routes/lines.ts';
import { tubeTemplates } from '../../src/routes/tube-drawing.ts';
import { tubeRequestOf } from '../../src/routes/tube-request.ts';
import { sayIn } from '../../src/units/unit-system.ts';
import { seeded } from '../seeded.ts';
import { linesOf, snagLines } from './what-is-said.ts';

const metric = sayIn('metric');
const CHANGES = 45; // of one job
const LOST = 0.2; // of them, that take a field away

/** Pages for a tube that is bent: their numbers and words. */
function pagesOf(job: Job, line: RoutedLine): string[] {
  const request = tubeRequestOf(lineName(job, line.part), line);
  const pages = request && line.tube?.table?.isBendable ? tubeTemplates(request) : [];
  return pages.flatMap((page, i) => {
    const words = page.shapes.flatMap((s) => (s.kind === 'text' ? [s] : []));
    const drawn = page.shapes.flatMap((s) => (s.kind === 'line' ? [[...s.from, ...s.to]] : []));
    return [
      ...linesOf({ lines: drawn, words: words.map((w) => [w.x, w.y, w.height]) }, `  page ${i + 1}`),
      ...words.map((w) => `    ${w.text}`),
    ];
  });
}

/** Where everything is, what is wrong with it, and its pages. */
function routesOf(job: Job): string[] {
  const findings = findingsOf(job);
  return [
    ...linesOf(findings.routes),
    ...snagsOf(findings)
      .filter((s) => s.stage === 'routes')
      .flatMap((s) => snagLines(s, metric)),
    ...findings.routes.lines.flatMap((line) => pagesOf(job, line)),
  ];
}

/** Everything measured of where things are, and of lines that are routed, by where it stands in the job. */
function measuresOf(value: unknown, path: FieldPath): FieldPath[] {
  if (typeof value !== 'object' || value === null) return [];
  if ('si' in value) return [path];
  const held: [string | number, unknown][] = Array.isArray(value) ? [...value.entries()] : Object.entries(value);
  return held.flatMap(([key, inner]) => measuresOf(inner, [...path, key]));
}

/** What is said where one measure after another is off, each by itself: only what is said otherwise than of the job as it is. */
export function saidOfRoutes(job: Job, seed: number): string[] {
  const random = seeded(seed);
  const asIs = routesOf(structuredClone(job));
  const known = new Set(asIs);
  const paths = [
    ...measuresOf(job.routes, ['routes']),
    ...Object.keys(job.routes?.lines ?? {}).flatMap((id) => measuresOf(job.parts[id], ['parts', id])),
  ];
  const changed = Array.from({ length: CHANGES }, (): string[] => {
    const path = paths[Math.floor(random() * paths.length)]!;
    const was = valueAt(job, path) as Measured;
    const by = random() < LOST ? undefined : 0.4 + 1.2 * random();
    const other = setAt(job, path, by === undefined ? undefined : { ...was, si: was.si * by }) as Job;
    return [
      `== ${path.join('/')} ${by === undefined ? 'not measured' : `× ${by.toFixed(2)}`}`,
      ...routesOf(other).filter((line) => !known.has(line)),
      '',
    ];
  });
  return ['== as it is', ...asIs, '', ...changed.flat()];
}
