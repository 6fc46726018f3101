import { figure } from '../../units/quantity.ts';
import { deviceWord, fieldOf } from '../../wiring/circuit-words.ts';
import { partsOfKind } from '../../reckoning/reading.ts';
import { wiresOf } from '../../harness/in-circuit.ts';
import type { Rule, SnagReport } from '../snag.ts';

const MOST_NEEDLE = 0.05; // of the scale; common practice
const MOST_LIFT = 0.05; // V between two earths of one signal; common practice

/** Senders and sensors whose wiring spoils what they say. */
export const signalOff: Rule = {
  key: 'signal-off',
  check: ({ job, wiring, levels: circuits }) => {
    if (!wiring || !job.wiring) return [];
    const base = { stage: 'wiring', source: 'computed; limit common practice' } as const;
    const levels = (circuits ?? []).flatMap((level): SnagReport[] => {
      if (level.isOpen)
        return [
          {
            ...base,
            grade: 'fix',
            which: `${level.gauge}-open`,
            path: fieldOf(job, level.gauge),
            what: `${deviceWord(job, level.gauge)} is in an open circuit: no current comes through its sender.`,
            why: 'The needle rests at one end of its scale whatever the tank holds.',
            cure: 'Join gauge, sender and the plate’s own earth.',
            source: 'the circuit as drawn',
          },
        ];
      const worst = level.readings.reduce((a, r) => (Math.abs(r.off ?? 0) > Math.abs(a) ? r.off! : a), 0);
      if (Math.abs(worst) <= MOST_NEEDLE) return [];
      return [
        {
          ...base,
          grade: 'fix',
          which: level.gauge,
          path: fieldOf(job, level.gauge),
          what: `Wires and earth of ${deviceWord(job, level.gauge)} move its needle.`,
          figure: { label: 'off with the pump running', ...figure('fraction', Math.abs(worst)) },
          limit: { label: 'at most', ...figure('fraction', MOST_NEEDLE) },
          why: 'What the pump sends through an earth that the sender shares lifts the sender’s end, and the gauge takes it for ohms.',
          cure: 'Give sender and plate an earth wire of their own, away from the pump’s.',
        },
      ];
    });
    const sensors = wiring.sensors.flatMap((s): SnagReport[] =>
      s.lift !== undefined && s.lift > MOST_LIFT
        ? [
            {
              ...base,
              grade: 'fix',
              part: s.part,
              which: 'earth',
              path: fieldOf(job, s.device),
              what: `The earth of ${deviceWord(job, s.device)} stands above that of what reads it.`,
              figure: { label: 'between them', ...figure('voltage', s.lift) },
              limit: { label: 'at most', ...figure('voltage', MOST_LIFT) },
              why: 'All of it is added to the signal, and it comes and goes with the pump’s current.',
              cure: 'Take the sensor’s earth to the sensor earth of what reads it, nowhere else.',
            },
          ]
        : [],
    );
    const isControlled = partsOfKind(job, 'pump').some((p) => p.drive === 'pwm');
    const plugs = new Set((job.wiring.devices ?? []).filter((d) => d.kind === 'pressureSensorPlug').map((d) => d.id));
    const shields = wiresOf(job.wiring).filter(
      (w) =>
        w.shield !== undefined &&
        w.shield !== 'oneEnd' &&
        isControlled &&
        (plugs.has(w.from.device) || plugs.has(w.to.device)),
    );
    const [bare] = shields;
    return [
      ...levels,
      ...sensors,
      ...(bare
        ? [
            {
              ...base,
              grade: 'note',
              which: 'shield',
              path: ['wiring', 'wires', bare.id, 'shield'],
              what:
                bare.shield === 'bothEnds'
                  ? 'The shield of the pressure sensor’s wiring is earthed at both ends.'
                  : 'The pressure sensor’s wiring is not shielded.',
              why: 'Pulses of the pump and the injectors reach the controller as pressure, and it hunts.',
              cure: 'Use shielded wire, earthed at the controller’s end only, away from the pump’s supply.',
              act: {
                act: 'setAll',
                title: 'shield the sensor’s wires',
                changes: shields.map((w) => ({ path: ['wiring', 'wires', w.id, 'shield'], value: 'oneEnd' })),
              },
              actLabel: 'Shield them, earthed at one end',
              source: 'common practice',
            } as const,
          ]
        : []),
      ...wiring.widebands.flatMap((w): SnagReport[] =>
        Math.abs(w.offset) < 0.005
          ? []
          : [
              {
                ...base,
                grade: 'note',
                which: w.device,
                path: ['wiring', 'devices', w.device, 'read'],
                what: `${deviceWord(job, w.device)} is read ${w.offset > 0 ? 'high' : 'low'}: take the offset from every reading.`,
                figure: { label: 'offset', ...figure('voltage', w.offset) },
                limit: { label: 'none', ...figure('voltage', 0) },
                why: 'Its earth and the logger’s differ, and the mixture is set by what is logged.',
                cure: 'Enter the offset in the logger, or take its analogue earth to the logger’s.',
                source: 'common practice',
              },
            ],
      ),
    ];
  },
};
