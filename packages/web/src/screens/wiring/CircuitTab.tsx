import { Plus } from 'lucide-react';
import { useState } from 'react';
import { freshRowId } from '@endrel/core/harness/fresh-row';
import { deviceKinds, type DeviceKind } from '@endrel/core/harness/devices/index';
import { wiresOf } from '@endrel/core/harness/in-circuit';
import { SelectField } from '../../components/PropertyField.tsx';
import { Caution } from '../../components/Caution.tsx';
import { CircuitDiagram } from '../../drawing/wiring/CircuitDiagram.tsx';
import { useLaidCircuit } from '../../drawing/wiring/use-laid-circuit.ts';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { DeviceBench } from './DeviceBench.tsx';
import { Templates } from './Templates.tsx';
import { useWiring } from './use-wiring.ts';
import { WireBench } from './WireBench.tsx';

type Grade = 'stop' | 'fix' | 'note';

/** The circuit drawn; what is chosen in it lies on the bench below. */
export function CircuitTab({ view }: { view: JobView }) {
  const { harness } = useWiring();
  const isDrawn = (harness.devices ?? []).length > 0;
  return (
    <>
      {isDrawn && <Drawn view={view} />}
      <Templates key={String(isDrawn)} isOpen={!isDrawn} />
      <Caution>
        Battery off and away from its posts before a wire is touched, and never a live wire near an open tank. If
        crimping, relays or the vehicle’s own harness are unfamiliar, hand this part of the job to an auto electrician.
      </Caution>
    </>
  );
}

function Drawn({ view }: { view: JobView }) {
  const job = useJob();
  const { harness, found, say } = useWiring();
  const snags = useAssessment()?.snags ?? [];
  const laid = useLaidCircuit(harness);
  const marked = new Map<string, Grade>();
  for (const { path, grade } of [...snags].reverse())
    if (path?.[0] === 'wiring' && path[2] !== undefined) marked.set(String(path[2]), grade);
  // a pump that was chosen elsewhere is the one that hangs in the circuit
  const ofPump = harness.devices?.find((d) => d.kind === 'pumpLoad' && d.part === view.part)?.id;
  const chosen = ofPump ?? view.part;
  const wire = harness.wires?.find((w) => w.id === chosen);
  const device = harness.devices?.find((d) => d.id === chosen);
  const joined = new Set(wiresOf(harness).map((w) => w.id));
  const loose = (harness.wires ?? []).filter((w) => !joined.has(w.id));
  const out = (harness.devices ?? []).filter((d) => d.stands === 'out');
  return (
    <>
      {laid.kind === 'laid' && (
        <CircuitDiagram diagram={laid.diagram} chosen={chosen} say={say} marked={marked} onChoose={view.choosePart} />
      )}
      {laid.kind === 'laying' && <p className="border border-hair bg-sheet p-6 text-ink-soft">Drawing the circuit …</p>}
      {laid.kind === 'failed' && (
        <p role="alert" className="text-stop">
          The circuit cannot be drawn: {laid.message}. Its lists and figures stand.
        </p>
      )}
      <div className="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-[1.6fr_1fr]">
        <div className="min-w-0">
          {wire && <WireBench key={wire.id} wire={wire} onGone={() => view.choosePart(undefined)} />}
          {device && <DeviceBench key={device.id} device={device} onGone={() => view.choosePart(undefined)} />}
          {!wire && !device && (
            <p className="text-ink-soft">
              Choose a wire or a device in the drawing to see what it carries and to change it.
            </p>
          )}
        </div>
        <div className="min-w-0 space-y-3">
          <AddDevice onAdded={view.choosePart} />
          <AddWire onAdded={view.choosePart} />
          {loose.length + out.length > 0 && (
            <section aria-label="Not in the circuit">
              <h2 className="border-b border-hair text-base font-semibold">Not in the circuit</h2>
              <ul className="ruled">
                {[...loose, ...out].map(({ id }) => (
                  <li key={id}>
                    <button
                      className="min-h-[26px] text-left underline decoration-hair underline-offset-2"
                      onClick={() => view.choosePart(id)}
                    >
                      {say(id)}
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {found?.fault === undefined && found && found.pumps.some((p) => p.unmeasured.length > 0) && (
            <p className="label">
              Wires on a pump’s way without gauge or length: until they are measured, its voltage is taken for that of
              the system{job.brief.power ? '' : ', and there is no flow yet'}.
            </p>
          )}
        </div>
      </div>
    </>
  );
}

const kindNames = Object.fromEntries(Object.entries(deviceKinds).map(([key, kind]) => [key, kind.name]));

function AddDevice({ onAdded }: { onAdded(id: string): void }) {
  const job = useJob();
  const act = useAct();
  const [kind, setKind] = useState<DeviceKind>();
  return (
    <div className="flex items-end gap-2">
      <div className="flex-1">
        <SelectField
          label="another device"
          options={kindNames}
          value={kind}
          onChange={(k) => setKind(k as DeviceKind | undefined)}
        />
      </div>
      <button
        className="button mb-1"
        aria-disabled={kind === undefined}
        onClick={() => {
          if (!kind) return;
          const id = freshRowId(job.wiring?.devices ?? [], kind);
          act({ act: 'addRow', path: ['wiring', 'devices'], row: { id, kind } });
          setKind(undefined);
          onAdded(id);
        }}
      >
        <Plus size={14} className="mr-1 inline" aria-hidden />
        Put it in
      </button>
    </div>
  );
}

function AddWire({ onAdded }: { onAdded(id: string): void }) {
  const job = useJob();
  const act = useAct();
  return (
    <button
      className="button"
      onClick={() => {
        const id = freshRowId(job.wiring?.wires ?? [], 'wire');
        act({ act: 'addRow', path: ['wiring', 'wires'], row: { id } });
        onAdded(id);
      }}
    >
      <Plus size={14} className="mr-1 inline" aria-hidden />
      Add a wire
    </button>
  );
}
