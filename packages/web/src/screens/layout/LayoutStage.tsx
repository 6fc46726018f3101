import { needTitle } from '@endrel/core/reckoning/need-title';
import { partsAside } from '@endrel/core/parts/graph';
import { useState, type ReactNode } from 'react';
import { partName } from '@endrel/core/parts/kinds';
import { layouts, type LayoutKey } from '@endrel/core/job/layout';
import { recommend, type LaidOut } from '@endrel/core/layouts/compare-layouts';
import type { Snag } from '@endrel/core/checks/snag';
import { miniRun } from '@endrel/core/contract/summary';
import { TextField } from '../../components/PropertyField.tsx';
import { useLayoutComparison } from '../../calc/use-layout-comparison.ts';
import { GradeMark } from '../../drawing/GradeMark.tsx';
import { MiniRun } from '../../drawing/run/MiniRun.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Bar, PressureDots, type Range } from './PressureDots.tsx';

const allKeys = Object.keys(layouts) as LayoutKey[];

/** Schools of layout side by side on the same axes, each solved with the parts that the job has. */
export function LayoutStage() {
  const job = useJob();
  const suits = (key: LayoutKey) => job.brief.induction === undefined || layouts[key].engine === job.brief.induction;
  const [picked, setPicked] = useState<readonly LayoutKey[]>();
  const keys = allKeys.filter((key) =>
    (picked ?? allKeys.filter((k) => suits(k) || job.layout.key === k)).includes(key),
  );
  const comparison = useLayoutComparison(job, keys);
  const laid = keys.flatMap((key) => comparison[key] ?? []);
  const recommended = laid.length === keys.length ? recommend(laid.filter((l) => suits(l.key))) : undefined;
  return (
    <>
      <Picking keys={keys} suits={suits} onPick={setPicked} />
      <Recommended recommended={recommended} />
      <Comparison keys={keys} laid={laid} suits={suits} recommended={recommended?.key} />
      <Reasons recommended={recommended} />
    </>
  );
}

interface PickingProps {
  readonly keys: readonly LayoutKey[];
  suits(key: LayoutKey): boolean;
  onPick(keys: readonly LayoutKey[]): void;
}

function Picking({ keys, suits, onPick }: PickingProps) {
  return (
    <fieldset className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend className="sr-only">Layouts to compare</legend>
      <span className="label">Compare</span>
      {allKeys.map((key) => (
        <label key={key} className={`flex min-h-[24px] items-center gap-1.5 ${suits(key) ? '' : 'text-ink-soft'}`}>
          <input
            type="checkbox"
            className="h-4 w-4 accent-[var(--ink)]"
            checked={keys.includes(key)}
            disabled={keys.length === 1 && keys.includes(key)}
            onChange={(e) => onPick(e.target.checked ? [...keys, key] : keys.filter((k) => k !== key))}
          />
          {layouts[key].name}
        </label>
      ))}
    </fieldset>
  );
}

interface ComparisonProps {
  readonly keys: readonly LayoutKey[];
  /** Those that are solved by now. */
  readonly laid: readonly LaidOut[];
  suits(key: LayoutKey): boolean;
  readonly recommended: LayoutKey | undefined;
}

