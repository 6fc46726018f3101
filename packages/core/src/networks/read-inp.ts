import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import { failure, success, type Result } from '../result.ts';
import { EPANET_GRAVITY, fromEngineFlow, MINOR_FACTOR, WATER_VISCOSITY } from './epanet-constants.ts';
import type { PlainLink, PlainNetwork } from './plain-network.ts';

/** What is wrong in an input file, and where. Lines from 1. */
export interface InpFault {
  readonly line?: number;
  readonly message: string;
}

interface Row {
  readonly line: number;
  readonly words: readonly string[];
  /** As it stands, its spaces kept. */
  readonly text: string;
}

const read = new Set([
  'TITLE',
  'JUNCTIONS',
  'RESERVOIRS',
  'PIPES',
  'PUMPS',
  'VALVES',
  'CURVES',
  'STATUS',
  'DEMANDS',
  'OPTIONS',
]);
const passedOver = new Set([
  'TIMES',
  'REPORT',
  'COORDINATES',
  'VERTICES',
  'LABELS',
  'BACKDROP',
  'TAGS',
  'ENERGY',
  'QUALITY',
  'REACTIONS',
  'SOURCES',
  'MIXING',
  'PATTERNS',
  'END',
]);
const flowUnits: Record<string, number> = { LPM: 1, LPS: 60, CMH: 1000 / 60 }; // in L/min

const MOST_ROWS = 60_000; // of one section: three to each node

class Refusal extends Error {
  readonly line: number | undefined;
  constructor(message: string, line?: number) {
    super(message);
    this.line = line;
  }
}

/**
 * An EPANET input file of the subset that docs/network-file.md describes, as a plain network with one scenario.
 *
 * Heads become pressures with the engine's own gravity, so that the network gives what the engine gives.
 */
export function readInp(text: string): Result<PlainNetwork, InpFault> {
  try {
    return success(network(sectionsOf(text)));
  } catch (error) {
    if (error instanceof Refusal) return failure({ line: error.line, message: error.message });
    throw error;
  }
}

function sectionsOf(text: string): Map<string, Row[]> {
  const sections = new Map<string, Row[]>();
  let current: Row[] | undefined;
  text.split(/\r\n|\r|\n/).forEach((raw, i) => {
    const bare = raw.split(';')[0]!.trim();
    if (bare === '') return;
    const header = /^\[(\w+)\]?/.exec(bare)?.[1]?.toUpperCase();
    if (header !== undefined) {
      if (!read.has(header) && !passedOver.has(header))
        throw new Refusal(`[${header}] is not of the subset that Endrel reads`, i + 1);
      sections.set(header, (current = sections.get(header) ?? []));
    } else if (current) {
      if (current.length >= MOST_ROWS) throw new Refusal(`more than ${MOST_ROWS} rows in one section`, i + 1);
      current.push({ line: i + 1, words: bare.split(/\s+/), text: bare });
    } else throw new Refusal('text before the first section', i + 1);
  });
  return sections;
}

function network(sections: Map<string, Row[]>): PlainNetwork {
  const rows = (name: string) => sections.get(name) ?? [];
  const options = optionsOf(rows('OPTIONS'));
  const { density, perFlow } = options;
  const pressure = (head: number) => (head * density * EPANET_GRAVITY) / 1e3; // kPa
  const height = (elevation: number) => (elevation * EPANET_GRAVITY) / STANDARD_GRAVITY;
  const flow = (told: number) => fromEngineFlow(told * perFlow) * 3.6e6; // L/h
  const nodes: PlainNetwork['nodes'] = [
    ...rows('JUNCTIONS').map((row) => ({
      id: word(row, 0),
      type: 'junction' as const,
      z_m: height(value(row, 1)),
      demand_L_h: flow(row.words[2] === undefined ? 0 : value(row, 2)),
    })),
    // a reservoir's head says nothing of its height: its surface is taken to lie at that head, at no pressure
    ...rows('RESERVOIRS').map((row) => ({
      id: word(row, 0),
      type: 'reservoir' as const,
      z_m: height(value(row, 1)),
      gauge_kPa: 0,
    })),
  ];
  for (const row of rows('DEMANDS')) {
    const node = nodes.find((n) => n.id === word(row, 0));
    if (node?.type === 'junction') node.demand_L_h = flow(value(row, 1));
  }
  const lossCurves = new Set(
    rows('VALVES').flatMap((row) => (word(row, 4).toUpperCase() === 'GPV' ? [word(row, 5)] : [])),
  );
  const curves: PlainNetwork['curves'] = [];
  for (const row of rows('CURVES')) {
    let curve = curves.find((c) => c.id === word(row, 0));
    if (!curve) curves.push((curve = { id: word(row, 0), fit: 'piecewise', points_Lh_kPa: [] }));
    curve.points_Lh_kPa.push([flow(value(row, 1)), pressure(value(row, 2))]);
  }
  for (const curve of curves) {
    if (lossCurves.has(curve.id)) continue;
    const points = curve.points_Lh_kPa;
    const [q, p] = points[0]!;
    // the engine's forms of a pump curve: one point stands for three, three make a power function
    if (points.length === 1)
      curve.points_Lh_kPa = [
        [0, (4 / 3) * p],
        [q, p],
        [2 * q, 0],
      ];
    if (curve.points_Lh_kPa.length === 3 && curve.points_Lh_kPa[0]![0] === 0) curve.fit = 'power3';
  }
  const links: PlainLink[] = [
    ...rows('PIPES').map(pipeOf),
    ...rows('PUMPS').map(pumpOf),
    ...rows('VALVES').map((row) => valveOf(row, pressure)),
  ];
  const closed = new Set(
    rows('PIPES').flatMap((row) => (row.words[7]?.toUpperCase() === 'CLOSED' ? [word(row, 0)] : [])),
  );
  for (const row of rows('STATUS')) {
    const status = word(row, 1).toUpperCase();
    if (status === 'CLOSED') closed.add(word(row, 0));
    else if (status === 'OPEN') closed.delete(word(row, 0));
    else throw new Refusal(`a status is OPEN or CLOSED, not “${word(row, 1)}”`, row.line);
  }
  const [title = 'network', ...more] = rows('TITLE')[0]?.words ?? [];
  const told = rows('TITLE')[0]?.text;
  return {
    id: title.slice(0, 60),
    ...(told !== undefined && { title: told.slice(0, 300) }),
    fluid: { rho_kg_m3: density, mu_Pa_s: options.kinematic * density },
    nodes,
    links,
    curves,
    scenarios: [{ id: more.join(' ').slice(0, 60) || 'base', ...(closed.size > 0 ? { closed: [...closed] } : {}) }],
  };
}

