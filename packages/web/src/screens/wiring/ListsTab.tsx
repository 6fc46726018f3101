import { circuitSheet } from '@endrel/core/cards/circuit/circuit-sheet';
import { drawingSvg } from '@endrel/core/drawings/drawing-svg';
import { deviceKinds, deviceName, kindOfDevice, protects } from '@endrel/core/harness/devices/index';
import { diagramDrawing, sayConductor } from '@endrel/core/wiring/diagram';
import { rollProperties, schemeProperties } from '@endrel/core/harness/harness';
import { devicesOf } from '@endrel/core/harness/in-circuit';
import { connectorFaces, rollPlans, wireCells, wireRows } from '@endrel/core/wiring/wire-list';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { DocumentFiles } from '../../document/DocumentFiles.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { useLaidCircuit } from '../../drawing/wiring/use-laid-circuit.ts';
import { useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { AsTable } from '../../components/AsTable.tsx';
import { Nothing } from './Nothing.tsx';
import { WireSheet } from './WireSheet.tsx';
import { useWiring } from './use-wiring.ts';

/** Every wire, fuse, relay and connector, what is cut off which roll, and all of it as files. */
export function ListsTab({ view }: { view: JobView }) {
  const { harness } = useWiring();
  if (!harness.devices?.length) return <Nothing />;
  return (
    <div className="space-y-5">
      <Files />
      <AsTable title="Type the wires in as a table">
        <WireSheet />
      </AsTable>
      <Wires view={view} />
      <div className="grid gap-x-8 gap-y-5 lg:grid-cols-2">
        <Fuses />
        <Faces />
      </div>
      <div className="grid gap-x-8 gap-y-5 lg:grid-cols-2">
        <Cuts />
        <section aria-label="Colours">
          <h2 className="border-b border-ink pb-1 text-lg">The shop’s own colours</h2>
          <p className="label">By what a wire is for; a wire that says its own keeps it.</p>
          <PropertyGrid
            properties={schemeProperties}
            path={['wiring', 'scheme']}
            values={harness.scheme ?? {}}
            columns="sm:grid-cols-3"
          />
        </section>
      </div>
    </div>
  );
}

function Files() {
  const job = useJob();
  const { harness } = useWiring();
  const { say } = useDisplayUnits();
  const laid = useLaidCircuit(harness);
  const diagram = laid.kind === 'laid' ? laid.diagram : undefined;
  return (
    <section aria-label="Files" className="no-print flex flex-wrap items-center gap-2">
      <button
        className="button"
        onClick={() => download('wires.csv', 'text/csv', `\ufeff${csvText(wireCells(harness))}`)}
      >
        Wires, CSV
      </button>
      <button
        className="button"
        disabled={!diagram}
        onClick={() =>
          diagram && download('circuit.svg', 'image/svg+xml', drawingSvg(diagramDrawing(diagram, job.name)))
        }
      >
        Diagram, SVG
      </button>
      <DocumentFiles name="circuit" sheets={diagram && [circuitSheet(harness, diagram, job.name, say)]} />
    </section>
  );
}

function Wires({ view }: { view: JobView }) {
  const { harness } = useWiring();
  const units = useDisplayUnits();
  const stands = { new: '', kept: 'kept', out: 'taken out' } as const;
  return (
    <section aria-label="Wires">
      <h2 className="border-b border-ink pb-1 text-lg">Wires</h2>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[52rem] text-left text-[0.92rem]">
          <thead className="label">
            <tr className="border-b border-hair">
              {['mark', 'from', 'to', 'for', 'colour', 'conductor', 'length', 'lies', 'start', 'end', ''].map(
                (h, i) => (
                  <th key={i} className="pr-3 font-normal">
                    {h}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody className="ruled">
            {wireRows(harness).map((r) => (
              <tr key={r.id} className={r.stands === 'out' ? 'text-ink-soft line-through' : ''}>
                <th scope="row" className="figure pr-3 font-normal">
                  <button
                    className="min-h-[24px] underline decoration-hair underline-offset-2"
                    aria-label={`Wire ${r.number}`}
                    onClick={() => view.goToField('wiring', ['wiring', 'wires', r.id, 'area'])}
                  >
                    {r.marking}
                  </button>
                </th>
                <td className="pr-3">{r.from}</td>
                <td className="pr-3">{r.to}</td>
                <td className="pr-3">{r.use}</td>
                <td className="pr-3">{r.colour}</td>
                <td className="figure pr-3 whitespace-nowrap">
                  {r.area === undefined ? 'open' : sayConductor(r.area)}
                  {r.conductors > 1 ? ` × ${r.conductors}` : ''}
                </td>
                <td className="figure pr-3 whitespace-nowrap">
                  {r.length === undefined ? 'open' : units.tape(r.length)}
                </td>
                <td className="pr-3">{r.lies}</td>
                <td className="pr-3">{r.startEnd}</td>
                <td className="pr-3">{r.finishEnd}</td>
                <td>{stands[r.stands]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Fuses() {
  const { harness, found } = useWiring();
  const units = useDisplayUnits();
  const listed = devicesOf(harness).filter((d) => protects(d) || d.kind === 'relay');
  return (
    <section aria-label="Fuses and relays">
      <h2 className="border-b border-ink pb-1 text-lg">Fuses and relays</h2>
      {listed.length === 0 && <p className="text-ink-soft">None in the circuit.</p>}
      <ul className="ruled">
        {listed.map((d) => {
          const passes =
            found?.fuses.find((f) => f.device === d.id)?.amps ?? found?.rated.find((r) => r.device === d.id)?.amps;
          return (
            <li key={d.id} className="py-1">
              <b>{deviceName(d)}</b>
              <span className="block text-[0.92rem] text-ink-soft">
                {kindOfDevice(d).buys?.(d) ?? deviceKinds[d.kind].name}
                {passes !== undefined && passes > 0.005 && `; at most ${units.show('current', passes)} passes`}
                {d.kind === 'relay' && '; 85 and 86 coil, 30 feed, 87 out'}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Faces() {
  const { harness } = useWiring();
  const faces = connectorFaces(harness);
  return (
    <section aria-label="Connector faces">
      <h2 className="border-b border-ink pb-1 text-lg">Connector faces</h2>
      {faces.length === 0 && <p className="text-ink-soft">No connector in the circuit.</p>}
      <div className="flex flex-wrap gap-4 pt-2">
        {faces.map((face) => {
          const cells = face.ways.flatMap((way) =>
            Array.from({ length: way.pins }, (_, i) => ({ way, at: way.cavities.split(/[,;\s]+/)[i] ?? '' })),
          );
          return (
            <figure key={face.name} className="min-w-[9rem]">
              <div
                className="inline-grid gap-1.5 border-2 border-ink p-1.5"
                style={{ gridTemplateColumns: `repeat(${Math.min(4, Math.max(1, cells.length))}, 2.2rem)` }}
              >
                {cells.map(({ way, at }, i) => (
                  <span
                    key={`${way.device} ${i}`}
                    className="figure grid h-8 place-items-center border border-ink text-[0.92rem]"
                    title={way.wires.join(', ')}
                  >
                    {at || i + 1}
                  </span>
                ))}
              </div>
              <figcaption className="text-[0.92rem]">
                <b>{face.name}</b>, seen on its face
                {face.ways.map((way) => (
                  <span key={way.device} className="block text-ink-soft">
                    {way.cavities ? `${way.cavities}: ` : ''}
                    {way.wires.join(', ') || 'no wire'}
                    {way.pins > 1 ? `, ${way.pins} pins` : ''}
                  </span>
                ))}
              </figcaption>
            </figure>
          );
        })}
      </div>
    </section>
  );
}

function Cuts() {
  const { harness } = useWiring();
  const units = useDisplayUnits();
  const plans = rollPlans(harness);
  return (
    <section aria-label="Cuts">
      <h2 className="border-b border-ink pb-1 text-lg">Cuts, off the shop’s rolls</h2>
      {plans.length === 0 && <p className="text-ink-soft">They follow once new wires have gauge and length.</p>}
      <ul className="ruled">
        {plans.map((p) => (
          <li key={`${p.colour} ${p.area}`} className="py-1">
            <b>
              {p.colour || 'no colour'}, {sayConductor(p.area)}
            </b>
            {p.rolls
              .filter((r) => r.pieces.length > 0)
              .map((r) => (
                <span key={r.id} className="block">
                  Off the roll of {units.tape(r.length)}:{' '}
                  {r.pieces.map((x) => `${x.wire}: ${units.tape(x.length)}`).join(', ')}; {units.tape(r.left)} left
                </span>
              ))}
            {p.bought.length > 0 && (
              <span className="block">
                To buy, {units.tape(p.buy)}: {p.bought.map((x) => `${x.wire}: ${units.tape(x.length)}`).join(', ')}
              </span>
            )}
          </li>
        ))}
      </ul>
      <RowsField
        title="Rolls in the shop"
        one="a roll"
        properties={rollProperties}
        path={['wiring', 'rolls']}
        rows={harness.rolls}
        most={60}
        empty="None told of: all is bought."
      />
    </section>
  );
}
