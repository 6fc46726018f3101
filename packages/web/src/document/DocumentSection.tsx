import type { Cell, Section, TableSection } from '@endrel/core/documents/document';
import type { Drawing } from '@endrel/core/drawings/drawing';
import { Caution } from '../components/Caution.tsx';
import { DrawnShape } from '../drawing/DrawnShape.tsx';

type Of<As extends Section['as']> = Extract<Section, { as: As }>;

export function DocumentSection({ section }: { section: Section }) {
  switch (section.as) {
    case 'table':
      return <TableOf table={section} />;
    case 'words':
      return <Words {...section} />;
    case 'figures':
      return <Figures {...section} />;
    case 'steps':
      return <Steps {...section} />;
    case 'drawing':
      return (
        <section className="break-inside-avoid">
          <Heading text={section.heading} />
          <DrawingView drawing={section.drawing} />
        </section>
      );
    case 'caution':
      return <Caution>{section.text}</Caution>;
  }
}

const Heading = ({ text }: { text: string | undefined }) =>
  text === undefined ? null : <h3 className="mt-4 text-lg">{text}</h3>;

function Words({ heading, text }: Of<'words'>) {
  return (
    <section>
      <Heading text={heading} />
      {text.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </section>
  );
}

function Figures({ heading, figures }: Of<'figures'>) {
  return (
    <section className="break-inside-avoid">
      <Heading text={heading} />
      <dl className="ruled">
        {figures.map((f) => (
          <div key={f.name} className="flex items-baseline gap-3 py-1">
            <dt className="grow">{f.name}</dt>
            <dd className="figure text-[1.08rem]">{f.value}</dd>
            {f.note !== undefined && <dd className="text-[0.93rem] text-ink-soft">{f.note}</dd>}
          </div>
        ))}
      </dl>
    </section>
  );
}

function Steps({ heading, about, steps }: Of<'steps'>) {
  return (
    <section className="break-inside-avoid">
      <Heading text={heading} />
      {about !== undefined && <p className="label">{about}</p>}
      <ol className="max-w-[44rem] list-decimal pl-5">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
    </section>
  );
}

/** At true size on paper where it is meant to be; on the page as wide as there is room. */
function DrawingView({ drawing }: { drawing: Drawing }) {
  const { title, left, top, width, height, isTrueSize, groups } = drawing;
  return (
    <svg
      role="img"
      aria-label={title}
      viewBox={`${left} ${top} ${width} ${height}`}
      className="block h-auto max-w-full"
      style={{ width: isTrueSize ? `${width}mm` : width }}
    >
      {groups.map((group) => (
        <g key={group.id}>
          {group.shapes.map((shape, i) => (
            <DrawnShape key={i} shape={shape} />
          ))}
        </g>
      ))}
    </svg>
  );
}

const looks = {
  name: 'py-1 pr-3 font-semibold',
  words: 'pr-3',
  figure: 'figure pr-3 text-right text-[1.08rem] whitespace-nowrap',
} as const;

/** A table to work down, with a box to tick with a pencil where it is a list of things to do. */
function TableOf({ table }: { table: TableSection }) {
  const { heading, columns, rows, ticks } = table;
  return (
    <section>
      <Heading text={heading} />
      <div className="overflow-x-auto">
        <table className="mt-1.5 w-full text-left">
          <thead className="label">
            <tr className="border-b border-hair-strong">
              {ticks && (
                <th className="w-7">
                  <span className="sr-only">Done</span>
                </th>
              )}
              {columns.map((c) => (
                <th key={c.name} className={`pr-3 font-normal ${c.is === 'figure' ? 'text-right' : ''}`}>
                  {c.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="ruled">
            {rows.map((row, i) => (
              <tr key={i} className="align-baseline">
                {ticks && (
                  <td aria-hidden>
                    <span className="inline-block h-3.5 w-3.5 border border-ink" />
                  </td>
                )}
                {columns.map((c, at) => (
                  <td key={c.name} className={looks[c.is]}>
                    <CellOf cell={row[at] ?? ''} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function CellOf({ cell }: { cell: Cell }) {
  if (typeof cell === 'string') return cell;
  return (
    <>
      {cell.text}
      <span className="block text-fix">Still open: {cell.open}</span>
    </>
  );
}
