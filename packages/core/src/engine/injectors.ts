import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import { briefProperties, type Brief } from '../job/brief.ts';
import { bar, celsius } from '../units/quick.ts';
import { lastWhere } from '../numerics/last-where.ts';

/** What the injectors of a job bring at one pressure across them. kg/s, Pa. */
export interface InjectorsAt {
  readonly drop: number;
  /** Of one held open, on the job's fuel. */
  readonly each: number;
  /** Share of the time that each is open at full load. */
  readonly duty: number;
}
export interface InjectorFindings extends InjectorsAt {
  readonly count: number;
  /** What one must bring at full load. */
  readonly needed: number;
  readonly mostDuty: number;
  /** Size, on petrol at its own rated pressure, that keeps to the most duty at this pressure. */
  readonly wantedSize: number;
  /** Pressure across them at which these keep to it. */
  readonly wantedDrop: number;
  /** The same injectors at other pressures, half a bar apart. */
  readonly others: readonly InjectorsAt[];
}

const OTHERS = [2.5, 3, 3.5, 4, 4.5, 5].map(bar);
const MOST_DROP = bar(100);

/**
 * Injectors against full load: flow goes with the root of pressure and of density (an orifice).
 *
 * @param massFlow - of the engine at full load. @param drop - rail less what stands against the injectors there.
 */
export function injectorFindings(
  brief: Brief,
  fuel: Fuel,
  massFlow: number,
  drop: number,
): InjectorFindings | undefined {
  if (brief.induction === 'carburettor' || brief.direct || !brief.injectorSize || !brief.injectors || !(drop > 0))
    return undefined;
  const count = brief.injectors;
  const rated = brief.injectorDrop?.si ?? briefProperties.injectorDrop.typical!.si;
  const mostDuty = brief.injectorDuty?.si ?? briefProperties.injectorDuty.typical!.si;
  const petrol = fuelLiquid({ family: 'petrol', ethanol: 0 }, celsius(20)).density;
  const denser = Math.sqrt(fuelLiquid(fuel, celsius(20)).density / petrol);
  const size = brief.injectorSize.si;
  const needed = massFlow / count;
  const at = (pressure: number): InjectorsAt => {
    const each = size * denser * Math.sqrt(pressure / rated);
    return { drop: pressure, each, duty: needed / each };
  };
  const now = at(drop);
  return {
    ...now,
    count,
    needed,
    mostDuty,
    wantedSize: (size * now.duty) / mostDuty,
    wantedDrop: lastWhere(0, MOST_DROP, (pressure) => at(pressure).duty > mostDuty, 1),
    others: OTHERS.map(at),
  };
}
