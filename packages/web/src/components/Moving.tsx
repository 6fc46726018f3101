import { useEffect, useRef, useState } from 'react';
import type { Figure } from '@endrel/core/units/quantity';
import { useDisplayUnits } from '../units/display-units.tsx';

const SHOWN_FOR = 4000; // ms

/** A figure that, when it moves, shows for a few seconds what it was. */
export function Moving({ figure }: { figure: Figure }) {
  const units = useDisplayUnits();
  const last = useRef(figure.si);
  const [before, setBefore] = useState<number>();
  useEffect(() => {
    const old = last.current;
    last.current = figure.si;
    if (Math.abs(old - figure.si) <= 1e-6 * Math.abs(figure.si)) return;
    setBefore(old);
    const timer = setTimeout(() => setBefore(undefined), SHOWN_FOR);
    return () => clearTimeout(timer);
  }, [figure.si]);
  const now = units.figure(figure);
  const then = before === undefined ? undefined : units.show(figure.kind, before);
  return (
    <>
      <span key={before} className={before === undefined ? '' : 'moved'}>
        {now}
      </span>
      {then !== undefined && then !== now && (
        <span className="ml-1.5 text-[0.78rem] font-normal text-ink-soft">was {then}</span>
      )}
    </>
  );
}
