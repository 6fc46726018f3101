import { RadioGroup } from 'radix-ui';
import type { Assessment } from '@endrel/core/assess';
import { partsOnRun } from '@endrel/core/job/graph';
import type { Job } from '@endrel/core/job/job';
import { pointKeysOf, pointName, shortPointName } from '@endrel/core/run/operating-point';
import { resultAt, type PointResult } from '@endrel/core/run/solve-run';
import { figure } from '@endrel/core/units/quantity';
import { memo, type ReactNode } from 'react';
import { capital } from '../../components/capital.ts';
import { Moving } from '../../components/Moving.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

interface ReadingsProps {
  readonly job: Job;
  readonly assessment: Assessment | undefined;
  readonly point: string;
  onPoint(point: string): void;
  onWorking(key: string): void;
}

/** Rail pressure at each operating point, demand and pump margin; each opens its working. */
export function Readings({ job, assessment, point, onPoint, onWorking }: ReadingsProps) {
  const solution = assessment?.findings.solution;
  const demand = assessment?.findings.demand;
  const place = partsOnRun(job).some((p) => p.kind === 'carburettor') ? 'Carburettor' : 'Rail';
  const waiting = waitingFor(assessment);
  return (
    <div className="relative flex items-stretch overflow-x-auto border-b border-hair">
      <RadioGroup.Root aria-label="Operating point" className="flex shrink-0" value={point} onValueChange={onPoint}>
        {pointKeysOf(job).map((key) => (
          <div
            key={key}
            className={`min-w-[6.7rem] border-r border-hair px-2.5 pt-1 pb-0.5 ${point === key ? 'bg-lit shadow-[inset_0_-3px_0_var(--ink)]' : ''}`}
          >
            <PointChoice
              point={key}
              name={pointName(job, key)}
              short={key === 'idle' ? `${place} at idle` : shortPointName(job, key)}
            />
            <Reading
              onOpen={solution && (() => onWorking(`railPressure:${key}`))}
              label={`Working of the pressure at ${shortPointName(job, key)}`}
            >
              {solution ? <Moving figure={figure('pressure', resultAt(solution, key).railPressure)} /> : '–'}
            </Reading>
            {solution && <Wanted result={resultAt(solution, key)} />}
          </div>
        ))}
      </RadioGroup.Root>
      <div className="min-w-[6.7rem] shrink-0 border-r border-hair px-2.5 pt-1">
        <span className="label block">Demand, full load</span>
        <Reading onOpen={demand && (() => onWorking('demand'))} label="Working of the demand">
          {demand ? <Moving figure={figure('volumeFlow', demand.volumeFlow)} /> : '–'}
        </Reading>
      </div>
      <div className="min-w-[6.7rem] shrink-0 border-r border-hair px-2.5 pt-1">
        <span className="label block">Pump margin</span>
        <Reading onOpen={solution?.margin && (() => onWorking('pumpMargin'))} label="Working of the pump margin">
          {solution?.margin ? <Moving figure={figure('fraction', solution.margin.margin)} /> : '–'}
        </Reading>
      </div>
      {waiting && <p className="min-w-48 max-w-80 self-center px-3 text-[0.88rem] leading-tight text-fix">{waiting}</p>}
    </div>
  );
}

/** Drawn again only under another name: figures move at every edit, points do not. */
const PointChoice = memo(function PointChoice({ point, name, short }: { point: string; name: string; short: string }) {
  return (
    <RadioGroup.Item
      value={point}
      className="label block w-full text-left"
      aria-label={`${capital(name)}: show on the run`}
    >
      {capital(short)}
    </RadioGroup.Item>
  );
});

function Reading({
  children,
  onOpen,
  label,
}: {
  children: ReactNode;
  onOpen: (() => void) | undefined;
  label: string;
}) {
  return (
    <button
      className="figure block text-left text-[1.45rem] leading-tight whitespace-nowrap decoration-1 underline-offset-4 hover:underline disabled:no-underline disabled:opacity-100"
      disabled={!onOpen}
      onClick={onOpen}
      title={onOpen && 'Show the working'}
    >
      {children}
      <span className="sr-only">. {label}</span>
    </button>
  );
}

/** What the rail ought to have at this point; said strongly when it has not. */
function Wanted({ result }: { result: PointResult }) {
  const units = useDisplayUnits();
  const { wanted } = result;
  if (wanted === undefined) return null;
  const off = Math.abs(result.railPressure - wanted) > TOLERABLE * wanted;
  return (
    <p className={`text-[0.8rem] leading-tight ${off ? 'font-semibold text-fix' : 'text-ink-soft'}`}>
      wants {units.show('pressure', wanted)}
    </p>
  );
}

const TOLERABLE = 0.05; // of the wanted pressure, as in the rules

function waitingFor(assessment: Assessment | undefined): string | undefined {
  if (!assessment || assessment.findings.solution) return undefined;
  const blocking = assessment.findings.needs.filter((n) => n.blocksSolution);
  if (blocking.length > 0)
    return `Pressures need ${blocking[0]!.title}${blocking.length > 1 ? ` and ${blocking.length - 1} more` : ''}.`;
  return assessment.findings.faults.length > 0 && assessment.findings.faults[0]!.code !== 'emptyRun'
    ? 'No pressures: see the first snag.'
    : undefined;
}
