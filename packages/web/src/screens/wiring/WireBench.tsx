import { carries, aroundOf } from '@endrel/core/harness/ampacity';
import { deviceName, kindOfDevice } from '@endrel/core/harness/devices/index';
import { wireProperties, type Wire, type WireEnd } from '@endrel/core/harness/harness';
import { ohmsOf } from '@endrel/core/harness/in-circuit';
import { barrels, seals } from '@endrel/core/harness/wire-kinds';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { SelectField } from '../../components/PropertyField.tsx';
import { useAct } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { anchorOf } from '../../components/anchor.ts';
import { Fact, Facts } from './Facts.tsx';
import { useWiring } from './use-wiring.ts';

/** One wire: where it goes, what it is, what it carries, how its ends are made. */
export function WireBench({ wire, onGone }: { wire: Wire; onGone(): void }) {
  const { found, say } = useWiring();
  const units = useDisplayUnits();
  const act = useAct();
  const path: FieldPath = ['wiring', 'wires', wire.id];
  const finding = found?.wires.find((w) => w.wire === wire.id);
  const ends = found?.crimps.filter((c) => c.wire === wire.id) ?? [];
  const carried = carries(wire);
  const ohms = ohmsOf(wire);
  const grid = (only: readonly string[], columns = 'sm:grid-cols-3') => (
    <PropertyGrid properties={wireProperties} path={path} values={wire} only={only} columns={columns} />
  );
  return (
    <section aria-label={say(wire.id)}>
      <div className="flex items-baseline justify-between gap-3 border-b border-ink pb-1">
        <h2 className="text-lg">{say(wire.id)}</h2>
        <button
          className="button"
          onClick={() => {
            act({ act: 'removeRow', path: ['wiring', 'wires'], id: wire.id });
            onGone();
          }}
        >
          Take it out
        </button>
      </div>
      <Facts>
        {finding && finding.amps > 0.005 && <Fact name="carries at most" value={units.show('current', finding.amps)} />}
        {carried !== undefined && (
          <Fact
            name="may carry there"
            value={units.show('current', carried)}
            note={`around it ${units.show('temperature', aroundOf(wire))}`}
          />
        )}{' '}
        {finding?.fuse !== undefined && <Fact name="its fuse passes" value={units.show('current', finding.fuse)} />}
        {finding && finding.fuses.length === 0 && finding.side === 'supply' && (
          <Fact name="its fuse" value="none before it" />
        )}
        {ohms !== undefined && ohms > 0 && (
          <Fact name="resistance, warm" value={`${Number((ohms * 1000).toPrecision(3))} mΩ`} />
        )}
      </Facts>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <EndFields wire={wire} end="from" label="from" />
        <EndFields wire={wire} end="to" label="to" />
      </div>
      {grid(['area', 'length', 'conductors'])}
      {grid(['use', 'lies', 'insulation'])}
      {grid(['temperature', 'bundled', 'shield'])}
      {grid(['stands', 'colour', 'marking'])}
      <details open={ends.some((e) => e.barrel || e.seal)}>
        <summary className="label min-h-[26px] py-1">How its ends are made</summary>
        {grid(['startEnd', 'startBarrel', 'startSeal'])}
        {grid(['finishEnd', 'finishBarrel', 'finishSeal'])}
        {grid(['outside'])}
        <ul className="label">
          {ends.map((e) => (
            <li key={e.end}>
              {e.end === 'start' ? 'Start' : 'End'}: {e.inBarrel === 1 ? 'one conductor' : `${e.inBarrel} conductors`}{' '}
              in a barrel
              {e.copper === undefined ? '' : `, ${units.show('area', e.copper)} of copper`}
              {e.wants ? `: barrel for ${barrels[e.wants].name}` : ''}
              {e.wantsSeal ? `, seal for ${seals[e.wantsSeal].name}` : ''}.
              {e.pullsIn
                ? ' Wire through the shell and its seal first, then crimp: the terminal is pulled in from the front.'
                : ''}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

/** Where one end is joined on: the device, then its terminal. */
function EndFields({ wire, end, label }: { wire: Wire; end: 'from' | 'to'; label: string }) {
  const { harness } = useWiring();
  const act = useAct();
  const path: FieldPath = ['wiring', 'wires', wire.id, end];
  const at = wire[end];
  const device = harness.devices?.find((d) => d.id === at?.device);
  const terminals = device ? kindOfDevice(device).terminals(device) : {};
  const set = (value: WireEnd | undefined) => act({ act: 'set', path: [...path], ...(value ? { value } : {}) });
  const devices = Object.fromEntries((harness.devices ?? []).map((d) => [d.id, deviceName(d)]));
  return (
    <div className="grid grid-cols-2 gap-x-3" id={anchorOf(path)}>
      <SelectField
        label={label}
        options={devices}
        value={at?.device}
        onChange={(id) => {
          const chosen = harness.devices?.find((d) => d.id === id);
          const [terminal] = chosen ? Object.keys(kindOfDevice(chosen).terminals(chosen)) : [];
          set(chosen && terminal !== undefined ? { device: chosen.id, terminal } : undefined);
        }}
      />
      <SelectField
        label={`${label}: terminal`}
        options={Object.fromEntries(
          Object.entries(terminals).map(([key, t]) => [key, t.din ? `${t.din}, ${t.name}` : t.name]),
        )}
        value={at?.terminal}
        onChange={(terminal) => at && set(terminal === undefined ? undefined : { device: at.device, terminal })}
      />
    </div>
  );
}
