import { useMemo, useState } from 'react';
import type { Act } from '@endrel/core/acts/act';
import type { Measured } from '@endrel/core/fields/measured';
import { briefProperties } from '@endrel/core/job/brief';
import { EffectsList, usePreview } from '../../components/EffectsList.tsx';
import { QuantityField } from '../../components/QuantityField.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';

/** Another blend tried on the whole job: everything that it changes, before it is poured in. */
export function FuelSwitch() {
  const { brief } = useJob();
  const act = useAct();
  const [other, setOther] = useState<Measured>();
  const change = useMemo<Act | undefined>(() => {
    if (!other) return undefined;
    return brief.fuel === 'petrol'
      ? { act: 'set', path: ['brief', 'ethanol'], value: other }
      : { act: 'set', path: ['brief'], value: { ...brief, fuel: 'petrol', ethanol: other } };
  }, [other, brief]);
  const preview = usePreview(change);
  return (
    <>
      <h2 className="mt-4 border-b border-ink pb-1 text-lg">What another blend would change</h2>
      <QuantityField
        field={{ ...briefProperties.ethanol.field, name: 'ethanol share to try' }}
        value={other}
        onChange={(value) => setOther(value)}
      />
      {preview && change && (
        <div aria-live="polite">
          <EffectsList preview={preview} />
          <button className="button mt-2" onClick={() => act(change)}>
            Switch to it
          </button>
        </div>
      )}
      {!other && (
        <p className="label">Type a share, such as 85 %: demand, margins, heat and materials are worked out for it.</p>
      )}
    </>
  );
}
