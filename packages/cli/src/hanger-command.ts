import { enclosingCircle } from '@endrel/core/hangers/enclosing-circle';
import { BadInput } from './bad-input.ts';
import { jsonText, type Output } from './output.ts';
import { quantityOption } from './parse-options.ts';

const BODY = { kind: 'length', name: 'body diameter', unit: 'mm', minimum: 1e-4, maximum: 1 } as const;
const MOST_BODIES = 6;

/** `endrel hanger opening --bodies 39,39,50`: the smallest round opening that the bodies pass side by side. */
export function hangerCommand(
  [verb, ...more]: readonly string[],
  options: { bodies?: string; json?: boolean },
  output: Output,
): number {
  if (verb !== 'opening' || more.length > 0)
    throw new BadInput('hanger takes “opening”: endrel hanger opening --bodies 39,39,50');
  if (options.bodies === undefined) throw new BadInput('hanger opening needs --bodies, such as --bodies 39,39,50');
  const bodies = options.bodies.split(',').map((text) => quantityOption('bodies', text, BODY));
  if (bodies.length > MOST_BODIES) throw new BadInput(`--bodies: at most ${MOST_BODIES}`);
  const millimetres = Number((enclosingCircle(bodies).diameter * 1000).toFixed(5));
  output.out(options.json ? jsonText({ enclosing_mm: millimetres }) : `${millimetres.toFixed(2)} mm`);
  return 0;
}
