import type { InjectorFindings } from '@endrel/core/engine/injectors';
import { Reading } from '../../components/Reading.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Claim } from '../../components/Claim.tsx';

/** Whether the injectors are enough, and what they would bring at another pressure. */
export function InjectorReadings({ injectors }: { injectors: InjectorFindings | undefined }) {
  const units = useDisplayUnits();
  if (!injectors)
    return (
      <p className="label">
        <Claim>Needs size and number of injectors, and what the engine burns.</Claim>
      </p>
    );
  return (
    <>
      <dl className="readings">
        <Reading
          name="Duty at full load"
          value={units.show('fraction', injectors.duty)}
          note={`${units.show('fraction', injectors.mostDuty)} at most, ${units.show('pressure', injectors.drop)} across them`}
        />
        <Reading
          name="One brings, held open"
          value={units.show('massFlow', injectors.each)}
          note={`${units.show('massFlow', injectors.needed)} needed of each`}
        />
        <Reading
          name="Size that would do"
          value={units.show('massFlow', injectors.wantedSize)}
          note="on petrol, at its rated pressure"
        />
      </dl>
      <table className="w-full text-right">
        <caption className="label text-left">At another pressure across them</caption>
        <thead className="label">
          <tr>
            <th className="text-left font-normal">Pressure</th>
            <th className="font-normal">one brings</th>
            <th className="font-normal">duty</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {injectors.others.map((at) => (
            <tr key={at.drop} className={at.duty > injectors.mostDuty ? 'text-ink-soft' : ''}>
              <th scope="row" className="text-left font-normal">
                {units.show('pressure', at.drop)}
              </th>
              <td className="figure">{units.show('massFlow', at.each)}</td>
              <td className="figure">
                {units.show('fraction', at.duty)}
                {at.duty > injectors.mostDuty ? ', too small' : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
