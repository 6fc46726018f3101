import { toDegrees } from '@endrel/core/units/quick';
import { bentProperties, copiedProperties, lineRouteProperties } from '@endrel/core/job/routes';
import { hardLine } from '@endrel/core/parts/hard-line/hard-line';
import { partName } from '@endrel/core/parts/kinds';
import type { RoutedLine, TubeRoute } from '@endrel/core/routes/lines';
import { PropertyField } from '../../components/PropertyField.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { BenderFields } from './BenderFields.tsx';
import { LineViews } from './LineViews.tsx';
import { Missing } from './Missing.tsx';
import { PartIn } from './PartIn.tsx';
import { Sleeves } from './Sleeves.tsx';
import { Through } from './Through.tsx';
import { TubeFiles } from './TubeFiles.tsx';
import { WrongBend } from './WrongBend.tsx';

const angle = (rad: number) => `${toDegrees(rad).toFixed(1)}°`;

/** A hard line: bent on paper first, then marked, bent and ended in the order that works. */
export function TubeBench({ line, view }: { line: RoutedLine; view: JobView }) {
  const job = useJob();
  const act = useAct();
  const part = job.parts[line.part];
  if (part?.kind !== 'hardLine') return null;
  const path = ['routes', 'lines', line.part] as const;
  const route = job.routes?.lines?.[line.part] ?? {};
  const { tube } = line;
  return (
    <article aria-label={partName(part)}>
      <h2 className="border-b border-ink pb-1 text-lg">{partName(part)}</h2>
      <Missing line={line} view={view} />
      <div className="grid gap-x-8 gap-y-3 ">
        <div className="min-w-0 space-y-3">
          <LineViews line={line} />
          {tube?.table && <Bends tube={tube} />}
          {tube?.table && tube.bench && <TubeFiles line={line} tube={tube} />}
          {tube?.table && tube.bench && <WrongBend tube={tube} />}
          {tube?.table && <PartIn tube={tube} />}
        </div>
        <div className="min-w-0 space-y-3">
          <div className="grid gap-x-6 sm:grid-cols-2">
            <PropertyField
              property={hardLine.properties.outsideDiameter}
              path={['parts', line.part, 'outsideDiameter']}
              value={part.outsideDiameter}
              onChange={(value, group) =>
                act({ act: 'setOnPart', id: line.part, key: 'outsideDiameter', value }, group)
              }
            />
          </div>
          <PropertyGrid
            properties={lineRouteProperties}
            path={path}
            values={route}
            only={['nutsOn', 'grommet', 'stock']}
          />
          <BenderFields path={[...path, 'bender']} bender={route.bender} line={line} />
          <Through
            path={[...path, 'through']}
            rows={route.through ?? []}
            what="Straight from port to port. Each corner of the tube goes here, from its start."
          />
          <details open={(route.copied ?? []).length > 0}>
            <summary className="label min-h-[26px] py-1">Copy a factory line, bend by bend</summary>
            <RowsField
              title="Bends as they are measured"
              one="a bend"
              properties={bentProperties}
              path={[...path, 'copied']}
              rows={route.copied}
              most={40}
              empty="Lay the old line on the bench: the straight before each bend, how its plane is turned against the one before, and how far it bends."
              columns="sm:grid-cols-3"
            />
            <PropertyGrid properties={copiedProperties} path={path} values={route} />
          </details>
          <Sleeves path={path} rows={route.sleeves} />
        </div>
      </div>
    </article>
  );
}

