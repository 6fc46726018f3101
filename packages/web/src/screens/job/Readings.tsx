import { kindOf } from '@endrel/core/parts/kinds';
import { needTitle } from '@endrel/core/reckoning/need-title';
import { ChevronDown } from 'lucide-react';
import { RadioGroup } from 'radix-ui';
import type { Assessment } from '@endrel/core/assessment/assess';
import { partsOnRun } from '@endrel/core/parts/graph';
import type { Job } from '@endrel/core/job/job';
import { pointKeysOf, pointName, shortPointName } from '@endrel/core/run/operating-point';
import { type PointResult } from '@endrel/core/run/point-result';
import { resultAt } from '@endrel/core/run/solve-run';
import { figure } from '@endrel/core/units/quantity';
import { memo, type ReactNode } from 'react';
import { capital } from '@endrel/core/units/capital';
import { Moving } from '../../components/Moving.tsx';
import { useReckoning } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

interface ReadingsProps {
  readonly job: Job;
  readonly assessment: Assessment | undefined;
  readonly point: string;
  /** There is room for all points beside one another; else the others open from the chosen one. */
  readonly isWide: boolean;
  onPoint(point: string): void;
  onWorking(key: string): void;
}

/** The operating point and what the run has there and wants; each figure opens its working. */
export function Readings(props: ReadingsProps) {
  const { assessment, isWide, onWorking } = props;
  const solution = assessment?.findings.solution;
  const demand = assessment?.findings.demand;
  const waiting = waitingFor(assessment);
  return (
    <div className={`flex min-w-0 items-stretch max-sm:flex-wrap ${isWide ? 'flex-1' : ''}`}>
      {isWide ? <PointsInARow {...props} /> : <PointChooser {...props} />}
      {waiting ? (
        <p className="min-w-40 max-w-72 self-center px-3 text-[0.85rem] leading-tight text-fix">{waiting}</p>
      ) : (
        <>
          <Cell label="Demand, full load">
            <Reading onOpen={demand && (() => onWorking('demand'))} label="Working of the demand">
              {demand ? <Moving figure={figure('volumeFlow', demand.volumeFlow)} /> : <NoFigure />}
            </Reading>
          </Cell>
          <Cell label="Pump margin">
            <Reading onOpen={solution?.margin && (() => onWorking('pumpMargin'))} label="Working of the pump margin">
              {solution?.margin ? <Moving figure={figure('fraction', solution.margin.margin)} /> : <NoFigure />}
            </Reading>
          </Cell>
        </>
      )}
    </div>
  );
}

const nameOf = (job: Job, key: string): string =>
  key === 'idle'
    ? `${partsOnRun(job).some((p) => kindOf(p).meters === 'float') ? 'Carburettor' : 'Rail'} at idle`
    : capital(shortPointName(job, key));

function Cell({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="shrink-0 border-r border-hair px-1.5 py-0.5 xl:px-2">
      <span className="label block text-[0.76rem]! whitespace-nowrap">{label}</span>
      {children}
    </div>
  );
}

/** All points beside one another. */
function PointsInARow({ job, assessment, point, onPoint, onWorking }: ReadingsProps) {
  return (
    <RadioGroup.Root
      aria-label="Operating point"
      className="relative flex min-w-0 flex-1 overflow-x-auto"
      value={point}
      onValueChange={onPoint}
    >
      {pointKeysOf(job).map((key) => (
        <div
          key={key}
          className={`min-w-[5.4rem] flex-1 border-r border-hair px-1.5 py-0.5 xl:px-2 ${point === key ? 'bg-lit shadow-[inset_0_-3px_0_var(--ink)]' : ''}`}
        >
          <PointChoice point={key} name={pointName(job, key)} short={nameOf(job, key)} />
          <Pressure {...{ job, assessment, onWorking }} point={key} />
        </div>
      ))}
    </RadioGroup.Root>
  );
}

