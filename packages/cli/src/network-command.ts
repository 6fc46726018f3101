import { describeNetworkFault, solvePlainNetwork } from '@endrel/core/networks/network-report';
import { plainNetworkSchema } from '@endrel/core/networks/plain-network';
import { readInp } from '@endrel/core/networks/read-inp';
import { BadInput } from './bad-input.ts';
import { jsonText, type Output } from './output.ts';
import { readText } from './read-input.ts';
import { checkedValue, parsedJson } from './read-json.ts';

const LARGEST_NETWORK = 20 * 1024 * 1024; // bytes

/** `endrel network FILE`: solves every scenario of a network file, plain (.json) or EPANET's (.inp). */
export async function networkCommand(operands: readonly string[], json: boolean, output: Output): Promise<number> {
  const [file, ...more] = operands;
  if (file === undefined || more.length > 0)
    throw new BadInput('network takes one file: endrel network FILE.json or FILE.inp');
  const kind = /\.(json|inp)$/i.exec(file)?.[1]?.toLowerCase();
  if (kind === undefined) throw new BadInput(`${file} is neither .json nor .inp`);
  const text = await readText(file, LARGEST_NETWORK);
  const report = solvePlainNetwork(
    checkedValue(file, kind === 'inp' ? inp(file, text) : parsedJson(file, text), plainNetworkSchema, 'the network'),
  );
  if (!report.ok) throw new BadInput(`${file}, ${report.fault.scenario}: ${describeNetworkFault(report.fault.fault)}`);
  if (json) output.out(jsonText(report.value));
  else
    for (const scenario of report.value.scenarios) {
      output.out(`${report.value.network} ${scenario.id}`);
      for (const n of scenario.nodes)
        output.out(`  ${n.id}: ${n.gauge_kPa === null ? 'cut off' : `${n.gauge_kPa.toFixed(2)} kPa`}`);
      for (const l of scenario.links) output.out(`  ${l.id}: ${l.flow_L_h.toFixed(2)} L/h, ${l.state}`);
    }
  return 0;
}

function inp(file: string, text: string): unknown {
  const read = readInp(text);
  if (read.ok) return read.value;
  throw new BadInput(
    `${file}${read.fault.line === undefined ? '' : `, line ${read.fault.line}`}: ${read.fault.message}`,
  );
}
