import { partName } from '@endrel/core/parts/kinds';
import { deviceKinds, deviceName, kindOfDevice, type Device } from '@endrel/core/harness/devices/index';
import { commonDeviceProperties } from '@endrel/core/harness/devices/define-device';
import { colourOf, markingOf, sayEnd } from '@endrel/core/wiring/wire-list';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Property } from '@endrel/core/fields/property';
import { ActButton } from '../../components/ActButton.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { SelectField } from '../../components/PropertyField.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Fact, Facts } from './Facts.tsx';
import { useWiring } from './use-wiring.ts';

/** One device: what it is rated for, what passes through it, and the wires on its terminals. */
export function DeviceBench({ device, onGone }: { device: Device; onGone(): void }) {
  const { harness, found } = useWiring();
  const units = useDisplayUnits();
  const kind = deviceKinds[device.kind];
  const path: FieldPath = ['wiring', 'devices', device.id];
  const properties: Record<string, Property> = { ...commonDeviceProperties, ...kind.properties };
  const keys = Object.keys(kind.properties).filter((key) => key !== 'part');
  const fuse = found?.fuses.find((f) => f.device === device.id);
  const rated = found?.rated.find((r) => r.device === device.id);
  const wires = (harness.wires ?? []).filter((w) => [w.from?.device, w.to?.device].includes(device.id));
  return (
    <section aria-label={deviceName(device)}>
      <div className="flex items-baseline justify-between gap-3 border-b border-ink pb-1">
        <h2 className="text-lg">
          {deviceName(device)} {device.label && <span className="label">{kind.name}</span>}
        </h2>
        <ActButton
          act={{
            act: 'setAll',
            title: `take ${deviceName(device)} out of the circuit`.slice(0, 120),
            changes: [...wires.map((w) => ({ path: ['wiring', 'wires', w.id] })), { path: [...path] }],
          }}
          onDone={onGone}
        >
          Take it out, wires too
        </ActButton>
      </div>
      {(fuse ?? rated) && (
        <Facts>
          <Fact name="passes at most" value={units.show('current', (fuse ?? rated)!.amps)} />
          {rated && <Fact name="rated" value={units.show('current', rated.rated)} />}
          {rated?.fuse !== undefined && <Fact name="its fuse passes" value={units.show('current', rated.fuse)} />}
        </Facts>
      )}
      {'part' in kind.properties && <PartOfRun device={device} />}
      <PropertyGrid
        properties={properties}
        path={path}
        values={device}
        only={['label', 'stands', ...keys]}
        columns="sm:grid-cols-3"
      />
      <PropertyGrid properties={properties} path={path} values={device} only={['note']} columns="" />
      <h3 className="mt-1 font-semibold">Wires on its terminals</h3>
      <table className="w-full text-left">
        <thead className="label">
          <tr className="border-b border-hair">
            <th className="font-normal">terminal</th>
            <th className="font-normal">wire</th>
            <th className="font-normal">goes to</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {Object.entries(kindOfDevice(device).terminals(device)).map(([key, spec]) => {
            const here = wires.filter(
              (w) =>
                (w.from?.device === device.id && w.from.terminal === key) ||
                (w.to?.device === device.id && w.to.terminal === key),
            );
            const number = (id: string) => (harness.wires ?? []).findIndex((w) => w.id === id) + 1;
            return (
              <tr key={key}>
                <th scope="row" className="align-top font-normal">
                  {spec.din && <span className="figure mr-2 font-semibold">{spec.din}</span>}
                  {spec.name}
                </th>
                <td className="figure align-top">
                  {here.map((w) => (
                    <span key={w.id} className="block">
                      {markingOf(harness, w, number(w.id))} {colourOf(harness, w)}
                    </span>
                  ))}
                </td>
                <td className="align-top text-ink-soft">
                  {here.length === 0 && 'free'}
                  {here.map((w) => (
                    <span key={w.id} className="block">
                      {sayEnd(harness, w.from?.device === device.id && w.from.terminal === key ? w.to : w.from)}
                    </span>
                  ))}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** Which pump or sensor of the run it is. */
function PartOfRun({ device }: { device: Device }) {
  const job = useJob();
  const act = useAct();
  const wanted = device.kind === 'pumpLoad' ? 'pump' : 'pressureSensor';
  const options = Object.fromEntries(
    Object.values(job.parts)
      .filter((p) => p.kind === wanted && !p.aside)
      .map((p) => [p.id, partName(p)]),
  );
  return (
    <SelectField
      label={wanted === 'pump' ? 'pump of the run' : 'sensor of the run'}
      options={options}
      value={(device as { part?: string }).part}
      onChange={(value) =>
        act({ act: 'set', path: ['wiring', 'devices', device.id, 'part'], ...(value === undefined ? {} : { value }) })
      }
    />
  );
}
