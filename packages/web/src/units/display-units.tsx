import { createContext, use, useCallback, useMemo, useState, type ReactNode } from 'react';
import type { QuantityField } from '@endrel/core/units/field';
import type { Figure, QuantityKind } from '@endrel/core/units/quantity';
import { bareUnit, sayIn, unitOfKind, type Say, type UnitSystem } from '@endrel/core/units/unit-system';

export interface DisplayUnits {
  readonly system: UnitSystem;
  flip(): void;
  unitOf(kind: QuantityKind): string | undefined;
  show(kind: QuantityKind, si: number): string;
  figure(figure: Figure): string;
  /** A length as it is read on a tape or rule. */
  tape(metres: number): string;
  /** The unit that a bare number gets in a field. */
  bareUnit(field: QuantityField): string;
  /** The same words for the core to say figures in. */
  readonly say: Say;
  /** A length of line, as it is bought: in metres or feet. */
  showLine(metres: number): string;
}
const Context = createContext<DisplayUnits | undefined>(undefined);
const KEY = 'endrel:units';

export function DisplayUnitsProvider({ children }: { children: ReactNode }) {
  const [system, setSystem] = useState<UnitSystem>(() =>
    localStorage.getItem(KEY) === 'imperial' ? 'imperial' : 'metric',
  );
  const flip = useCallback(
    () =>
      setSystem((now) => {
        const next = now === 'metric' ? 'imperial' : 'metric';
        localStorage.setItem(KEY, next);
        return next;
      }),
    [],
  );
  const value = useMemo((): DisplayUnits => {
    const say = sayIn(system);
    return {
      system,
      flip,
      say,
      unitOf: (kind) => unitOfKind(system, kind),
      show: say,
      figure: say.figure,
      tape: say.tape,
      showLine: say.line,
      bareUnit: (field) => bareUnit(field, system),
    };
  }, [system, flip]);
  return <Context value={value}>{children}</Context>;
}

export function useDisplayUnits(): DisplayUnits {
  const units = use(Context);
  if (!units) throw new Error('DisplayUnitsProvider is missing');
  return units;
}
