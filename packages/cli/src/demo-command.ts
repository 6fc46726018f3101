import { demoJobs } from '@endrel/core/demo/index';
import { BadInput } from './bad-input.ts';
import type { Output } from './output.ts';

export function demoCommand([name]: readonly string[], output: Output): number {
  if (name === undefined) {
    for (const [key, job] of Object.entries(demoJobs)) output.out(`${key}  ${job.name}`);
    return 0;
  }
  if (!Object.hasOwn(demoJobs, name))
    throw new BadInput(`there is no demo job “${name}”; there are ${Object.keys(demoJobs).join(', ')}`);
  output.out(JSON.stringify(demoJobs[name as keyof typeof demoJobs], undefined, 2));
  return 0;
}
