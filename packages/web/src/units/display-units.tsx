import { createContext, use, useCallback, useMemo, useState, type ReactNode } from 'react';
import { formatQuantity } from '@endrel/core/units/format-quantity';
import type { Figure, QuantityKind } from '@endrel/core/units/quantity';

/** In which units results are shown. What a person measured keeps the unit it was measured in. */
export type UnitSystem = 'metric' | 'imperial';

const imperial: Partial<Record<QuantityKind, string>> = {
  pressure: 'psi',
  length: 'in',
  head: 'ft of fuel',
  volumeFlow: 'gal/h',
  massFlow: 'lb/h',
  power: 'hp',
  bsfc: 'lb/(hp·h)',
  temperature: '°F',
  volume: 'gal',
  velocity: 'ft/s',
};

interface DisplayUnits {
  readonly system: UnitSystem;
  flip(): void;
  unitOf(kind: QuantityKind): string | undefined;
  show(kind: QuantityKind, si: number): string;
  figure(figure: Figure): string;
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
    const unitOf = (kind: QuantityKind) => (system === 'imperial' ? imperial[kind] : undefined);
    return {
      system,
      flip,
      unitOf,
      show: (kind, si) => formatQuantity(kind, si, unitOf(kind)),
      figure: (f) => formatQuantity(f.kind, f.si, unitOf(f.kind)),
      showLine: (metres) => formatQuantity('length', metres, system === 'imperial' ? 'ft' : 'm'),
    };
  }, [system, flip]);
  return <Context value={value}>{children}</Context>;
}

export function useDisplayUnits(): DisplayUnits {
  const units = use(Context);
  if (!units) throw new Error('DisplayUnitsProvider is missing');
  return units;
}