function Comparison({ keys, laid, suits, recommended }: ComparisonProps) {
  const job = useJob();
  return (
    <div className="overflow-x-auto">
      <table className="w-full table-fixed border-collapse" style={{ minWidth: `${7 + 9 * keys.length}rem` }}>
        <caption className="sr-only">Layouts compared</caption>
        <thead>
          <tr className="border-b border-ink">
            <td className="w-26" />
            {keys.map((key) => (
              <th
                key={key}
                scope="col"
                className={`px-2 pb-2 text-left align-top ${job.layout.key === key ? 'bg-lit' : ''}`}
              >
                <h2 className="text-lg leading-tight">{layouts[key].name}</h2>
                <p className="text-[0.85rem] font-normal text-ink-soft">{layouts[key].path}</p>
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          <tr>
            <td />
            {keys.map((key) => (
              <td key={key} className={`px-2 py-1.5 ${job.layout.key === key ? 'bg-lit' : ''}`}>
                <Choice
                  layout={key}
                  suits={suits(key)}
                  isRecommended={recommended === key}
                  cannot={cannotOf(laid, key)}
                />
              </td>
            ))}
          </tr>
          <ComparedRows keys={keys} laid={laid} />
        </tbody>
      </table>
    </div>
  );
}

/** One row for each thing that schools are compared by, bars on the same axis. */
function ComparedRows({ keys, laid }: Pick<ComparisonProps, 'keys' | 'laid'>) {
  const job = useJob();
  const units = useDisplayUnits();
  const range = rangeOf(laid);
  const most = (value: (l: LaidOut) => number | undefined) => Math.max(1e-9, ...laid.map((l) => value(l) ?? 0));
  const coolest = Math.min(...laid.map((l) => l.tankAfterDrive ?? Infinity));
  const hottest = most((l) => l.tankAfterDrive);
  const row = (name: ReactNode, cell: (laid: LaidOut) => ReactNode) => (
    <ComparedRow name={name} keys={keys} laid={laid} cell={cell} />
  );
  return (
    <>
      {row('The run', (l) => (
        <MiniRun run={miniRun(l.assessment)} />
      ))}
      {row(
        <>
          {job.brief.induction === 'carburettor' ? 'What the carburettor gets' : 'What the injectors see'}
          <span className="block text-[0.8rem]">dot: has; ring: wants. idle, cruise, full, hot, overrun, restart</span>
          {range && (
            <span className="figure block text-[0.8rem]">
              {units.show('pressure', range[0])} to {units.show('pressure', range[1])}
            </span>
          )}
        </>,
        (l) => (range ? <PressureDots laid={l} range={range} /> : '–'),
      )}
      {row(job.brief.induction === 'carburettor' ? 'Carburettor at full load' : 'Rail at full load', (l) => (
        <RailAtFullLoad laid={l} />
      ))}
      {row('Largest miss of it', (l) =>
        l.error === undefined ? (
          '–'
        ) : (
          <Bar text={units.show('fraction', l.error)} share={l.error / most((x) => x.error)} />
        ),
      )}
      {row('Suction margin, worst', (l) =>
        l.suctionMargin === undefined ? (
          '–'
        ) : (
          <Bar text={units.show('head', l.suctionMargin)} share={l.suctionMargin / most((x) => x.suctionMargin)} />
        ),
      )}
      {row('Pump margin', ({ assessment: { findings } }) => (
        <span className="figure text-lg">
          {findings.solution?.margin ? units.show('fraction', findings.solution.margin.margin) : '–'}
        </span>
      ))}
      {row('Tank after the drive', (l) =>
        l.tankAfterDrive === undefined ? (
          '–'
        ) : (
          <Bar
            text={units.show('temperature', l.tankAfterDrive)}
            share={(l.tankAfterDrive - coolest + 4) / (hottest - coolest + 4)}
          />
        ),
      )}
      {row('Line and joints', (l) => (
        <>
          <Bar text={units.showLine(l.line)} share={l.line / most((x) => x.line)} />
          <span className="figure">{units.showLine(l.hose)}</span> of it hose,{' '}
          <span className="figure">{l.joints}</span> joints
        </>
      ))}
      {row('To buy', (l) => (l.toBuy.length === 0 ? 'nothing new' : l.toBuy.join(', ')))}
      {row('Set aside', (l) => (l.setAside.length === 0 ? 'nothing' : l.setAside.join(', ')))}
      {row('Reversible', (l) =>
        l.newOpening ? 'not wholly: needs a new opening in the tank' : 'yes: nothing is cut for good',
      )}
      {row('Assumed', (l) =>
        l.assumed.length === 0 ? (
          'nothing: all is measured'
        ) : (
          <span className="text-[0.9rem] text-ink-soft">{l.assumed.join(', ')}: plain stand-ins until measured</span>
        ),
      )}
      {row('Snags', ({ assessment }) => (
        <FirstSnags snags={assessment.snags} />
      ))}
      {row('For', ({ key }) => (
        <span className="text-[0.9rem]">{layouts[key].good}</span>
      ))}
      {row('Against', ({ key }) => (
        <span className="text-[0.9rem]">{layouts[key].bad}</span>
      ))}
    </>
  );
}

interface ComparedRowProps extends Pick<ComparisonProps, 'keys' | 'laid'> {
  readonly name: ReactNode;
  cell(laid: LaidOut): ReactNode;
}

function ComparedRow({ name, keys, laid, cell }: ComparedRowProps) {
  const { layout } = useJob();
  return (
    <tr>
      <th scope="row" className="label sticky left-0 bg-ground py-1.5 pr-2 text-left align-top font-normal">
        {name}
      </th>
      {keys.map((key) => {
        const solved = laid.find((l) => l.key === key);
        return (
          <td key={key} className={`px-2 py-1.5 align-top ${layout.key === key ? 'bg-lit' : ''}`}>
            {solved ? cell(solved) : '…'}
          </td>
        );
      })}
    </tr>
  );
}

/** Why this layout, for the next person, and what another would set aside. */
function Reasons({ recommended }: { recommended: ReturnType<typeof recommend> }) {
  const job = useJob();
  const act = useAct();
  return (
    <div className="mt-3 max-w-3xl">
      <TextField
        label="why this layout"
        long
        longest={1000}
        hint="Your reason, for the next person"
        value={job.layout.reason ?? ''}
        onChange={(value, group) => act({ act: 'set', path: ['layout', 'reason'], value }, group)}
      />
      {job.layout.key && recommended && recommended.key !== job.layout.key && (
        <TextField
          label="why not Endrel’s choice"
          long
          longest={1000}
          hint={`Endrel would choose ${layouts[recommended.key].name.toLowerCase()}: ${recommended.reason}. Your reason against it goes on the card.`}
          value={job.layout.overrule ?? ''}
          onChange={(value, group) => act({ act: 'set', path: ['layout', 'overrule'], value }, group)}
        />
      )}
      {partsAside(job).length > 0 && (
        <p>
          <span className="font-semibold">Set aside, with their measurements:</span>{' '}
          {partsAside(job).map(partName).join(', ')}.
        </p>
      )}
      <p className="label">
        Measured parts are taken over wherever a layout has a place for them; the others are set aside with their
        measurements, and another layout takes them up again.
      </p>
    </div>
  );
}

function FirstSnags({ snags }: { snags: readonly Snag[] }) {
  if (snags.length === 0) return 'none found';
  return (
    <ul className="text-[0.88rem] leading-snug">
      {snags.slice(0, 3).map((snag) => (
        <li key={snag.id} className="flex gap-1.5">
          <GradeMark grade={snag.grade} /> {snag.what}
        </li>
      ))}
      {snags.length > 3 && <li className="text-ink-soft">and {snags.length - 3} more</li>}
    </ul>
  );
}

interface ChoiceProps {
  readonly layout: LayoutKey;
  readonly suits: boolean;
  readonly isRecommended: boolean;
  /** Why it is not proposed. */
  readonly cannot: string | undefined;
}

function Choice({ layout, suits, isRecommended, cannot }: ChoiceProps) {
  const job = useJob();
  const act = useAct();
  return (
    <>
      {job.layout.key === layout ? (
        <p className="font-semibold">Chosen</p>
      ) : (
        <button
          className={`button ${suits ? 'button-ink' : ''}`}
          onClick={() => act({ act: 'chooseLayout', key: layout })}
        >
          Lay it out so
        </button>
      )}
      {isRecommended && <p className="mt-1 text-[0.88rem]">Endrel’s choice</p>}
      {cannot && <p className="mt-1 text-[0.85rem] text-ink-soft">Not proposed: {cannot}.</p>}
      {!suits && job.brief.induction && (
        <p className="mt-1 text-[0.85rem] text-ink-soft">
          The brief says {job.brief.induction === 'carburettor' ? 'carburettor' : 'injection'}.
        </p>
      )}
    </>
  );
}

const cannotOf = (laid: readonly LaidOut[], key: LayoutKey) => laid.find((l) => l.key === key)?.cannot;

function Recommended({ recommended }: { recommended: ReturnType<typeof recommend> }) {
  const units = useDisplayUnits();
  return (
    <p className="mb-2 min-h-[1.6em]" aria-live="polite">
      {recommended && (
        <>
          Endrel would choose <strong>{layouts[recommended.key].name.toLowerCase()}</strong>: {recommended.reason}
          {recommended.figure && recommended.next && (
            <>
              {' '}
              (<span className="figure">{units.figure(recommended.figure)}</span> against{' '}
              <span className="figure">{units.figure(recommended.next.figure)}</span> with{' '}
              {layouts[recommended.next.key].name.toLowerCase()})
            </>
          )}
          {recommended.despite.map(({ key, figure, fell }, i) => (
            <span key={key}>
              {i === 0 ? ', of those left: ' : '; '}
              {layouts[key].name.toLowerCase()} has <span className="figure">{units.figure(figure)}</span>, but {fell}
            </span>
          ))}
          .
        </>
      )}
    </p>
  );
}

function RailAtFullLoad({ laid: { assessment } }: { laid: LaidOut }) {
  const units = useDisplayUnits();
  const { solution, needs, job } = assessment.findings;
  const waits = needs.find((n) => n.blocksSolution);
  if (!solution)
    return <span className="text-ink-soft">needs {waits ? needTitle(job, waits) : 'a run that holds together'}</span>;
  return <span className="figure text-lg">{units.show('pressure', solution.points.fullLoad.railPressure)}</span>;
}

/** Lowest and highest of all that is shown, a little beyond; undefined while there is nothing to show. */
function rangeOf(laid: readonly LaidOut[]): Range | undefined {
  const all = laid.flatMap((l) => Object.values(l.pressures).flatMap((p) => [p.has, p.wants]));
  if (all.length === 0) return undefined;
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const beyond = 0.08 * (high - low || high);
  return [low - beyond, high + beyond];
}
