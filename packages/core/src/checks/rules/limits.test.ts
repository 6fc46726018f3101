import { expect } from 'chai';
import { fuelLimits } from '../../../test/limits/fuel-limits.ts';
import { jointLimits } from '../../../test/limits/joint-limits.ts';
import { runLimits } from '../../../test/limits/run-limits.ts';
import { tankLimits } from '../../../test/limits/tank-limits.ts';
import { wiringLimits } from '../../../test/limits/wiring-limits.ts';
import { rules } from '../rules.ts';

const limits = [...fuelLimits, ...jointLimits, ...runLimits, ...tankLimits, ...wiringLimits];

/** Rules that judge a yes or no: what is there, of what kind, which way round. Each has a test of its own. */
const WITHOUT_LIMIT = [
  'beyond-pump-table',
  'filter-reversed',
  'fixed-regulator-with-boost',
  'hanger-misses-sump',
  'hose-not-submersible',
  'joint-does-not-seal',
  'lines-swapped',
  'loose-part',
  'old-connection',
  'open-port',
  'pot-among-people',
  'pump-keeps-running',
  'route-impossible',
  'run-does-not-solve',
  'seal-attacked',
  'sealant-wrong',
  'sender-worn',
  'wire-in-tank',
  'reference-unwanted',
  'return-behind-sill',
  'return-capped',
  'sensor-misplaced',
  'sensor-missing',
  'staged-pumps',
  'circuit-fault',
  'pump-not-fed',
  'wire-joint',
];
/** Tested at their limit beside their other cases. */
const ELSEWHERE = [
  'regulators-fight',
  'adapter-not-rated',
  'hose-route',
  'joint-out-of-reach',
  'line-held',
  'line-too-near',
  'panel-hole',
  'place-wrong',
  'route-heights',
  'tank-cannot-drop',
  'tube-bending',
];

it('every rule is tried at its limit, or has none', () => {
  const tried = [...new Set(limits.map((l) => l.rule)), ...WITHOUT_LIMIT, ...ELSEWHERE];
  expect(tried.sort()).to.deep.equal(rules.map((r) => r.key).sort());
});
