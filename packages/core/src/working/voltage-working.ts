import { sayConductor } from '../wiring/diagram.ts';
import { temperatureOf } from '../harness/in-circuit.ts';
import { SIZED_AT } from '../wiring/wiring-findings.ts';
import { deviceWord, partWord } from '../wiring/circuit-words.ts';
import { formatQuantity } from '../units/format-quantity.ts';
import { originOf } from '../run/operating-point.ts';
import type { Findings } from '../reckoning/findings.ts';
import { figure } from '../units/quantity.ts';
import type { Working } from './working.ts';

/** Volts at every pump of the circuit where the engine wants most with least voltage. */
export function voltageWorkings({ job, wiring, solution }: Findings): Working[] {
  return (wiring?.pumps ?? []).flatMap((pump): Working[] => {
    const at = pump.at[SIZED_AT];
    const point = solution?.points[SIZED_AT].point;
    if (!at || !point) return [];
    return [
      {
        key: `voltage:${pump.part}`,
        title: `Volts at ${partWord(job, pump.part)} at ${point.name}`,
        result: figure('voltage', at.volts),
        formula: 'U = U₀ − Σ R·I·i, with R = ρ·L/(n·A)·(1 + α·(T − 20 °C))',
        terms: [
          {
            symbol: 'U₀',
            name: 'where the system is fed',
            figure: figure('voltage', at.system),
            ...originOf(job, SIZED_AT, 'voltage'),
          },
          {
            symbol: 'I',
            name: 'current of the pump',
            figure: figure('current', at.amps),
            source: 'computed: its table at this pressure and voltage',
          },
          ...at.legs.flatMap((leg) => {
            const wire = job.wiring?.wires?.find((w) => w.id === leg.id);
            const made =
              wire?.area && wire.length
                ? ` ${sayConductor(wire.area.si)}, ${formatQuantity('length', wire.length.si)} at ${formatQuantity('temperature', temperatureOf(wire))}`
                : '';
            return [
              {
                symbol: 'R',
                name: `${deviceWord(job, leg.id)}${made}`,
                figure: figure('resistance', leg.ohms),
                source: leg.isWire ? 'ASTM B258, IEC 60028' : 'measured, or typical, from memory',
                path: leg.isWire
                  ? (['wiring', 'wires', leg.id, 'length'] as const)
                  : (['wiring', 'devices', leg.id, 'label'] as const),
              },
            ];
          }),
        ],
        parts: [
          { name: 'where the system is fed', figure: figure('voltage', at.system) },
          ...at.legs.map((leg) => ({ name: deviceWord(job, leg.id), figure: figure('voltage', -leg.volts) })),
          // what the sum of the legs leaves is rounding: the circuit and the pumps are solved to a tenth of a millivolt
          {
            name: 'rounding',
            figure: figure('voltage', at.volts - at.system + at.legs.reduce((sum, l) => sum + l.volts, 0)),
          },
        ],
        remarks: [
          'i is the share of the pump’s own current that a stretch carries: where wires share or run side by side, each is counted by that.',
          ...(pump.unmeasured.length > 0
            ? ['Not every wire on its way is measured: those are taken for next to nothing.']
            : []),
        ],
        source: 'Kirchhoff’s laws; ASTM B258, IEC 60028',
      },
    ];
  });
}