/** Straights, turns and bends, with the mark and the dial of each for the bender in use. */
function Bends({ tube }: { tube: TubeRoute }) {
  const units = useDisplayUnits();
  const { bench } = tube;
  const table = tube.table!;
  const step = (bend: number) => bench?.steps.find((s) => s.bend === bend);
  const order = (bend: number) => (bench ? bench.order.order.indexOf(bend) + 1 : 0);
  const short = (straight: number) =>
    bench?.short.some((s) => s.straight === straight) || table.straights[straight]! < 0;
  return (
    <section aria-label="Bend table">
      <div className="overflow-x-auto">
        <table className="w-full min-w-[30rem] text-right">
          <caption className="label text-left">
            Bend table{tube.isCopied ? ', copied' : ''}, on {units.tape(tube.bendRadius)}
            {bench?.isUsualBender && ' (a usual bender: choose yours)'}
          </caption>
          <thead className="label">
            <tr className="border-b border-hair-strong">
              <th className="text-left font-normal">#</th>
              <th className="font-normal">straight before</th>
              <th className="font-normal">turn</th>
              <th className="font-normal">bend</th>
              <th className="font-normal">gain</th>
              {bench && (
                <th className="font-normal">{bench.bender.mark === 'start' ? 'start mark at' : 'centre mark at'}</th>
              )}
              {bench && <th className="font-normal">dial to</th>}
              {bench && <th className="font-normal">make it</th>}
            </tr>
          </thead>
          <tbody className="ruled">
            {table.straights.map((straight, i) => {
              const s = step(i);
              return (
                <tr key={i}>
                  <th scope="row" className="py-0.5 text-left font-normal">
                    {i < table.bends.length ? i + 1 : 'end'}
                  </th>
                  <td className={`figure ${short(i) ? 'font-semibold text-stop' : ''}`}>{units.tape(straight)}</td>
                  <td className="figure">{i < table.bends.length ? angle(table.rotations[i]!) : ''}</td>
                  <td className="figure">{i < table.bends.length ? angle(table.bends[i]!) : ''}</td>
                  <td className="figure text-ink-soft">{i < table.bends.length ? units.tape(table.gains[i]!) : ''}</td>
                  {bench && <td className="figure font-semibold">{s ? units.tape(s.mark) : ''}</td>}
                  {bench && <td className="figure">{s ? angle(s.setTo) : ''}</td>}
                  {bench && <td className="figure">{s ? ordinal(order(i)) : ''}</td>}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-[0.93rem]">
        Developed <span className="figure">{units.tape(table.developed)}</span>
        {bench && (
          <>
            ; cut <strong className="figure">{units.tape(bench.cut)}</strong> with what the ends use up:{' '}
            {bench.ends[0].name} <span className="figure">{units.tape(bench.uses[0])}</span>, {bench.ends[1].name}{' '}
            <span className="figure">{units.tape(bench.uses[1])}</span>
          </>
        )}
        .
      </p>
      {bench && <Order tube={tube} />}
    </section>
  );
}

const ordinal = (n: number): string =>
  n <= 0 ? '' : `${n}${['th', 'st', 'nd', 'rd'][n % 10 < 4 && Math.floor(n / 10) !== 1 ? n % 10 : 0]}`;

/** What is done in which order, and what does not go. */
function Order({ tube }: { tube: TubeRoute }) {
  const units = useDisplayUnits();
  const bench = tube.bench!;
  const hasNuts = bench.ends.some((e) => e.nut);
  const { clashes } = bench.order;
  return (
    <ol className="list-decimal pl-5 text-[0.93rem]">
      <li>Cut {units.tape(bench.cut)}, square; deburr, blow out. Marks go from the end that is the line’s start.</li>
      {hasNuts && (
        <li>
          Nuts and sleeves on, each with its mouth to its end{' '}
          {bench.nutPasses ? '(they would still pass the bends)' : '(they do not pass a bend: before anything is bent)'}
          .
        </li>
      )}
      <li>
        {clashes.length === 0
          ? 'Bend in the order shown; the bender stays clear of what is bent.'
          : `In no order tried does the bender stay clear: it meets the tube at bend ${clashes.map((c) => c.bend + 1).join(', ')}, by ${units.tape(Math.max(...clashes.map((c) => c.by)))}.`}
      </li>
      <li>Make the ends last, blow out, cap both until it is fitted.</li>
      {bench.stock && bench.stock.pieces.length > 1 && (
        <li>
          The stock is shorter: {bench.stock.pieces.map((p) => units.tape(p)).join(' + ')}, with a union at{' '}
          {bench.stock.cuts.map((c) => `${units.tape(c.at)} (straight ${c.straight + 1})`).join(', ')}
          {bench.stock.tooLong && '; one piece is still longer than the stock: no straight has room for a union'}.
        </li>
      )}
    </ol>
  );
}
