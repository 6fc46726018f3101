import { tankProperties } from '@endrel/core/job/tank';
import type { Guide, Property } from '@endrel/core/fields/property';
import type { hangerProperties } from '@endrel/core/job/hanger';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { capital } from '@endrel/core/units/capital';

/** What to measure, with which tool, how close, and why: the same letters as on the sketch. */
export function MeasuringGuide({
  fields,
  of = tankProperties,
}: {
  fields: readonly string[];
  of?: typeof tankProperties | typeof hangerProperties;
}) {
  const units = useDisplayUnits();
  const rows = fields.flatMap((key): { name: string; guide: Guide }[] => {
    const property = (of as Record<string, Property>)[key];
    return property?.type === 'quantity' && property.guide ? [{ name: property.name, guide: property.guide }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="py-1 font-semibold">How to measure</summary>
      <table className="w-full text-left text-[0.88rem]">
        <thead className="label">
          <tr>
            <th className="font-normal">What</th>
            <th className="font-normal">With, where</th>
            <th className="font-normal">To</th>
            <th className="font-normal">Why</th>
          </tr>
        </thead>
        <tbody className="ruled align-top">
          {rows.map(({ name, guide }) => (
            <tr key={name}>
              <th scope="row" className="pr-2 font-normal">
                <span className="figure mr-1 border border-hair-strong px-1">{guide.mark}</span>
                {capital(name)}
              </th>
              <td className="pr-2">
                {capital(guide.tool)}: {guide.where}.
              </td>
              <td className="figure pr-2 whitespace-nowrap">± {units.tape(guide.tolerance)}</td>
              <td>{capital(guide.why)}.</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
