import { useMemo } from 'react';
import { findThread, type Candidate } from '@endrel/core/threads/find-thread';
import { lookAlikesOf, matesOf } from '@endrel/core/fittings/mates-of';
import { measurements } from '@endrel/core/threads/measure-next';
import { findSmooth } from '@endrel/core/fittings/smooth-end';
import { looks, sayThread, seatOf, threadFamilies, type Gender, type Look } from '@endrel/core/threads/thread';
import type { PitchReading, ThreadReading } from '@endrel/core/threads/thread-reading';
import { readPitch } from '@endrel/core/threads/read-pitch';
import { parseNumber } from '@endrel/core/units/parse-number';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import type { QuantityField } from '@endrel/core/units/field';
import { mm } from '@endrel/core/units/quick';
import { ThreadSketch } from '../../drawing/fittings/ThreadSketch.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { ChosenField, Panel, TypedField } from './fields.tsx';
import { useAddress } from './use-address.ts';

const length = (name: string, least: number, most: number): QuantityField => ({
  kind: 'length',
  name,
  unit: 'mm',
  minimum: mm(least),
  maximum: mm(most),
});
const diameterField = length('diameter', 2, 60);
const spanField = length('length', 1, 100);
const errorField = length('reading error', 0.001, 1);

/** Millimetres with their sign, as a caliper is read. */
const signed = (metres: number): string => {
  const text = Math.abs(metres * 1000).toFixed(2);
  return text === '0.00' ? text : `${metres < 0 ? '−' : '+'}${text}`;
};

interface Read {
  readonly reading?: ThreadReading;
  readonly isSmooth: boolean;
  readonly faults: Readonly<Record<string, string>>;
}

/** What was typed as a reading, with what is wrong under its field. */
function readForm(get: (key: string) => string, bare: (field: QuantityField) => string): Read {
  const faults: Record<string, string> = {};
  const measured = (key: string, field: QuantityField) => {
    if (get(key).trim() === '') return undefined;
    const read = parseQuantity(get(key), { ...field, unit: bare(field) });
    if (read.ok) return read.value.si;
    faults[key] = read.fault.message;
    return undefined;
  };
  const counted = (key: string, least: number) => {
    if (get(key).trim() === '') return undefined;
    const read = parseNumber(get(key));
    if (read.ok && Number.isInteger(read.value.value) && read.value.value >= least && read.value.value <= 200)
      return read.value.value;
    faults[key] = `a whole number from ${least} to 200`;
    return undefined;
  };
  const gender: Gender = get('end') === 'female' ? 'female' : 'male';
  const [diameter, over, error] = [
    measured('d', diameterField),
    measured('over', spanField),
    measured('error', errorField),
  ];
  const by = get('by') || 'gauge';
  let pitch: PitchReading = { by: 'unknown' };
  if (by === 'gauge' && get('pitch').trim() !== '') {
    const read = readPitch(get('pitch'));
    if (read.ok) pitch = { by: 'gauge', pitch: read.value };
    else faults.pitch = read.fault;
  }
  if (by === 'crests' || by === 'count') {
    const number = counted('n', by === 'crests' ? 2 : 1);
    if (number !== undefined && over !== undefined)
      pitch = by === 'crests' ? { by, crests: number, over } : { by, count: number, over };
  }
  const taper = get('taper');
  const seen = get('seat') as Look | '';
  const reading: ThreadReading | undefined =
    diameter === undefined
      ? undefined
      : {
          gender,
          diameter,
          pitch,
          ...(error === undefined ? {} : { error }),
          ...(taper === 'yes' || taper === 'no' ? { taper: taper === 'yes' } : {}),
          ...(seen && seen in looks ? { seen } : {}),
        };
  return { reading: Object.keys(faults).length > 0 ? undefined : reading, isSmooth: by === 'none', faults };
}

