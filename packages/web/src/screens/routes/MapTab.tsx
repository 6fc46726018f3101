import { AsTable } from '../../components/AsTable.tsx';
import { PlaceSheet } from './PlaceSheets.tsx';
import { Suspense, useCallback, useState } from 'react';
import { routesProperties, VENT } from '@endrel/core/job/routes';
import { lineName } from '@endrel/core/routes/lines';
import { circuitsOf } from '@endrel/core/run/circuits';
import { DrawingBoundary } from '../../components/DrawingBoundary.tsx';
import { loadable } from '../../components/loadable.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { elevations, RouteElevation, type Elevation } from '../../drawing/routes/RouteElevation.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { PointsPanel } from './PointsPanel.tsx';
import { PortsPanel } from './PortsPanel.tsx';
import { ZonesPanel } from './ZonesPanel.tsx';
import type { JobView } from '../job/use-job-view.ts';

const RouteSolid = loadable(() => import('../../drawing/routes/RouteSolid.tsx').then((m) => m.RouteSolid));

type View = Elevation | 'solid';
const views: Readonly<Record<View, string>> = { plan: 'Plan', side: 'Side', rear: 'Rear', solid: 'In the round' };

/** Where everything is: views of the vehicle, and the points, ports and zones that they are drawn from. */
export function MapTab({ view }: { view: JobView }) {
  const job = useJob();
  const routes = useAssessment()?.findings.routes;
  const [seen, setSeen] = useState<View>('plan');
  const circuitOf = useCallback(
    (line: string) => (line === VENT ? 'vent' : circuitsOf(job).lineOf(line) === 'supply' ? 'supply' : 'return'),
    [job],
  );
  if (!routes) return <p className="text-ink-soft">Reckoning …</p>;
  const drawing = { routes, chosen: view.part, circuitOf, onChoose: view.choosePart };
  return (
    <div className="space-y-4">
      <div className="min-w-0">
        <div className="mb-1 flex flex-wrap gap-1" role="group" aria-label="Seen from">
          {(Object.keys(views) as View[]).map((key) => (
            <button
              key={key}
              className={`button ${seen === key ? 'button-ink' : ''}`}
              aria-pressed={seen === key}
              onClick={() => setSeen(key)}
            >
              {views[key]}
            </button>
          ))}
        </div>
        <DrawingBoundary fallback="This browser cannot draw in the round: the three views beside it show the same.">
          <Suspense fallback={<p className="h-[24rem] text-ink-soft">Drawing …</p>}>
            {seen in elevations ? (
              <RouteElevation {...drawing} nameOf={(line) => lineName(job, line)} view={seen as Elevation} />
            ) : (
              <RouteSolid {...drawing} />
            )}
          </Suspense>
        </DrawingBoundary>
      </div>
      <AsTable title="Type points and zones in as a table">
        <PlaceSheet of="points" />
        <PlaceSheet of="zones" />
      </AsTable>
      <div className="grid gap-x-8 gap-y-4 xl:grid-cols-2">
        <div className="min-w-0 space-y-4">
          <PropertyGrid
            properties={routesProperties}
            path={['routes']}
            values={job.routes ?? {}}
            columns="sm:grid-cols-[2fr_1fr]"
          />
          <PortsPanel routes={routes} />
          <PointsPanel routes={routes} />
        </div>
        <div className="min-w-0">
          <ZonesPanel routes={routes} />
        </div>
      </div>
    </div>
  );
}
