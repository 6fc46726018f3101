import { plainCircuitSchema, sayCircuitFault, solvePlainCircuit } from '@endrel/core/wiring/plain-circuit';
import { BadInput } from './bad-input.ts';
import { jsonText, type Output } from './output.ts';
import { checkedJson } from './read-json.ts';

const LARGEST_CIRCUIT = 2 * 1024 * 1024; // bytes

/** `endrel circuit FILE`: volts at every place of a circuit, amperes through every element. */
export async function circuitCommand(operands: readonly string[], json: boolean, output: Output): Promise<number> {
  const [file, ...more] = operands;
  if (file === undefined || more.length > 0) throw new BadInput('circuit takes one file: endrel circuit FILE.json');
  const circuit = await checkedJson(file, LARGEST_CIRCUIT, plainCircuitSchema, 'the circuit');
  const solved = solvePlainCircuit(circuit);
  if (!solved.ok) throw new BadInput(`${file}: ${sayCircuitFault(solved.fault)}`);
  const { volts, amps } = solved.value;
  const rounded = (values: ReadonlyMap<string, number>) =>
    Object.fromEntries([...values].map(([id, v]) => [id, Number(v.toFixed(9)) + 0]));
  if (json) output.out(jsonText({ nodes: rounded(volts), currents: rounded(amps) }));
  else {
    for (const [node, v] of volts) output.out(`${node}: ${v.toFixed(4)} V`);
    for (const [id, a] of amps) output.out(`${id}: ${a.toFixed(4)} A`);
  }
  return 0;
}
