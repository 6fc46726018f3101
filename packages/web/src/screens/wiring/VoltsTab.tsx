import { useJob } from '../../session/session-context.tsx';
import { partWord } from '@endrel/core/wiring/circuit-words';
import { useState } from 'react';
import { harnessProperties, mostDropOf } from '@endrel/core/harness/harness';
import { sizeFields } from '@endrel/core/wiring/resized';
import type { SizeChange } from '@endrel/core/wiring/sizes';
import type { PumpCircuit } from '@endrel/core/wiring/pump-circuit';
import { SIZED_AT, type WiringFindings } from '@endrel/core/wiring/wiring-findings';
import { sayConductor } from '@endrel/core/wiring/diagram';
import { endChoices, endOfKey, sayEnd } from '@endrel/core/wiring/wire-list';
import { ActButton } from '../../components/ActButton.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { SelectField } from '../../components/PropertyField.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { Nothing } from './Nothing.tsx';
import { useWiring } from './use-wiring.ts';
import { Claim } from '../../components/Claim.tsx';

const mOhm = (ohms: number): string => `${Number((ohms * 1000).toPrecision(3))} mΩ`;
const volts = (v: number): string => `${v.toFixed(Math.abs(v) < 0.1 ? 3 : 2)} V`;

/** Where the volts go between battery and pump, and the sizes that keep them. */
export function VoltsTab({ view, onWorking }: { view: JobView; onWorking(key: string): void }) {
  const { harness, found } = useWiring();
  if (!harness.devices?.length) return <Nothing />;
  if (!found) return <p className="text-ink-soft">Reckoning …</p>;
  return (
    <div className="grid gap-x-8 gap-y-5 xl:grid-cols-[1.25fr_1fr]">
      <div className="min-w-0">
        {found.points.length === 0 ? (
          <p className="text-ink-soft">
            {found.fault
              ? 'The circuit has no answer as it is drawn: see the snag.'
              : 'The run is not solved yet: there are no currents to reckon with.'}
          </p>
        ) : (
          <Drops found={found} view={view} onWorking={onWorking} />
        )}
      </div>
      <div className="min-w-0 space-y-5">
        <Sizes found={found} />
        <section aria-label="Limits">
          <h2 className="border-b border-ink pb-1 text-lg">Limits</h2>
          <p className="label">Common practice unless set here.</p>
          <PropertyGrid properties={harnessProperties} path={['wiring']} values={harness} />
        </section>
      </div>
      <div className="min-w-0 xl:col-span-2">
        <Carried found={found} view={view} />
      </div>
    </div>
  );
}

function Drops({ found, view, onWorking }: { found: WiringFindings; view: JobView; onWorking(key: string): void }) {
  const [point, setPoint] = useState<string>(SIZED_AT);
  const names = Object.fromEntries(found.points.map((p) => [p.key, `${p.name}, ${volts(p.system)}`]));
  const at = found.points.find((p) => p.key === point) ?? found.points[0]!;
  return (
    <section aria-label="Where the volts go">
      <h2 className="border-b border-ink pb-1 text-lg">Where the volts go</h2>
      <div>
        <div className="max-w-[24rem]">
          <SelectField label="at" options={names} value={at.key} onChange={(key) => setPoint(key ?? SIZED_AT)} />
        </div>
      </div>
      {found.pumps.map((pump) => (
        <PumpDrops key={pump.part} pump={pump} point={at.key} view={view} onWorking={onWorking} />
      ))}
      <details className="mt-2">
        <summary className="label min-h-[26px] py-1">Every terminal, against the battery’s negative</summary>
        <Terminals at={at} />
      </details>
    </section>
  );
}