/** The chosen point alone; the others are in its list, each with what it has and wants. */
function PointChooser({ job, assessment, point, onPoint, onWorking }: ReadingsProps) {
  const units = useDisplayUnits();
  const solution = assessment?.findings.solution;
  const words = (key: string) => {
    if (!solution) return nameOf(job, key);
    const { railPressure, wanted } = resultAt(solution, key);
    const wants = wanted === undefined ? '' : `, wants ${units.show('pressure', wanted)}`;
    return `${nameOf(job, key)}: ${units.show('pressure', railPressure)}${wants}`;
  };
  return (
    <div className="min-w-40 shrink-0 border-r border-hair bg-lit px-2.5 py-0.5">
      <div className="label relative flex items-center gap-1 text-[0.76rem]! whitespace-nowrap has-focus-visible:outline-3 has-focus-visible:outline-[var(--focus)] max-sm:min-h-11">
        <span aria-hidden>{nameOf(job, point)}</span>
        <ChevronDown size={13} aria-hidden />
        {/* the list itself says more than the name that stands here */}
        <select
          aria-label="Operating point"
          className="absolute inset-0 w-full appearance-none bg-sheet text-ink opacity-0"
          value={point}
          onChange={(e) => onPoint(e.target.value)}
        >
          {pointKeysOf(job).map((key) => (
            <option key={key} value={key}>
              {words(key)}
            </option>
          ))}
        </select>
      </div>
      <Pressure {...{ job, assessment, point, onWorking }} />
    </div>
  );
}

function Pressure({ job, assessment, point, onWorking }: Omit<ReadingsProps, 'isWide' | 'onPoint'>) {
  const solution = assessment?.findings.solution;
  const result = solution && resultAt(solution, point);
  return (
    <div className="flex flex-wrap items-baseline gap-x-1.5">
      <Reading
        onOpen={result && (() => onWorking(`railPressure:${point}`))}
        label={`Working of the pressure at ${shortPointName(job, point)}`}
      >
        {result ? <Moving figure={figure('pressure', result.railPressure)} /> : <NoFigure />}
      </Reading>
      {result && <Wanted result={result} />}
    </div>
  );
}

/** A dash is a finding: while nothing is found yet, three dots stand there. */
function NoFigure() {
  const { state } = useReckoning();
  if (state === 'judged' || state === 'kept') return '–';
  return (
    <span className="font-normal text-ink-soft">
      <span aria-hidden>…</span>
      <span className="sr-only">{state === 'failed' ? 'not reckoned' : 'being reckoned'}</span>
    </span>
  );
}

/** Drawn again only under another name: figures move at every edit, points do not. */
const PointChoice = memo(function PointChoice({ point, name, short }: { point: string; name: string; short: string }) {
  return (
    <RadioGroup.Item
      value={point}
      className="label block w-full truncate text-left text-[0.76rem]!"
      aria-label={`${capital(name)}: show on the run`}
    >
      {short}
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
      className="figure block text-left text-[1.3rem] leading-tight whitespace-nowrap decoration-1 underline-offset-4 hover:underline disabled:no-underline disabled:opacity-100"
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
    <span className={`text-[0.78rem] whitespace-nowrap ${off ? 'font-semibold text-fix' : 'text-ink-soft'}`}>
      wants {units.show('pressure', wanted).replace(/ \D+$/, '')}
    </span>
  );
}

const TOLERABLE = 0.05; // of the wanted pressure, as in the rules

function waitingFor(assessment: Assessment | undefined): string | undefined {
  if (!assessment || assessment.findings.solution) return undefined;
  const blocking = assessment.findings.needs.filter((n) => n.blocksSolution);
  if (blocking.length > 0)
    return `Pressures need ${needTitle(assessment.findings.job, blocking[0]!)}${blocking.length > 1 ? ` and ${blocking.length - 1} more` : ''}.`;
  return assessment.findings.faults.length > 0 && assessment.findings.faults[0]!.code !== 'emptyRun'
    ? 'No pressures: see the first snag.'
    : undefined;
}
