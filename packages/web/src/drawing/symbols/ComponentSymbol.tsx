import type { ReactNode } from 'react';
import type { PartKind } from '@endrel/core/parts/kinds';

interface SymbolProps {
  readonly kind: PartKind;
  /** Of a regulator how it works, of a rail `two` where it is two. */
  readonly variant?: string;
  /** Fuel runs right to left: arrows and triangles turn round. */
  readonly backwards?: boolean;
}

const LINE = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const;
const BODY = { fill: 'var(--sheet)', stroke: 'currentColor', strokeWidth: 1.6 } as const;

/** Fluid-power symbols in the manner of ISO 1219-1, centred on the line, 36 wide at most. */
const symbols: Record<PartKind, (variant?: string) => ReactNode> = {
  tank: () => <path d="M-14 -8V10H14V-8" {...LINE} />,
  sock: () => (
    <>
      <path d="M0 -13 13 0 0 13 -13 0Z" {...BODY} />
      <path d="M-4 -9V9M4 -9V9" {...LINE} strokeDasharray="2 2.4" strokeWidth={1.2} />
    </>
  ),
  filter: () => (
    <>
      <path d="M0 -15 15 0 0 15 -15 0Z" {...BODY} />
      <path d="M0 -15V15" {...LINE} strokeDasharray="4 3" />
    </>
  ),
  pump: () => (
    <>
      <circle r={15} {...BODY} />
      <path d="M15 0 2 -7.5V7.5Z" fill="currentColor" />
    </>
  ),
  checkValve: () => (
    <>
      <rect x={-12} y={-10} width={24} height={20} fill="var(--sheet)" />
      <path d="M-12 0H-6M8 0H12M-6 -8 2 0 -6 8" {...LINE} />
      <circle cx={3.4} r={4.6} {...BODY} />
    </>
  ),
  hose: () => (
    <>
      <rect x={-20} y={-4} width={40} height={8} fill="var(--sheet)" />
      <path d="M-20 0Q0 17 20 0" {...LINE} strokeWidth={2.2} />
      <circle cx={-20} r={2.4} fill="currentColor" />
      <circle cx={20} r={2.4} fill="currentColor" />
    </>
  ),
  hardLine: () => <path d="M-22 -3.4H22M-22 3.4H22" {...LINE} strokeWidth={1.3} />,
  fitting: () => (
    <>
      <rect x={-7} y={-7} width={14} height={14} {...BODY} />
      <path d="M-7 0H0V7" {...LINE} />
    </>
  ),
  rail: (variant) => (
    <>
      {variant === 'two' && <path d="M-26 0V-15H26V0" {...LINE} />}
      {variant === 'two' && <rect x={-20} y={-20} width={40} height={10} {...BODY} />}
      <rect x={-26} y={-7} width={52} height={14} {...BODY} />
      <path d="M-18 7v8M-6 7v8M6 7v8M18 7v8" {...LINE} />
      <path d="M-20.5 14h5L-18 19zM-8.5 14h5L-6 19zM3.500 14h5L6 19zM15.500 14h5L18 19z" fill="currentColor" />
    </>
  ),
  carburettor: () => (
    <>
      <path d="M-13 -16H13C6 -5 6 5 13 16H-13C-6 5 -6 -5 -13 -16Z" {...BODY} />
      <path d="M-19 0H-8M-4 0H6" {...LINE} />
    </>
  ),
  regulator: (variant) => (
    <>
      <rect x={-12} y={-12} width={24} height={24} {...BODY} />
      {variant === 'bypass' ? (
        <path d="M5 -12V9M1.500 4 5 10 8.500 4" {...LINE} />
      ) : (
        <path d="M-12 -4H9M4 -7.500 10 -4 4 -0.500" {...LINE} />
      )}
      <path d="M-4 -12-7 -15 -1 -17 -7 -19 -1 -21" {...LINE} strokeWidth={1.2} />
    </>
  ),
  swirlPot: () => (
    <>
      <path d="M-14 -15V13Q-14 17 -10 17H10Q14 17 14 13V-15Z" {...BODY} />
      <path d="M-14 -7H14" {...LINE} strokeWidth={1.1} strokeDasharray="5 2.5" />
      <path d="M8 4A8 6 0 1 1 3 -1M3 -1 -1.500 -3.500M3 -1 0.500 3" {...LINE} strokeWidth={1.3} />
    </>
  ),
  pressureSensor: () => (
    <>
      <path d="M0 0V-6" {...LINE} />
      <circle cy={-13} r={7.5} {...BODY} />
      <path d="M-4 -10 3.500 -16.500M3.500 -16.500H-0.500M3.500 -16.500V-12.500" {...LINE} strokeWidth={1.2} />
      <circle r={2.6} fill="currentColor" />
    </>
  ),
  returnDrop: () => <path d="M0 -16V12M-4.500 5 0 13 4.500 5" {...LINE} strokeWidth={2} />,
};

export function PartSymbol({ kind, variant, backwards }: SymbolProps) {
  return <g transform={backwards ? 'scale(-1 1)' : undefined}>{symbols[kind](variant)}</g>;
}
