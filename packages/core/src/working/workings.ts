import type { Findings } from '../reckoning/findings.ts';
import { pointKeysOf } from '../run/operating-point.ts';
import { demandWorking } from './demand-working.ts';
import { driveWorking } from './drive-working.ts';
import { voltageWorkings } from './voltage-working.ts';
import { suctionWorking, WORST } from './suction-working.ts';
import { pumpMarginWorking } from './pump-margin-working.ts';
import { railPressureWorking } from './rail-pressure-working.ts';
import type { Working } from './working.ts';

/** Every working that a job has at present, by key. */
export function workingsOf(findings: Findings): Working[] {
  return [
    demandWorking(findings),
    ...pointKeysOf(findings.job).map((key) => railPressureWorking(findings, key)),
    pumpMarginWorking(findings),
    ...[...pointKeysOf(findings.job), WORST].map((key) => suctionWorking(findings, key)),
    driveWorking(findings),
    ...voltageWorkings(findings),
  ].filter((w) => w !== undefined);
}
