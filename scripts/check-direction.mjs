// Runs the dependency rules and refuses to pass if the files were not really read.
import { cruise } from 'dependency-cruiser';
import { createRequire } from 'node:module';
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config';

const rules = createRequire(import.meta.url)('../.dependency-cruiser.cjs');
const { output } = await cruise(
  ['packages'],
  {
    ...rules.options,
    ruleSet: { forbidden: rules.forbidden },
    validate: true,
    exclude: { path: 'dist|node_modules/(?!zod|knex|pg/)' },
  },
  undefined,
  { tsConfig: extractTSConfig('tsconfig.base.json') },
);
const FEWEST_MODULES = 60; // a cruise that reads no TypeScript still reports "no violations"
for (const v of output.summary.violations) console.error(`${v.rule.name}: ${v.from} -> ${v.to}`);
if (output.summary.totalCruised < FEWEST_MODULES) {
  console.error(`only ${output.summary.totalCruised} modules were read: the check did not see the source`);
  process.exit(1);
}
console.log(`${output.summary.totalCruised} modules, ${output.summary.error} breaches of direction`);
process.exit(output.summary.error ? 1 : 0);
