import { degrees } from '@endrel/core/units/quick';
import { wayProperties } from '@endrel/core/parts/place';
import { setOnPort } from '@endrel/core/acts/set-on-port';
import type { PortRef } from '@endrel/core/parts/port';
import { portTitle } from '@endrel/core/parts/kinds';
import { placeProperties, type PortPlace } from '@endrel/core/parts/place';
import type { Property } from '@endrel/core/fields/property';
import { linePorts } from '@endrel/core/routes/line-ports';
import type { RouteFindings } from '@endrel/core/routes/route-findings';
import { PropertyField } from '../../components/PropertyField.tsx';
import { useAct, useJob, useSession } from '../../session/session-context.tsx';
import { useFromProperty } from './PlaceFields.tsx';

/** The ways that most ports point. */
const ways: readonly { readonly name: string; readonly heading?: number; readonly tilt?: number }[] = [
  { name: 'rearward', heading: 0 },
  { name: 'forward', heading: 180 },
  { name: 'left', heading: 90 },
  { name: 'right', heading: -90 },
  { name: 'up', tilt: 90 },
  { name: 'down', tilt: -90 },
];

/** Every port that a line begins or ends at: where its seat is and which way it points. */
export function PortsPanel({ routes }: { routes: RouteFindings }) {
  const job = useJob();
  const ports = linePorts(job);
  const isPlaced = (ref: PortRef) =>
    !routes.lines.some((l) =>
      l.missing.some((m) => m.of === 'mouth' && m.fault.part === ref.part && m.fault.port === ref.port),
    );
  const open = ports.filter((ref) => !isPlaced(ref)).length;
  return (
    <section aria-label="Ports">
      <h2 className="border-b border-ink pb-1 text-lg">
        Where lines begin and end <span className="label">{open === 0 ? 'all placed' : `${open} to measure`}</span>
      </h2>
      {ports.length === 0 && <p className="text-ink-soft">The run has no line outside the tank yet.</p>}
      <ul className="ruled">
        {ports.map((ref) => (
          <PortItem key={`${ref.part} ${ref.port}`} at={ref} isPlaced={isPlaced(ref)} />
        ))}
      </ul>
    </section>
  );
}

function PortItem({ at, isPlaced }: { at: PortRef; isPlaced: boolean }) {
  const job = useJob();
  const session = useSession();
  const act = useAct();
  const part = job.parts[at.part]!;
  const place = part.ports?.[at.port]?.place;
  const from = useFromProperty();
  // looked up when it is set: the fields are drawn apart
  const set = (change: Partial<Record<keyof PortPlace, unknown>>, group?: string) => {
    const now = session.getSnapshot().job;
    const known = now.parts[at.part]?.ports?.[at.port]?.place;
    const next = Object.fromEntries(
      Object.entries({ ...known, ...change }).filter(([, value]) => value !== undefined),
    ) as PortPlace;
    act(setOnPort(now, at, 'place', Object.keys(next).length > 0 ? next : undefined), group);
  };
  const fields: readonly (readonly [keyof PortPlace, Property])[] = [
    ['from', from],
    ...(Object.entries({ ...placeProperties, ...wayProperties }) as [keyof PortPlace, Property][]),
  ];
  const name = portTitle(part, at.port);
  return (
    <li data-place={`${at.part}.${at.port}`}>
      <details>
        <summary className="min-h-[28px] py-1">
          {name}{' '}
          <span className={isPlaced ? 'label' : 'label text-fix'}>{isPlaced ? 'placed' : 'not measured yet'}</span>
        </summary>
        <div className="grid gap-x-3 sm:grid-cols-4">
          {fields.map(([key, property]) => (
            <PropertyField
              key={key}
              property={property}
              path={['parts', at.part, 'ports', at.port, 'place', key]}
              value={place?.[key]}
              brief
              onChange={(value, group) => set({ [key]: value }, group)}
            />
          ))}
        </div>
        <div className="mb-1.5 flex flex-wrap gap-1" role="group" aria-label={`${name} points`}>
          {ways.map(({ name: way, heading, tilt }) => (
            <button
              key={way}
              className="quiet"
              onClick={() =>
                set({
                  heading: heading === undefined ? undefined : { si: degrees(heading), unit: '°' },
                  tilt: tilt === undefined ? undefined : { si: degrees(tilt), unit: '°' },
                })
              }
            >
              {way}
            </button>
          ))}
        </div>
      </details>
    </li>
  );
}
