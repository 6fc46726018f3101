import { ArrowLeft, ArrowRight, Trash2 } from 'lucide-react';
import {
  partKinds,
  partName,
  propertiesOf,
  type Part,
  type PartKind,
  isBypass,
} from '@endrel/core/parts/kinds';
import { regulatorPlace, regulatorPlaces, type RegulatorPlace } from '@endrel/core/job/acts/move-regulator';
import { commonProperties } from '@endrel/core/parts/define-part';
import { returnEndProperty } from '@endrel/core/job/return-end';
import { lineOf } from '@endrel/core/job/needs';
import { isRelevant } from '@endrel/core/job/relevant';
import type { Property } from '@endrel/core/job/property';
import { PropertyField } from '../../components/PropertyField.tsx';
import { variantOf } from '../../drawing/symbols/variant-of.ts';
import { PartSymbol } from '../../drawing/symbols/PartSymbol.tsx';
import { useAct, useJobSession } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { AddPart } from './AddPart.tsx';
import { PartReadings } from './PartReadings.tsx';

/** Fields that few parts need: folded away until one of them is filled in or asked for. */
const foldedFields: Partial<Record<PartKind, Record<string, readonly string[]>>> = {
  pump: {
    'Beside another pump, staged': ['beside', 'runs', 'startsAtDemand', 'startsAtBoost', 'ownRelay'],
    'Driven by': ['drive', 'targetPressure', 'targetReferenced', 'sensorExpected', 'sensorShielded', 'leastDuty'],
    'Wiring and fuse': [
      'fuse',
      'supplyWire',
      'supplyLength',
      'earthWire',
      'earthLength',
      'wireTemperature',
      'contacts',
    ],
  },
  regulator: { 'Filter inside': ['builtInRating', 'builtInFlow', 'builtInDrop'] },
};

/** One part of the run: what it does, its measurements, and the acts that change its place. */
export function PartBench({ part, view }: { part: Part; view: JobView }) {
  const { session, snapshot, assessment } = useJobSession();
  const act = useAct();
  const { job } = snapshot;
  const line = lineOf(job, part.id)!;
  const index = job.run[line].findIndex((c) => c.id === part.id);
  const values = part as unknown as Record<string, unknown>;
  const solution = assessment?.findings.solution;
  const field = (key: string, property: Property) => (
    <PropertyField
      key={key}
      jobId={session.id}
      property={property}
      path={['run', line, index, key]}
      value={values[key]}
      needed={isNeeded(key)}
      onChange={(value, group) => act({ act: 'setOnPart', id: part.id, key, value }, group)}
    />
  );
  const properties = Object.entries(propertiesOf(part.kind)).filter(
    ([key, property]) => property.type !== 'pumpTable' && isRelevant(part, key),
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
  const neighbour = job.run[line][index - 1] ?? job.run[line][index + 1];
  const fixedPlace = part.kind === 'tank';
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
          <PartSymbol kind={part.kind} variant={variantOf(part)} backwards={line === 'return'} />
        </svg>
        <div className="min-w-0">
          <h2 className="truncate text-lg leading-tight">{partName(part)}</h2>
          <p className="label">
            {partKinds[part.kind].name}, {line} line
          </p>
        </div>
        <div className="ml-auto flex gap-0.5">
          {!fixedPlace && (
            <>
              <button
                className="quiet"
                disabled={index <= (line === 'supply' ? 1 : 0)}
                onClick={() => act({ act: 'moveComponent', id: part.id, line, index: index - 1 })}
                aria-label="Move it one place towards the start"
                title="Move it one place towards the start"
              >
                <ArrowLeft size={16} aria-hidden />
              </button>
              <button
                className="quiet"
                disabled={index >= job.run[line].length - 1}
                onClick={() => act({ act: 'moveComponent', id: part.id, line, index: index + 1 })}
                aria-label="Move it one place towards the end"
                title="Move it one place towards the end"
              >
                <ArrowRight size={16} aria-hidden />
              </button>
            </>
          )}
          <button
            className="quiet"
            aria-label="Take it out"
            title="Take it out (undo brings it back)"
            onClick={() => {
              act({ act: 'removeComponent', id: part.id });
              if (neighbour) view.selectPart(neighbour.id);
            }}
          >
            <Trash2 size={16} aria-hidden />
          </button>
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
      {line === 'return' && index === job.run.return.length - 1 && (
        <PropertyField
          jobId={session.id}
          property={returnEndProperty}
          path={['run', 'returnTo']}
          value={job.run.returnTo}
          needed={false}
          onChange={(value, group) => act({ act: 'set', path: ['run', 'returnTo'], value }, group)}
        />
      )}
      {tables.map(([key, property]) => field(key, property))}
      {part.kind === 'tank' ? (
        <p className="py-2 text-ink-soft">
          Depth, outlet and vent are in the{' '}
          <button className="text-ink underline" onClick={() => view.goTo('survey')}>
            survey
          </button>
          .
        </p>
      ) : (
        <details open={part.inletPort !== undefined || part.outletPort !== undefined}>
          <summary className="py-1 font-semibold">Ports, joint and note</summary>
          <div className="grid gap-x-5 sm:grid-cols-1">
            {field('inletPort', commonProperties.inletPort)}
            {field('inletSealant', commonProperties.inletSealant)}
            {field('outletPort', commonProperties.outletPort)}
          </div>
          <div className="grid gap-x-5 sm:grid-cols-2">
            {field('outletHeight', commonProperties.outletHeight)}
            {field('seals', commonProperties.seals)}
            {field('note', commonProperties.note)}
          </div>
        </details>
      )}
      <div className="flex flex-wrap gap-2 py-2">
        {!fixedPlace && <AddPart line={line} index={index} onAdded={view.selectPart} label="Put a part before it" />}
        <AddPart line={line} index={index + 1} onAdded={view.selectPart} label="Put a part after it" />
        {place !== undefined &&
          (Object.keys(regulatorPlaces) as RegulatorPlace[])
            .filter((to) => to !== place)
            .map((to) => (
              <button key={to} className="button" onClick={() => act({ act: 'moveRegulator', id: part.id, to })}>
                Move it {regulatorPlaces[to]}
              </button>
            ))}
        {line === 'supply' && isBypass(part) && job.run.return.length === 0 && (
          <AddPart line="return" index={0} onAdded={view.selectPart} label="Start its return" />
        )}
      </div>
    </section>
  );
}
