import { ArrowLeft, ArrowRight, Archive, RotateCw, Trash2 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { Act } from '@endrel/core/acts/act';
import { throughPorts } from '@endrel/core/acts/graph-edit';
import { regulatorPlace, regulatorPlaces } from '@endrel/core/acts/move-regulator';
import type { RegulatorPlace } from '@endrel/core/acts/move-regulator';
import type { Job } from '@endrel/core/job/job';
import type { Property } from '@endrel/core/fields/property';
import { commonProperties } from '@endrel/core/parts/define-part';
import { kindOf, partKinds, partName, propertiesOf, type Part, type PartKind } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import { ActButton } from '../../components/ActButton.tsx';
import { PropertyField } from '../../components/PropertyField.tsx';
import { keepFocusNear } from '../../components/return-focus.ts';
import { PartSymbol } from '../../drawing/symbols/PartSymbol.tsx';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { MenuItem } from './AddPart.tsx';
import { Beside } from './Beside.tsx';
import { newPartId } from './place-part.ts';
import { PartReadings } from './PartReadings.tsx';
import { PortList } from './PortList.tsx';

const heat = ['lies', 'exhaustGap', 'shielded', 'sleeved', 'standOff'] as const;
const drop = ['dropBy', 'sheetLiquid', 'viscousShare', 'meshArea', 'portBore', 'fuelHeld'] as const;

/** Fields that few parts need: folded away until one of them is filled in or asked for. */
const foldedFields: Partial<Record<PartKind, Record<string, readonly string[]>>> = {
  pump: {
    'Staged beside another pump': ['runs', 'startsAtDemand', 'startsAtBoost'],
    'Driven by': ['drive', 'targetPressure', 'targetReferenced', 'sensorExpected', 'leastDuty'],
  },
  hose: { 'Heat that reaches it': heat },
  hardLine: { 'Heat that reaches it': heat },
  filter: { 'How its drop is known': drop },
  sock: { 'How its drop is known': drop },
  filterRegulator: { 'How its drop is known': drop },
  pressureSensor: { 'Its supply': ['supply', 'ratedSupply'] },
};

/** One part of the run: what it does, its measurements, and the acts that change its place. */
export function PartBench({ part, view }: { part: Part; view: JobView }) {
  const job = useJob();
  const assessment = useAssessment();
  const act = useAct();
  const run = circuitsOf(job);
  const line = run.lineOf(part.id);
  const values = part as unknown as Record<string, unknown>;
  const solution = assessment?.findings.solution;
  const field = (key: string, property: Property) => (
    <PropertyField
      key={key}
      property={property}
      path={['parts', part.id, key]}
      value={values[key]}
      needed={isNeeded(key)}
      onChange={(value, group) => act({ act: 'setOnPart', id: part.id, key, value }, group)}
    />
  );
  const properties = Object.entries(propertiesOf(part.kind)).filter(
    ([key, property]) => property.type !== 'pumpTable' && kindOf(part).isRelevant?.(part, key) !== false,
  );
  const folds = foldedFields[part.kind] ?? {};
  const isFolded = new Set(Object.values(folds).flat());
  const main = properties.filter(([key]) => !isFolded.has(key));
  const folded = Object.entries(folds)
    .map(([title, keys]) => ({ title, fields: properties.filter(([key]) => keys.includes(key)) }))
    .filter(({ fields }) => fields.length > 0);
  const isNeeded = (key: string) =>
    assessment?.findings.needs.some((n) => n.part === part.id && n.path.at(-1) === key) ?? false;
  const place = regulatorPlace(job, part.id);
  const tables = Object.entries(propertiesOf(part.kind)).filter(([, property]) => property.type === 'pumpTable');
  const neighbour = run.into(part.id)[0]?.from ?? run.outOf(part.id)[0]?.to;
  const go = () => neighbour !== undefined && view.selectPart(neighbour);
  return (
    <section aria-label={partName(part)}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-ink pb-1">
        <svg
          viewBox="-30 -24 60 48"
          width="44"
          height="36"
          aria-hidden="true"
          style={{ color: line === 'supply' ? 'var(--supply)' : 'var(--return)' }}
        >
          <PartSymbol symbol={kindOf(part).symbol(part)} backwards={line === 'return'} />
        </svg>
        <div className="min-w-0">
          <h2 className="truncate text-lg leading-tight">{partName(part)}</h2>
          <p className="label">
            {partKinds[part.kind].name}, {line} line
          </p>
        </div>
        <div className="ml-auto flex gap-0.5">
          <button className="quiet" onClick={() => view.choosePart(undefined)} title="The whole run (Esc)">
            Whole run
          </button>
          <ActButton className="quiet" act={moving(job, part, 'earlier')} label="Move it one place towards the start">
            <ArrowLeft size={16} aria-hidden />
          </ActButton>
          <ActButton className="quiet" act={moving(job, part, 'later')} label="Move it one place towards the end">
            <ArrowRight size={16} aria-hidden />
          </ActButton>
          <Beside part={part} onAdded={view.selectPart} />
          <ActButton className="quiet" act={{ act: 'turnRound', id: part.id }} label="Turn it round">
            <RotateCw size={16} aria-hidden />
          </ActButton>
          <ActButton className="quiet" act={{ act: 'setAside', id: part.id }} label="Set it aside" onDone={go}>
            <Archive size={16} aria-hidden />
          </ActButton>
          <ActButton className="quiet" act={{ act: 'takeOut', id: part.id }} label="Take it out" onDone={go}>
            <Trash2 size={16} aria-hidden />
          </ActButton>
        </div>
      </div>
      {solution && part.kind !== 'tank' && <PartReadings part={part} solution={solution} point={view.point} />}
      <div className="grid gap-x-5 sm:grid-cols-2">
        {field('label', commonProperties.label)}
        {main.map(([key, property]) => field(key, property))}
      </div>
      {folded.map(({ title, fields }) => (
        <details key={title} open={fields.some(([key]) => values[key] !== undefined || isNeeded(key))}>
          <summary className="py-1 font-semibold">{title}</summary>
          <div className="grid gap-x-5 sm:grid-cols-2">{fields.map(([key, property]) => field(key, property))}</div>
        </details>
      ))}
      {tables.map(([key, property]) => field(key, property))}
      {part.kind === 'tank' ? (
        <p className="py-2 text-ink-soft">
          Depth, outlet and vent are in the{' '}
          <button className="text-ink underline" onClick={() => view.goTo('survey')}>
            survey
          </button>
          .
        </p>
      ) : null}
      <h3 className="pt-1 font-semibold">Ports and joints</h3>
      <PortList part={part} onPart={view.selectPart} />
      <details>
        <summary className="py-1 font-semibold">Place in the layout, seals and note</summary>
        <div className="grid gap-x-5 sm:grid-cols-2">
          {field('role', commonProperties.role)}
          {field('seals', commonProperties.seals)}
          {field('note', commonProperties.note)}
        </div>
      </details>
      <div className="flex flex-wrap gap-2 py-2">
        {part.kind !== 'tank' && <SwapMenu part={part} onPart={view.selectPart} />}
        {place !== undefined &&
          (Object.keys(regulatorPlaces) as RegulatorPlace[])
            .filter((to) => to !== place)
            .map((to) => (
              <ActButton key={to} act={{ act: 'moveRegulator', id: part.id, to }}>
                Move it {regulatorPlaces[to]}
              </ActButton>
            ))}
      </div>
    </section>
  );
}

/** Past the part before it, or past the one behind it, on the same line. */
function moving(job: Job, part: Part, way: 'earlier' | 'later'): Act | undefined {
  if (!throughPorts(part)) return undefined;
  const run = circuitsOf(job);
  const joint =
    way === 'earlier'
      ? run.into(run.into(part.id)[0]?.from ?? '')[0]?.joint
      : run.outOf(run.outOf(part.id)[0]?.to ?? '')[0]?.joint;
  return joint === undefined ? undefined : { act: 'movePart', id: part.id, joint };
}

/** Another part in its place; joints and what both kinds measure are kept. */
function SwapMenu({ part, onPart }: { part: Part; onPart(id: string): void }) {
  const job = useJob();
  const act = useAct();
  const kinds = (Object.keys(partKinds) as PartKind[]).filter(
    (kind) => kind !== 'tank' && (throughPorts({ kind, id: '' }) === undefined) === (throughPorts(part) === undefined),
  );
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="button">Swap it for …</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="z-30 max-h-[60vh] overflow-y-auto border border-ink bg-sheet py-1"
          align="start"
          onCloseAutoFocus={keepFocusNear}
        >
          {kinds.map((kind) => (
            <MenuItem
              key={kind}
              onSelect={() => {
                const by = { kind, id: newPartId(job, kind) } as Part;
                act({ act: 'swapPart', id: part.id, by });
                onPart(by.id);
              }}
            >
              {part.kind === kind ? `Another ${partKinds[kind].name.toLowerCase()}` : partKinds[kind].name}
            </MenuItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
