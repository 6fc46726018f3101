import type { PointResult } from '../run/point-result.ts';
import type { Findings } from '../reckoning/findings.ts';
import { originOf } from '../run/operating-point.ts';
import { figure } from '../units/quantity.ts';
import { standIns } from './stand-ins.ts';
import type { Working } from './working.ts';
import { isRegulator, partName } from '../parts/kinds.ts';
import { type Circuits, circuitsOf } from '../run/circuits.ts';
import { lineOfZone } from '../run/zones.ts';
import type { Flow } from '../run/flow-directions.ts';

/** Where the rail's pressure comes from, part by part from the fuel surface; the parts add up to it. */
export function railPressureWorking({ job, solution }: Findings, key: string): Working | undefined {
  const result = solution?.points[key];
  if (!result) return undefined;
  const run = circuitsOf(job);
  const name = (id: string) => partName(job.parts[id]!);
  // back from the rail that has least, by the way that most of its fuel takes
  const consumer = run.part(leastOf(run.consumers, result));
  const along = wayTo(run, consumer.id, result).flatMap((id) => result.parts.find((c) => c.id === id) ?? []);
  const parts = along
    .filter((c) => c.inletPressure !== c.outletPressure)
    .map((c): Working['parts'][number] => ({
      name: name(c.id),
      part: c.id,
      figure: figure('pressure', c.outletPressure - c.inletPressure + c.lift),
    }));
  // lift is no loss: it comes back on the way down
  const lift = along.reduce((sum, c) => sum + c.lift, 0);
  if (lift !== 0) parts.push({ name: 'lift, from the fuel’s surface on', figure: figure('pressure', -lift) });
  const reached = along.reduce((sum, c) => sum + c.outletPressure - c.inletPressure, 0);
  if (Math.abs(result.railPressure - reached) > 1e-9)
    parts.push({
      name: `within ${name(consumer.id)}`,
      part: consumer.id,
      figure: figure('pressure', result.railPressure - reached),
    });
  const regulator = run.parts.find(isRegulator);
  const held = regulator && result.parts.find((c) => c.id === regulator.id);
  const pump = result.parts.find((c) => c.voltage !== undefined);
  const wired = pump?.wiringCost !== undefined;
  const voltage = originOf(job, key, 'voltage');
  const typical = standIns(job);
  const uncertain = result.parts.filter((c) => c.regime === 'transition').map((c) => name(c.id));
  return {
    key: `railPressure:${key}`,
    title: `${consumer.kind === 'rail' ? 'Rail' : 'Carburettor'} pressure at ${result.point.name}`,
    result: figure('pressure', result.railPressure),
    formula:
      'p = Σ rises − Σ losses;  loss = (f·L/D + ΣK)·ρ·v²/2, f by Churchill, K by Darby and Rennels; height ρ·g·Δz',
    terms: [
      { symbol: 'Q', name: 'flow through the pump', figure: figure('volumeFlow', result.pumpFlow), source: 'computed' },
      {
        symbol: 'Qₑ',
        name: 'drawn by the engine',
        figure: figure('volumeFlow', result.delivered),
        source: 'computed',
      },
      {
        symbol: 'U',
        name: 'voltage at the pump',
        figure: figure('voltage', pump?.voltage ?? result.point.voltage),
        source: wired
          ? 'computed: what the circuit leaves of U₀'
          : `system voltage, ${voltage.source}; no wiring given`,
        path: wired ? undefined : voltage.path,
      },
      ...(wired
        ? [{ symbol: 'U₀', name: 'voltage of the system', figure: figure('voltage', result.point.voltage), ...voltage }]
        : []),
      {
        symbol: 'T',
        name: 'fuel temperature',
        figure: figure('temperature', result.point.temperature),
        ...originOf(job, key, 'temperature'),
      },
      {
        symbol: 'pₘ',
        name: 'manifold pressure',
        figure: figure('pressure', result.point.manifold),
        ...originOf(job, key, 'manifold'),
      },
      {
        symbol: 'p − pₘ',
        name: 'rail less manifold',
        figure: figure('pressure', result.injectorPressure),
        source: 'computed',
      },
    ],
    parts,
    remarks: [
      ...(held
        ? [
            `The regulator is ${held.state === 'wideOpen' ? 'wide open: it no longer holds its pressure' : held.state === 'shut' ? 'shut: the pump cannot reach its pressure' : 'regulating'}.`,
          ]
        : []),
      ...(uncertain.length > 0
        ? [
            `Between laminar and turbulent flow no friction law is certain: ${uncertain.join(', ')}. The law used is Churchill’s.`,
          ]
        : []),
      ...(typical.length > 0 ? [`Typical values stand in for: ${typical.join('; ')}.`] : []),
      `Solved by Newton’s method in ${result.iterations} steps.`,
    ],
    source: 'Churchill 1977; Darby 2001; Rennels & Hudson 2012; network equations after Todini & Pilati 1988',
  };
}

const leastOf = (consumers: readonly string[], { parts }: PointResult): string => {
  const pressure = (id: string) => parts.find((c) => c.id === id)?.outletPressure ?? Infinity;
  return consumers.reduce((a, b) => (pressure(b) < pressure(a) ? b : a));
};

/** Parts from the fuel surface to a part, each by the joint through which most comes. */
function wayTo(run: Circuits, id: string, { joints }: PointResult): string[] {
  const way: string[] = [];
  const seen = new Set<string>();
  for (let at: string | undefined = id; at !== undefined && !seen.has(at);) {
    seen.add(at);
    const flows: readonly Flow[] = run.into(at).filter((f) => lineOfZone(f.zone) === 'supply');
    const most: Flow | undefined = flows.reduce<Flow | undefined>(
      (a, b) => (a && joints[a.joint]!.flow >= joints[b.joint]!.flow ? a : b),
      undefined,
    );
    at = most?.from;
    if (at !== undefined) way.unshift(at);
  }
  return way;
}
