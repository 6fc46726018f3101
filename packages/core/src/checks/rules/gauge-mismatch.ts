import { figure } from '../../units/quantity.ts';
import type { Rule, SnagReport } from '../snag.ts';

const MOST_END_ERROR = 0.1; // of the scale: past it E or F is no longer read as such, common practice

/** A sender that no network of resistors brings to the gauge: opposite sense, or too narrow a span. */
export const gaugeMismatch: Rule = {
  key: 'gauge-mismatch',
  check: ({ gauge }) => {
    if (gauge.kind === 'armTooShort')
      return [
        {
          grade: 'fix',
          stage: 'gauge',
          path: ['gauge', 'armLength'],
          what: 'The float arm cannot reach its stops from that pivot.',
          why: 'One of the three readings is wrong, or the float sticks before its stop.',
          cure: 'Measure arm, pivot and both stops again.',
          source: 'computed',
        },
      ];
    if (gauge.kind !== 'computed' || !gauge.findings.match) return [];
    const { match, sweep } = gauge.findings;
    const base = {
      stage: 'gauge',
      path: ['gauge', 'gaugeEmpty'],
      source: 'network equations; common practice',
    } as const;
    if (match.kind === 'impossible')
      return [
        {
          ...base,
          grade: 'stop',
          what: 'Sender and gauge run in opposite senses.',
          figure: { label: 'sender at empty', ...figure('resistance', sweep.sender.empty) },
          limit: { label: 'and at full', ...figure('resistance', sweep.sender.full) },
          why: 'The needle would show full when the tank is empty; no resistors turn a sender round.',
          cure: 'Use a sender of the gauge’s sense, a converter box, or a programmable gauge.',
        },
      ] satisfies SnagReport[];
    if (match.kind === 'nearest' && match.nearest.endError > MOST_END_ERROR)
      return [
        {
          ...base,
          grade: 'fix',
          what:
            match.reason === 'gaugeSpanTooWide'
              ? 'The gauge spans more ohms than the sender gives.'
              : 'No resistors bring this sender to this gauge.',
          figure: { label: 'worst end error of the nearest network', ...figure('fraction', match.nearest.endError) },
          limit: { label: 'at most', ...figure('fraction', MOST_END_ERROR) },
          why: 'The needle stops short of E or F, so the reserve is a guess.',
          cure: 'Use a sender of the gauge’s range, a converter box, or a programmable gauge.',
        },
      ] satisfies SnagReport[];
    return [];
  },
};
