import { snagsOf } from '../../src/checks/snags.ts';
import type { Job } from '../../src/job/job.ts';
import { findingsOf } from '../../src/reckoning/findings.ts';
import { lineName, type RoutedLine } from '../../src/routes/lines.ts';
import { tubeTemplates } from '../../src/routes/tube-drawing.ts';
import { sayIn } from '../../src/units/unit-system.ts';
import { seeded } from '../seeded.ts';
import { linesOf, snagLines } from './what-is-said.ts';

const metric = sayIn('metric');
const CHANGES = 45; // of one job
const LOST = 0.2; // of them, that take a field away

/** Pages for a tube that is bent: their numbers and words. */
function pagesOf(job: Job, { part, radius, tube }: RoutedLine): string[] {
  const { table, bench, laid, bendRadius } = tube ?? {};
  if (!table?.isBendable || !bench) return [];
  const pages = tubeTemplates({
    title: lineName(job, part),
    outside: 2 * radius,
    radius: bendRadius!,
    cut: bench.cut,
    table: { straights: [...table.straights], rotations: [...table.rotations], bends: [...table.bends] },
    steps: [...bench.steps],
    ...(laid ? { corners: laid.corners.map(([x, y, z]): [number, number, number] => [x, y, z]) } : {}),
  });
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
    ...(findings.routes?.lines ?? []).flatMap((line) => pagesOf(job, line)),
  ];
}

type Way = readonly (string | number)[];
/** Everything measured of where things are, and of lines that are routed, by where it stands in the job. */
function measuresOf(value: unknown, way: Way = []): Way[] {
  if (typeof value !== 'object' || value === null) return [];
  if ('si' in value) return [way];
  return Object.entries(value).flatMap(([key, inner]) => measuresOf(inner, [...way, key]));
}

/** What is said where one measure after another is off, each by itself: only what is said otherwise than of the job as it is. */
export function saidOfRoutes(job: Job, seed: number): string[] {
  const random = seeded(seed);
  const asIs = routesOf(structuredClone(job));
  const known = new Set(asIs);
  const ways = [
    ...measuresOf(job.routes, ['routes']),
    ...Object.keys(job.routes?.lines ?? {}).flatMap((id) => measuresOf(job.parts[id], ['parts', id])),
  ];
  const changed = Array.from({ length: CHANGES }, (): string[] => {
    const way = ways[Math.floor(random() * ways.length)]!;
    const other = structuredClone(job);
    const holder = way.slice(0, -1).reduce<any>((at, key) => at[key], other);
    const last = way.at(-1)!;
    const by = random() < LOST ? undefined : 0.4 + 1.2 * random();
    if (by === undefined) delete holder[last];
    else holder[last].si *= by;
    return [
      `== ${way.join('/')} ${by === undefined ? 'not measured' : `× ${by.toFixed(2)}`}`,
      ...routesOf(other).filter((line) => !known.has(line)),
      '',
    ];
  });
  return ['== as it is', ...asIs, '', ...changed.flat()];
}