/** Readings of an end, and which threads or smooth ends it can be. */
export function ThreadFinder() {
  const [get, set] = useAddress();
  const units = useDisplayUnits();
  const { reading, isSmooth, faults } = readForm(get, units.bareUnit);
  const by = get('by') || 'gauge';
  const isMale = get('end') !== 'female';
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[20rem_1fr]">
      <Panel title="Readings">
        <ChosenField
          label="The end is"
          value={isMale ? 'male' : 'female'}
          options={{ male: 'male: caliper over the crests', female: 'female: caliper across the bore' }}
          onChange={(v) => set('end', v === 'male' ? '' : v)}
        />
        <TypedField
          label={isMale ? 'Outside diameter, at the large end' : 'Bore at the mouth'}
          hint="Caliper jaws square, turned to the largest reading."
          value={get('d')}
          fault={faults.d}
          onChange={(v) => set('d', v)}
        />
        <TypedField
          label="Reading error of the caliper"
          hint="Unsaid: 0.03 mm, common practice."
          value={get('error')}
          fault={faults.error}
          onChange={(v) => set('error', v)}
        />
        <ChosenField
          label="Pitch taken by"
          value={by}
          options={{
            gauge: 'thread gauge, or as said',
            crests: 'crests over a length',
            count: 'whole turns in a length',
            none: 'no thread: smooth or barbed',
          }}
          onChange={(v) => set('by', v === 'gauge' ? '' : v)}
        />
        {by === 'gauge' && (
          <TypedField
            label="Pitch"
            hint="18 tpi, or 1.5 mm; empty: not taken."
            value={get('pitch')}
            fault={faults.pitch}
            onChange={(v) => set('pitch', v)}
          />
        )}
        {(by === 'crests' || by === 'count') && (
          <div className="grid grid-cols-2 gap-x-4">
            <TypedField
              label={by === 'crests' ? 'Crests, both ends counted' : 'Whole turns'}
              value={get('n')}
              fault={faults.n}
              onChange={(v) => set('n', v)}
            />
            <TypedField label="over" value={get('over')} fault={faults.over} onChange={(v) => set('over', v)} />
          </div>
        )}
        {!isSmooth && (
          <>
            <ChosenField
              label="Does it taper?"
              value={get('taper')}
              options={{ '': 'not looked for', yes: 'yes, it narrows', no: 'no' }}
              onChange={(v) => set('taper', v)}
            />
            <ChosenField
              label="What is at its end?"
              value={get('seat')}
              options={{ '': 'not looked for', ...looks }}
              onChange={(v) => set('seat', v)}
            />
          </>
        )}
      </Panel>
      <div className="min-w-0" aria-live="polite">
        {!reading ? (
          <p className="sheet max-w-xl p-5 text-ink-soft">
            Give a diameter. With the pitch it names the few threads that it can be, how likely each is, and the one
            thing to measure next.
          </p>
        ) : isSmooth ? (
          <SmoothAnswer reading={reading} />
        ) : (
          <ThreadAnswer reading={reading} />
        )}
      </div>
    </div>
  );
}

