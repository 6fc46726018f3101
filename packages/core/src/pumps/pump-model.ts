import { compilePump, type PumpWorks } from '../hydraulics/pump-curve.ts';
import type { PumpTable } from './pump-table.ts';
import { onceFor } from '../memory/once-for.ts';
import { pumpRows } from './pump-rows.ts';

const none: readonly PumpTable[] = [];
const models: Record<PumpWorks, (tables: readonly PumpTable[]) => ReturnType<typeof compilePump>> = {
  turbine: onceFor((tables: readonly PumpTable[]) => compilePump(pumpRows({ tables }))),
  displacement: onceFor((tables: readonly PumpTable[]) => compilePump(pumpRows({ tables }), 'displacement')),
};

/** A pump's curves, made once for its tables, or what is wrong with them. A turbine unless it says otherwise. */
export const pumpModel = (pump: {
  readonly tables?: readonly PumpTable[];
  readonly works?: PumpWorks;
}): ReturnType<typeof compilePump> => models[pump.works ?? 'turbine'](pump.tables ?? none);