function PumpDrops({
  pump,
  point,
  view,
  onWorking,
}: {
  pump: PumpCircuit;
  point: string;
  view: JobView;
  onWorking(key: string): void;
}) {
  const { harness, say } = useWiring();
  const units = useDisplayUnits();
  const name = partWord(useJob(), pump.part);
  const at = pump.at[point];
  if (!at) return <p className="my-2 text-ink-soft">{name} stands at that point.</p>;
  const drop = at.system - at.volts;
  const limit = mostDropOf(harness);
  const most = Math.max(...at.legs.map((l) => l.volts), 1e-9);
  return (
    <div className="mt-2">
      <p>
        <b>{name}</b> gets <b className="figure">{volts(at.volts)}</b> of {volts(at.system)} and draws{' '}
        <b className="figure">{units.show('current', at.amps)}</b>:{' '}
        <span className={drop > limit ? 'text-fix' : ''}>{volts(drop)} lost</span>, of at most {volts(limit)} wanted.
        {pump.unmeasured.length > 0 && ' Not all wires on its way are measured: that is left out of the flow.'}
      </p>
      <table className="w-full text-right text-[0.95rem]">
        <thead className="label">
          <tr className="border-b border-hair">
            <th className="text-left font-normal">where</th>
            <th className="pl-3 font-normal">side</th>
            <th className="pl-3 font-normal">resistance</th>
            <th className="pl-3 font-normal">current</th>
            <th className="pl-3 font-normal">takes</th>
            <th />
          </tr>
        </thead>
        <tbody className="ruled">
          {at.legs
            .filter((l) => Math.abs(l.volts) > 5e-4)
            .map((leg, i) => (
              <tr key={`${leg.id} ${i}`}>
                <th scope="row" className="text-left font-normal">
                  <button
                    className="min-h-[24px] text-left underline decoration-hair-strong underline-offset-3"
                    onClick={() =>
                      view.goToField('wiring', [
                        'wiring',
                        leg.isWire ? 'wires' : 'devices',
                        leg.id,
                        leg.isWire ? 'area' : 'label',
                      ])
                    }
                  >
                    {say(leg.id)}
                  </button>
                </th>
                <td className="pl-3">{leg.side}</td>
                <td className="figure pl-3 whitespace-nowrap">{mOhm(leg.ohms)}</td>
                <td className="figure pl-3 whitespace-nowrap">{units.show('current', leg.amps)}</td>
                <td className="figure pl-3 whitespace-nowrap">{volts(leg.volts)}</td>
                <td className="w-[16%] pl-3">
                  <span
                    className="block h-2.5"
                    style={{ width: `${Math.max(0, (100 * leg.volts) / most)}%`, background: 'var(--electrical)' }}
                  />
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      {point === SIZED_AT && (
        <button className="button mt-1" onClick={() => onWorking(`voltage:${pump.part}`)}>
          Show the working
        </button>
      )}
    </div>
  );
}

function Terminals({ at }: { at: WiringFindings['points'][number] }) {
  const { harness } = useWiring();
  const names = endChoices(harness);
  const rows = Object.entries(at.volts).filter(([place]) => !place.includes(':.'));
  return (
    <ul className="columns-2 text-[0.92rem] xl:columns-3">
      {rows.map(([place, v]) => {
        const end = endOfKey(place);
        return (
          <li key={place} className="flex justify-between gap-3">
            <span className="truncate">{names[place] ?? sayEnd(harness, end)}</span>
            <span className="figure">{volts(v)}</span>
          </li>
        );
      })}
    </ul>
  );
}

function Sizes({ found }: { found: WiringFindings }) {
  const { say, harness } = useWiring();
  const units = useDisplayUnits();
  const { proposal, impossible, safe } = found;
  const unread = new Set(found.pumps.flatMap((p) => p.unmeasured));
  const wanting = (harness.wires ?? [])
    .filter((wire) => unread.has(wire.id))
    .map(
      (wire) =>
        `${say(wire.id)}: ${[wire.area === undefined && 'conductor', wire.length === undefined && 'length'].filter(Boolean).join(' and ')}`,
    );
  const what = (c: SizeChange) =>
    c.kind === 'fuse' ? `${say(c.id)}: ${units.show('current', c.amps)}` : `${say(c.id)}: ${c.awg} AWG`;
  const was = (c: SizeChange) =>
    c.was === undefined ? 'open' : c.kind === 'fuse' ? units.show('current', c.was) : sayConductor(c.was);
  return (
    <section aria-label="Sizes">
      <h2 className="border-b border-ink pb-1 text-lg">The cheapest sizes that will do</h2>
      {proposal ? (
        <>
          <table className="w-full text-right text-[0.95rem]">
            <thead className="label">
              <tr className="border-b border-hair">
                <th className="text-left font-normal">step</th>
                <th className="font-normal">instead of</th>
                <th className="font-normal">drop then</th>
                <th className="font-normal">brings</th>
              </tr>
            </thead>
            <tbody className="ruled">
              {proposal.steps.map((s) => (
                <tr key={s.change.id}>
                  <th scope="row" className="text-left font-normal">
                    {what(s.change)}
                  </th>
                  <td className="figure">{was(s.change)}</td>
                  <td className="figure">{volts(s.drop)}</td>
                  <td className="figure">
                    {Math.abs(s.gained) * 3.6e6 < 0.05 ? '–' : units.show('volumeFlow', s.gained)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1">
            Together {volts(proposal.dropBefore)} become <b className="figure">{volts(proposal.dropAfter)}</b> and the
            pumps bring <b className="figure">{units.show('volumeFlow', proposal.gained)}</b> more at the pressure they
            work against.
          </p>
          <ActButton
            className="button button-ink mt-1"
            act={{
              act: 'setAll',
              title: 'use the sizes that will do',
              changes: sizeFields(proposal.steps.map((s) => s.change)),
            }}
          >
            Use them
          </ActButton>
        </>
      ) : impossible ? (
        <p>{sayImpossible(impossible, say, volts(mostDropOf(harness)))}</p>
      ) : safe?.ok &&
        safe.changes.length === 0 &&
        found.pumps.every((p) => p.unmeasured.length === 0) &&
        found.pumps.length > 0 ? (
        <p>
          What stands will do: every wire carries what its fuse passes, and no pump loses more than{' '}
          {volts(mostDropOf(harness))}.
        </p>
      ) : (
        <p className="text-ink-soft">
          <Claim>
            They follow once the run is solved and every wire on a pump’s way has its length and its conductor.{' '}
            {wanting.length > 0 && `Still wanted: ${wanting.join('; ')}.`}
          </Claim>
        </p>
      )}
      <p className="label mt-1">
        By copper: fuse at least 1.25 times the highest current, wire for what its fuse passes where it lies, supply and
        earth together within the limit. What stands is kept where it will do.
      </p>
    </section>
  );
}

function sayImpossible(
  found: NonNullable<WiringFindings['impossible']>,
  say: (id: string) => string,
  limit: string,
): string {
  switch (found.why) {
    case 'fuse':
      return `No blade fuse is large enough for ${say(found.id)}: split the pumps onto relays and fuses of their own.`;
    case 'wire':
      return `No wire of the table carries what ${say(found.id)} has to where it lies: a cooler way, a smaller bundle, or two conductors.`;
    case 'contacts':
      return `Fuse, relay, connectors and earth alone take more than ${limit}: clean or change them, or double the pins, then measure again.`;
    case 'drop':
      return `Even the thickest wire of the table leaves more than ${limit}: a relay nearer the pump, two conductors side by side, or contacts that take less.`;
  }
}

function Carried({ found, view }: { found: WiringFindings; view: JobView }) {
  const { harness, say } = useWiring();
  const units = useDisplayUnits();
  return (
    <section aria-label="What every wire carries">
      <h2 className="border-b border-ink pb-1 text-lg">What every wire carries</h2>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[36rem] text-right text-[0.95rem]">
          <thead className="label">
            <tr className="border-b border-hair">
              <th className="text-left font-normal">wire</th>
              <th className="font-normal">conductor</th>
              <th className="font-normal">at most</th>
              <th className="font-normal">its fuse</th>
              <th className="font-normal">may carry there</th>
              <th className="text-left pl-4 font-normal">so it</th>
            </tr>
          </thead>
          <tbody className="ruled">
            {found.wires.map((w) => {
              const wire = harness.wires?.find((x) => x.id === w.wire);
              const isOver = w.carries !== undefined && Math.max(w.amps, w.fuse ?? 0) > w.carries * (1 + 1e-9);
              return (
                <tr key={w.wire} className={isOver ? 'text-stop' : ''}>
                  <th scope="row" className="text-left font-normal">
                    <button
                      className="min-h-[24px] text-left underline decoration-hair underline-offset-2"
                      onClick={() => view.goToField('wiring', ['wiring', 'wires', w.wire, 'area'])}
                    >
                      {say(w.wire)}
                    </button>
                  </th>
                  <td className="figure">{wire?.area ? sayConductor(wire.area.si) : '–'}</td>
                  <td className="figure">{w.amps > 0.005 ? units.show('current', w.amps) : '–'}</td>
                  <td className="figure">
                    {w.fuse !== undefined
                      ? units.show('current', w.fuse)
                      : w.fuses.length > 0
                        ? 'not read'
                        : w.side === 'supply'
                          ? 'none'
                          : '–'}
                  </td>
                  <td className="figure">{w.carries === undefined ? '–' : units.show('current', w.carries)}</td>
                  <td className="pl-4 text-left">
                    {w.carries === undefined ? 'is not known' : isOver ? 'is too thin' : 'will do'}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
