import { fillProperties } from '@endrel/core/job/tank';
import { RowsField } from '../../components/RowsField.tsx';
import { useJob } from '../../session/session-context.tsx';

/** Filling in steps of known volume: another way to the strapping table, and the proof of gauge and shape. */
export function FillsField() {
  const { tank } = useJob().survey;
  return (
    <details open={tank.shape === 'strapping' || (tank.fills?.length ?? 0) > 0}>
      <summary className="py-1 font-semibold">Fills of known volume</summary>
      <p className="text-[0.88rem] text-ink-soft">
        Start empty and level. Add a measured can, wait until it settles, read the height, the ohms, or both.
        {tank.shape !== 'strapping' &&
          ' With a shape given they only prove it; choose “strapping table, or fills” to compute from them.'}
      </p>
      <RowsField
        title=""
        one="a fill"
        properties={fillProperties}
        path={['survey', 'tank', 'fills']}
        rows={tank.fills}
        most={100}
        empty="None yet: 5 L at a time is usual."
      />
    </details>
  );
}
