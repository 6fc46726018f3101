import { X } from 'lucide-react';
import { wayProperties } from '@endrel/core/parts/place';
import type { RoutedLine } from '@endrel/core/routes/lines';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { LineViews } from './LineViews.tsx';
import { Missing } from './Missing.tsx';
import { PlaceFields } from './PlaceFields.tsx';
import { Through } from './Through.tsx';

const PATH = ['routes', 'vent'] as const;

/** The vent from the tank's top to the open air: it rises to one high place, and falls from there. */
export function VentBench({ line }: { line: RoutedLine }) {
  const job = useJob();
  const act = useAct();
  const units = useDisplayUnits();
  const vent = job.routes?.vent ?? {};
  const floor = job.routes?.tankFloor?.si;
  const heights = line.centre?.points.map((p) => p[2] - (floor ?? 0)) ?? [];
  const lows = line.turns?.filter((t) => t.kind === 'low') ?? [];
  return (
    <article aria-label="Vent">
      <h2 className="border-b border-ink pb-1 text-lg">Vent</h2>
      <Missing line={line} />
      <div className="grid gap-x-8 gap-y-3 xl:grid-cols-2">
        <div className="min-w-0">
          <LineViews line={line} />
          {heights.length > 0 && (
            <p className="mt-2">
              Highest {units.tape(Math.max(...heights))}, ends at {units.tape(heights.at(-1)!)} above{' '}
              {floor === undefined ? 'the datum' : 'the tank floor'}; {units.tape(line.length ?? 0)} long.{' '}
              {lows.length === 0
                ? 'No low place holds fuel.'
                : `A low place ${units.tape(lows[0]!.along)} along it would hold fuel.`}
            </p>
          )}
        </div>
        <div className="min-w-0">
          <h3 className="font-semibold">At the tank</h3>
          <PlaceFields path={[...PATH, 'start']} place={vent.start} />
          <PropertyGrid
            properties={wayProperties}
            path={[...PATH, 'start']}
            values={vent.start ?? {}}
            columns="sm:grid-cols-2"
          />
          <h3 className="mt-2 font-semibold">Where it ends</h3>
          <PlaceFields path={[...PATH, 'finish']} place={vent.finish} />
          <button className="quiet mt-2" onClick={() => act({ act: 'set', path: [...PATH] })}>
            <X size={14} className="mr-1 inline" aria-hidden />
            Take the vent’s route out
          </button>
        </div>
      </div>
      <Through
        path={[...PATH, 'through']}
        rows={vent.through ?? []}
        what="Straight from the tank to its end: it wants a high place above the filler neck."
      />
    </article>
  );
}
