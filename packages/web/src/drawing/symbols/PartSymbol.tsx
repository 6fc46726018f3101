import type { ReactNode } from 'react';
import type { SymbolKey } from '@endrel/core/parts/define-part';

interface SymbolProps {
  readonly symbol: SymbolKey;
  /** Fuel runs right to left: arrows and triangles turn round. */
  readonly backwards?: boolean;
}

const LINE = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const;
const BODY = { fill: 'var(--sheet)', stroke: 'currentColor', strokeWidth: 1.6 } as const;

/** Fluid-power symbols in the manner of ISO 1219-1, centred on the line, 36 wide at most. */
const symbols: Record<SymbolKey, () => ReactNode> = {
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
  cooler: () => (
    <>
      <path d="M0 -15 15 0 0 15 -15 0Z" {...BODY} />
      <path d="M0 -3V-11M-3 -8 0 -12 3 -8M0 3V11M-3 8 0 12 3 8" {...LINE} strokeWidth={1.3} />
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
  rail: () => (
    <>
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
  bypassRegulator: () => regulator(<path d="M5 -12V9M1.500 4 5 10 8.500 4" {...LINE} />),
  deadHeadRegulator: () => regulator(<path d="M-12 -4H9M4 -7.500 10 -4 4 -0.500" {...LINE} />),
  filterRegulator: () => (
    <>
      <path d="M0 -16 17 0 0 16 -17 0Z" {...BODY} />
      <path d="M-5 -10V10" {...LINE} strokeDasharray="3 2.4" />
      <path d="M4 -8V5M1 1.500 4 6 7 1.500" {...LINE} strokeWidth={1.3} />
      <path d="M0 -16-4 -18 4 -20 -4 -22" {...LINE} strokeWidth={1.2} />
    </>
  ),
  swirlPot: () => (
    <>
      <path d="M-14 -15V13Q-14 17 -10 17H10Q14 17 14 13V-15Z" {...BODY} />
      <path d="M-14 -7H14" {...LINE} strokeWidth={1.1} strokeDasharray="5 2.5" />
      <path d="M8 4A8 6 0 1 1 3 -1M3 -1 -1.500 -3.500M3 -1 0.500 3" {...LINE} strokeWidth={1.3} />
    </>
  ),
  sensor: () => (
    <>
      <path d="M0 0V-6" {...LINE} />
      <circle cy={-13} r={7.5} {...BODY} />
      <path d="M-4 -10 3.500 -16.500M3.500 -16.500H-0.500M3.500 -16.500V-12.500" {...LINE} strokeWidth={1.2} />
      <circle r={2.6} fill="currentColor" />
    </>
  ),
  enginePump: () => (
    <>
      <circle r={15} {...BODY} />
      <path d="M15 0 2 -7.5V7.5Z" fill="currentColor" />
      <path d="M-11 -3Q-5 -9 0 -3M-5.500 -6V4" {...LINE} strokeWidth={1.3} />
      <path d="M-4 15V20H4V15" {...LINE} strokeWidth={1.3} />
    </>
  ),
  bend: () => <path d="M-13 6H-3Q5 6 5 -2V-12" {...LINE} strokeWidth={2.4} />,
  tee: () => (
    <>
      <rect x={-11} y={-5} width={22} height={10} {...BODY} />
      <path d="M-3.500 5V12H3.500V5" {...BODY} />
    </>
  ),
  y: () => <path d="M-13 -4H-1L9 -12 13 -7 4 0 13 7 9 12 -1 4H-13Z" {...BODY} />,
  block: () => (
    <>
      <rect x={-10} y={-14} width={20} height={28} {...BODY} />
      <path d="M-10 0H0M0 -8V8M0 -8H10M0 0H10M0 8H10" {...LINE} strokeWidth={1.2} />
    </>
  ),
  gauge: () => (
    <>
      <path d="M0 0V-6" {...LINE} />
      <circle cy={-14} r={8.5} {...BODY} />
      <path d="M0 -14 4.500 -19M-5.500 -12H-4M5.500 -12H4" {...LINE} strokeWidth={1.3} />
    </>
  ),
  flowSensor: () => (
    <>
      <rect x={-15} y={-8} width={30} height={16} {...BODY} />
      <text y={4} textAnchor="middle" fontSize={10.5} fontWeight={700} fill="currentColor">
        E
      </text>
    </>
  ),
  damper: () => (
    <>
      <path d="M0 0V-5" {...LINE} />
      <path d="M-9 -6Q-9 -21 0 -21T9 -6Z" {...BODY} />
      <path d="M-9 -12H9" {...LINE} strokeWidth={1.1} strokeDasharray="3 2" />
    </>
  ),
  service: () => (
    <>
      <path d="M0 0V-8" {...LINE} />
      <path d="M-6 -8H6L3 -14H-3Z" {...BODY} />
      <path d="M0 -14V-19M-4 -19H4" {...LINE} />
    </>
  ),
  returnDrop: () => <path d="M0 -16V12M-4.500 5 0 13 4.500 5" {...LINE} strokeWidth={2} />,
};

function regulator(way: ReactNode): ReactNode {
  return (
    <>
      <rect x={-12} y={-12} width={24} height={24} {...BODY} />
      {way}
      <path d="M-4 -12-7 -15 -1 -17 -7 -19 -1 -21" {...LINE} strokeWidth={1.2} />
    </>
  );
}

export function PartSymbol({ symbol, backwards }: SymbolProps) {
  return <g transform={backwards ? 'scale(-1 1)' : undefined}>{symbols[symbol]()}</g>;
}
