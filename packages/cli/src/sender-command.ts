import { matchSender, type MatchedNetwork, type SenderMatch } from '@endrel/core/senders/match-sender';
import type { ResistanceRange } from '@endrel/core/senders/resistor-network';
import { parseNumber, tooLargeSentence } from '@endrel/core/units/parse-number';
import { BadInput } from './bad-input.ts';
import { jsonText, rounded, type Output } from './output.ts';

/** `endrel sender match --sender 240-33 --gauge 0-90`: resistors between a sender and a gauge, or why none will do. */
export function senderCommand(
  [verb, ...more]: readonly string[],
  options: { sender?: string; gauge?: string; json?: boolean },
  output: Output,
): number {
  if (verb !== 'match' || more.length > 0)
    throw new BadInput('sender takes “match”: endrel sender match --sender 240-33 --gauge 0-90');
  const match = matchSender(rangeOption('sender', options.sender), rangeOption('gauge', options.gauge));
  output.out(options.json ? jsonText(report(match)) : sentence(match));
  return 0;
}

/** `240-33`: ohms at empty and at full. */
function rangeOption(name: string, text: string | undefined): ResistanceRange {
  if (/^\s*[-–]|(?:-|–|to|:)\s*[-–]/.test(text ?? ''))
    throw new BadInput(`--${name}: “${text}” holds a negative resistance; ohms cannot be negative`);
  const [, empty = '', full = ''] =
    /^\s*([\d.]+(?:e\d+)?)\s*(?:-|–|to|:)\s*([\d.]+(?:e\d+)?)\s*(?:ohms?|Ω)?\s*$/i.exec(text ?? '') ?? [];
  const [atEmpty, atFull] = [parseNumber(empty), parseNumber(full)];
  for (const read of [atEmpty, atFull])
    if (!read.ok && read.fault.code === 'tooLarge')
      throw new BadInput(`--${name}: ${tooLargeSentence(read.fault.text)}`);
  if (!atEmpty.ok || !atFull.ok) throw new BadInput(`--${name} needs ohms at empty and at full, such as 240-33`);
  if (atEmpty.value.value === atFull.value.value) throw new BadInput(`--${name}: empty and full are the same`);
  return { empty: atEmpty.value.value, full: atFull.value.value };
}

const ohms = (value: number) => (value === Infinity ? null : rounded(value));
const share = (value: number) => Number(value.toFixed(5));

/** A network as JSON: ohms (`null` parallel: none), errors as shares of the gauge's scale. */
const networkReport = ({ network, readings, endError }: MatchedNetwork) => ({
  topology: network.topology,
  series_ohm: ohms(network.series),
  parallel_ohm: ohms(network.parallel),
  empty_error: share(readings.empty),
  full_error: share(readings.full - 1),
  worst_end_error: share(endError),
  mid_reading: share(readings.middle),
  mid_error: share(readings.middle - 0.5),
});

const reasons = {
  oppositeSense:
    'Sender and gauge run in opposite senses: no resistors turn a sender round. Use a sender of the gauge’s sense, a converter box, or a programmable gauge.',
  gaugeSpanTooWide:
    'The gauge spans more ohms than the sender: no resistors widen a span. Use a sender of the gauge’s range, a converter box, or a programmable gauge.',
  resistorsWouldBeNegative: 'An exact network would need a negative resistor; the nearest one is given.',
} as const;

function report(match: SenderMatch) {
  switch (match.kind) {
    case 'direct':
      return { match: 'direct', network: null };
    case 'network':
      return {
        match: 'network',
        network: networkReport(match.exact),
        e24: networkReport(match.practical),
        watts: {
          series: Number(match.watts.series.toPrecision(3)),
          parallel: Number(match.watts.parallel.toPrecision(3)),
        },
      };
    case 'nearest':
      return { match: 'none', reason: reasons[match.reason], network: null, nearest: networkReport(match.nearest) };
    case 'impossible':
      return { match: 'none', reason: reasons[match.reason], network: null };
  }
}

function sentence(match: SenderMatch): string {
  if (match.kind === 'direct') return 'The sender suits the gauge as it is.';
  if (match.kind === 'impossible') return reasons[match.reason];
  const { network, readings, endError } = match.kind === 'network' ? match.practical : match.nearest;
  const value = (ohm: number) => (ohm === Infinity ? 'none' : `${Number(ohm.toPrecision(4))} Ω`);
  const where =
    network.topology === 'parallelAcross'
      ? 'across sender and series resistor together'
      : 'across the sender, series resistor after it';
  return [
    ...(match.kind === 'nearest' ? [reasons[match.reason]] : []),
    `series ${value(network.series)}, parallel ${value(network.parallel)}, ${where}`,
    `worst end error ${(endError * 100).toFixed(1)} %, half resistance reads ${(readings.middle * 100).toFixed(0)} %`,
  ].join('\n');
}
