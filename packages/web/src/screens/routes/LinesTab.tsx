import { cutOf, lineName, type RoutedLine } from '@endrel/core/routes/lines';
import { hoseFaultOf, type RouteFindings } from '@endrel/core/routes/route-findings';
import { VENT } from '@endrel/core/job/routes';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { HoseBench } from './HoseBench.tsx';
import { TubeBench } from './TubeBench.tsx';
import { VentBench } from './VentBench.tsx';

/** Every line of the run with how far it is laid, and the bench of the chosen one. */
export function LinesTab({ view }: { view: JobView }) {
  const job = useJob();
  const act = useAct();
  const routes = useAssessment()?.findings.routes;
  if (!routes) return <p className="text-ink-soft">Reckoning …</p>;
  const chosen = routes.lines.find((l) => l.part === view.part) ?? routes.lines[0];
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[15rem_1fr]">
      <nav aria-label="Lines">
        {routes.lines.length === 0 && <p className="text-ink-soft">The run has no line outside the tank yet.</p>}
        <ul className="ruled border-b border-hair">
          {routes.lines.map((line) => (
            <li key={line.part}>
              <button
                className={`block min-h-[44px] w-full px-2 py-1 text-left ${line === chosen ? 'bg-lit font-semibold' : 'hover:bg-lit'}`}
                aria-current={line === chosen}
                onClick={() => view.choosePart(line.part)}
              >
                {lineName(job, line.part)}
                <StateOf line={line} routes={routes} />
              </button>
            </li>
          ))}
        </ul>
        {job.routes?.vent === undefined && (
          <button className="button mt-2" onClick={() => act({ act: 'set', path: ['routes', VENT], value: {} })}>
            Route the vent too
          </button>
        )}
      </nav>
      <div className="min-w-0">
        {chosen?.kind === 'hose' && <HoseBench key={chosen.part} line={chosen} view={view} />}
        {chosen?.kind === 'hardLine' && <TubeBench key={chosen.part} line={chosen} view={view} />}
        {chosen?.kind === 'vent' && <VentBench line={chosen} />}
      </div>
    </div>
  );
}

/** How far a line is, in a word or two under its name. */
function StateOf({ line, routes }: { line: RoutedLine; routes: RouteFindings }) {
  const units = useDisplayUnits();
  const bad = routes.clearances.filter((c) => c.line === line.part && c.gap < c.least).length;
  const isWrong = hoseFaultOf(line) !== undefined || line.fault !== undefined || bad > 0;
  const text = line.missing.some((m) => m.of !== 'length')
    ? 'not placed yet'
    : line.length === undefined
      ? 'no length yet'
      : `${units.tape(line.hose ? cutOf(line.hose) : line.length)}${bad > 0 ? `, ${bad} too near` : isWrong ? ', does not lie well' : ', lies clear'}`;
  return <span className={`label block font-normal ${isWrong ? 'text-stop' : ''}`}>{text}</span>;
}