function ThreadAnswer({ reading }: { reading: ThreadReading }) {
  const key = JSON.stringify(reading);
  const { candidates, nearMisses, next } = useMemo(() => findThread(JSON.parse(key) as ThreadReading), [key]);
  return (
    <>
      <section aria-label="Measure next" className="mb-3 border-l-4 border-ink bg-sheet px-3 py-2">
        <h2 className="text-lg">
          {candidates.length === 0
            ? 'No thread that Endrel knows fits'
            : candidates.length === 1
              ? 'It can only be this one'
              : `${candidates.length} threads fit: measure next`}
        </h2>
        {candidates.length > 1 && (
          <ul className="list-disc pl-5">
            {next.best.map((m) => (
              <li key={m}>
                {measurements[m]}
                {m === 'PITCH_LONG' && next.pitches && ` Over ${next.pitches.pitches} pitches at least.`}
              </li>
            ))}
          </ul>
        )}
        {next.never.length > 0 && candidates.length > 1 && (
          <p className="label">
            {next.never.map(([a, b]) => `${a} and ${b}`).join('; ')} cannot be told apart by measuring.
          </p>
        )}
        {candidates.length === 0 && (
          <p>
            {nearMisses.length > 0
              ? 'Worn or battered it may be one of those below: read it again on clean crests.'
              : 'Read the diameter and the pitch again; another family or a tube size may be meant.'}
          </p>
        )}
      </section>
      <ol className="ruled">
        {candidates.map((c) => (
          <CandidateItem key={c.thread.code} candidate={c} reading={reading} />
        ))}
      </ol>
      {nearMisses.length > 0 && (
        <section className="mt-4">
          <h3>Near misses: only if it is worn</h3>
          <ul className="list-disc pl-5 text-[0.95rem]">
            {nearMisses.map(({ thread, fit }) => (
              <li key={thread.code}>
                {sayThread(thread)}, {signed(fit.deviation)} mm off
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function CandidateItem({
  candidate: { thread, fit, probability },
  reading,
}: {
  candidate: Candidate;
  reading: ThreadReading;
}) {
  const units = useDisplayUnits();
  const { gender } = reading;
  const mates = matesOf(thread, gender);
  const alike = lookAlikesOf(thread, gender);
  const family = threadFamilies[thread.family];
  return (
    <li className="py-2" data-thread={thread.code}>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-1">
        <div className="w-20 shrink-0">
          <p className="figure text-2xl">{Math.round(probability * 100)} %</p>
          <span className="block h-1.5 bg-supply" style={{ width: `${Math.max(2, probability * 100)}%` }} />
        </div>
        <div className="min-w-0 flex-1">
          <h3 className="text-[1.05rem]">{sayThread(thread)}</h3>
          <p className="text-[0.92rem]">
            {signed(fit.deviation)} mm off its basic size, {fit.sigma.toFixed(1)} standard deviations.{' '}
            <span className="label">
              {family.standard}; seat: {seatWords[seatOf(thread)]}; pitch {units.show('length', thread.pitch)}.
            </span>
          </p>
          <p className="text-[0.92rem]">
            {mates.length > 0
              ? `Mates with ${mates.join('; and with ')}`
              : 'Mates with nothing that seals: a plain screw.'}
          </p>
          {alike.length > 0 && (
            <details>
              <summary className="label min-h-[24px]">
                Mistaken for{' '}
                {alike
                  .map((l) => sayThread(l.thread))
                  .slice(0, 3)
                  .join(', ')}
                {alike.length > 3 && ` and ${alike.length - 3} more`}
              </summary>
              <table className="text-[0.9rem]">
                <tbody className="ruled">
                  {alike.map((l) => (
                    <tr key={l.thread.code}>
                      <th scope="row" className="pr-4 text-left align-top font-normal">
                        {sayThread(l.thread)}
                      </th>
                      <td>{l.decides}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </details>
          )}
        </div>
        <ThreadSketch thread={thread} gender={gender} reading={reading.diameter} />
      </div>
    </li>
  );
}

const seatWords: Readonly<Record<ReturnType<typeof seatOf>, string>> = {
  cone37: 'a 37° cone',
  cone45: 'a 45° cone',
  invertedSeat: 'a flared tube on a seat that stands inside',
  oRingBoss: 'an O-ring in the boss',
  metricORingBoss: 'an O-ring in the boss',
  thread: 'the taper of the thread itself',
  face: 'a washer on the face',
  none: 'none of its own',
};

function SmoothAnswer({ reading }: { reading: ThreadReading }) {
  const units = useDisplayUnits();
  const found = findSmooth(reading.gender, reading.diameter, reading.error);
  if (found.length === 0)
    return (
      <p className="sheet max-w-xl p-5">
        No tube, spigot, bead, barb or hose that Endrel knows has that size. Read it again on a clean, round place.
      </p>
    );
  return (
    <ol className="ruled">
      {found.map(({ end, probability, deviation }) => (
        <li key={end.code} className="flex flex-wrap items-baseline gap-x-6 py-2">
          <span className="figure w-20 text-2xl">{Math.round(probability * 100)} %</span>
          <div className="min-w-0 flex-1">
            <h3 className="text-[1.05rem]">{end.name}</h3>
            <p className="text-[0.92rem]">
              Read {end.where}: from {units.show('length', end.low)} to {units.show('length', end.high)};{' '}
              {signed(deviation)} mm off the middle. <span className="label">{end.source}</span>
            </p>
          </div>
        </li>
      ))}
    </ol>
  );
}