function optionsOf(rows: readonly Row[]) {
  const options = { density: 1000, kinematic: WATER_VISCOSITY, perFlow: 0 };
  let headloss: string | undefined;
  for (const row of rows) {
    const key = row.words.slice(0, -1).join(' ').toUpperCase();
    const last = row.words.at(-1)!;
    if (key === 'UNITS') {
      options.perFlow = flowUnits[last.toUpperCase()] ?? 0;
      if (options.perFlow === 0)
        throw new Refusal(`flow in ${last} is not of the subset: use LPM, LPS or CMH`, row.line);
    } else if (key === 'HEADLOSS') headloss = last.toUpperCase();
    else if (key === 'SPECIFIC GRAVITY') options.density = 1000 * Number(last);
    else if (key === 'VISCOSITY')
      options.kinematic = Number(last) > 1e-3 ? Number(last) * WATER_VISCOSITY : Number(last);
    else if (key === 'PRESSURE' && last.toUpperCase() !== 'METERS')
      throw new Refusal(`pressures in ${last} are not of the subset: use METERS`, row.line);
    else if (key === 'DEMAND MULTIPLIER' && Number(last) !== 1)
      throw new Refusal('a demand multiplier is not of the subset', row.line);
  }
  if (options.perFlow === 0) throw new Refusal('[OPTIONS] names no UNITS: use LPM, LPS or CMH');
  if (headloss !== 'D-W') throw new Refusal('only HEADLOSS D-W is of the subset: other formulas are for water mains');
  if (!(options.density > 0) || !(options.kinematic > 0))
    throw new Refusal('specific gravity and viscosity must be positive');
  return options;
}

const ends = (row: Row) => ({ id: word(row, 0), from: word(row, 1), to: word(row, 2) });

function pipeOf(row: Row): PlainLink {
  return {
    ...ends(row),
    type: 'pipe',
    length_m: value(row, 3),
    bore_mm: value(row, 4),
    roughness_m: value(row, 5) / 1e3,
    minor_K: (row.words[6] === undefined ? 0 : value(row, 6)) / MINOR_FACTOR,
    check_valve: row.words[7]?.toUpperCase() === 'CV',
  };
}

function pumpOf(row: Row): PlainLink {
  const words = row.words.map((w) => w.toUpperCase());
  const at = words.indexOf('HEAD');
  if (at < 0) throw new Refusal(`pump ${word(row, 0)} has no HEAD curve`, row.line);
  const speed = words.indexOf('SPEED');
  return { ...ends(row), type: 'pump', curve: word(row, at + 1), speed: speed < 0 ? 1 : value(row, speed + 1) };
}

function valveOf(row: Row, pressure: (head: number) => number): PlainLink {
  const type = word(row, 4).toUpperCase();
  if (type === 'GPV') return { ...ends(row), type: 'gpv', curve: word(row, 5) };
  if (type !== 'PSV' && type !== 'PRV')
    throw new Refusal(`a ${type} valve is not of the subset: PSV, PRV and GPV are`, row.line);
  return {
    ...ends(row),
    type: type === 'PSV' ? 'psv' : 'prv',
    bore_mm: value(row, 3),
    set_kPa: pressure(value(row, 5)),
    minor_K: (row.words[6] === undefined ? 0 : value(row, 6)) / MINOR_FACTOR,
    slope_kPa_per_100L_h: 0,
  };
}

function word(row: Row, i: number): string {
  const found = row.words[i];
  if (found === undefined) throw new Refusal(`“${row.words.join(' ')}” is too short`, row.line);
  return found;
}

function value(row: Row, i: number): number {
  const number = Number(word(row, i));
  if (!Number.isFinite(number)) throw new Refusal(`“${row.words[i]}” is not a number`, row.line);
  return number;
}
