import { useState } from 'react';
import type { SweepReading } from '@endrel/core/job/gauge';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import { senderFaults, simulatedSweep, type SenderFault } from '@endrel/core/senders/simulated-ohmmeter';
import { anchorOf } from '../../components/anchor.ts';
import { SelectField } from '../../components/PropertyField.tsx';
import { SweepChart } from '../../charts/SweepChart.tsx';
import { useAct, useAssessment, useJob, useSession } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { typedText } from '../../session/typed-text.ts';

const UP = ['gauge', 'sweep'];
const DOWN = ['gauge', 'sweepDown'];
const FIELD = { kind: 'resistance', name: 'reading', unit: 'Ω', maximum: 1e5 } as const;
const OPEN = /^(ol|o\.l\.|open|–|-|inf|∞|1\.?)$/i; // what meters show for no circuit

/** Readings from stop to stop, typed or from the simulated ohmmeter, and what they say about the sender. */
export function SweepTab() {
  const session = useSession();
  const job = useJob();
  const assessment = useAssessment();
  const act = useAct();
  const units = useDisplayUnits();
  const gauge = job.gauge ?? {};
  const check = assessment?.findings.sweep;
  const [fault, setFault] = useState<SenderFault>('none');
  const [seed, setSeed] = useState(1);
  const range =
    gauge.senderEmpty && gauge.senderFull
      ? { empty: gauge.senderEmpty.si, full: gauge.senderFull.si }
      : { empty: 240, full: 33 };
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        {gauge.sweep ? (
          <SweepChart
            up={gauge.sweep}
            down={gauge.sweepDown}
            expected={gauge.senderEmpty && gauge.senderFull ? range : undefined}
          />
        ) : (
          <p className="sheet p-4 text-ink-soft">
            Hold the meter on the sender and move the arm slowly from the bottom stop to the top in even steps; write
            down each reading.
          </p>
        )}
        {check && (
          <section className="mt-2" aria-live="polite">
            <h2 className="text-lg">{verdictOf(check.findings[0]?.verdict)}</h2>
            <ul className="list-disc pl-5">
              {check.findings.map((f, i) => (
                <li key={i} className={f.verdict === 'good' ? '' : 'text-fix'}>
                  {f.reason.charAt(0).toUpperCase() + f.reason.slice(1)}.
                </li>
              ))}
            </ul>
            {check.hysteresis !== undefined && (
              <p>
                Up and down differ by at most{' '}
                <span className="figure">{units.show('resistance', check.hysteresis)}</span>.
              </p>
            )}
            {gauge.sweep && (
              <p className="label">
                The measured track is kept and reckoned with in the match and on the calibration card.
              </p>
            )}
          </section>
        )}
      </div>
      <div className="min-w-0">
        <Readings
          key={`up-${job.gauge?.sweep?.length ?? 0}-${seed}`}
          title="Upwards, bottom stop to top stop"
          jobId={session.id}
          path={UP}
          value={gauge.sweep}
          onChange={(value) => act({ act: 'set', path: UP, value })}
        />
        <Readings
          key={`down-${job.gauge?.sweepDown?.length ?? 0}-${seed}`}
          title="Downwards again, top stop to bottom stop"
          jobId={session.id}
          path={DOWN}
          value={gauge.sweepDown}
          backwards
          onChange={(value) => act({ act: 'set', path: DOWN, value })}
        />
        <section className="mt-3 border-t border-hair pt-2">
          <h2 className="text-lg">Simulated ohmmeter</h2>
          <p className="text-[0.88rem] text-ink-soft">
            For practice, and where no meter is at hand: it sweeps{' '}
            {gauge.senderEmpty ? 'the sender written down' : 'a 240–33 Ω sender'} with the trouble you choose.
          </p>
          <div className="flex items-end gap-3">
            <div className="min-w-56">
              <SelectField
                label="it holds"
                options={senderFaults}
                value={fault}
                onChange={(next) => setFault((next as SenderFault | undefined) ?? 'none')}
              />
            </div>
            <button
              className="button mb-6"
              onClick={() => {
                act({ act: 'set', path: UP, value: simulatedSweep(range, fault, seed) });
                setSeed(seed + 1);
              }}
            >
              Sweep it
            </button>
          </div>
        </section>
      </div>
    </div>
  );
}

const verdictOf = (verdict: string | undefined): string =>
  ({
    good: 'A good sender',
    open: 'Open somewhere on its track',
    sticky: 'It sticks',
    dirty: 'Dirty or worn',
    reversed: 'It runs the other way',
    wrongRange: 'Another range than expected',
  })[verdict ?? ''] ?? 'Not enough readings';

/** Readings as one line of text, in even steps; what cannot be read is named and kept as typed. */
function Readings(props: {
  title: string;
  jobId: string;
  path: readonly string[];
  value: readonly SweepReading[] | undefined;
  backwards?: boolean;
  onChange(value: SweepReading[] | undefined): void;
}) {
  const { title, jobId, path, value, backwards, onChange } = props;
  const anchor = anchorOf(path);
  const stored =
    (backwards ? value?.toReversed() : value)
      ?.map((r) => (r.ohms ? Number(r.ohms.si.toFixed(1)) : 'open'))
      .join('  ') ?? '';
  const [text, setText] = useState(typedText.get(jobId, path)?.text ?? stored);
  const [refusal, setRefusal] = useState<string>();
  const commit = () => {
    const words = text
      .trim()
      .split(/[\s;]+/)
      .filter(Boolean);
    if (words.length === 0) {
      typedText.set(jobId, path, undefined);
      setRefusal(undefined);
      return onChange(undefined);
    }
    const read = words.map((word) => (OPEN.test(word) ? undefined : parseQuantity(word, FIELD)));
    const bad = read.findIndex((r) => r && !r.ok);
    const complaint =
      words.length < 3
        ? 'At least three readings: both stops and the middle.'
        : bad >= 0
          ? `Reading ${bad + 1}, “${words[bad]}”: ${(read[bad] as { fault: { message: string } }).fault.message}`
          : undefined;
    setRefusal(complaint);
    typedText.set(jobId, path, complaint ? text : undefined, stored);
    if (complaint) return;
    const readings = read.map((r, i): SweepReading => {
      const share = Number((i / (words.length - 1)).toFixed(6));
      const at = backwards ? 1 - share : share;
      return r?.ok ? { share: at, ohms: { si: r.value.si, unit: r.value.unit } } : { share: at };
    });
    onChange(backwards ? readings.toReversed() : readings);
  };
  return (
    <div id={anchor} className="py-1">
      <label className="label block" htmlFor={`${anchor}-text`}>
        {title}
      </label>
      <textarea
        id={`${anchor}-text`}
        rows={2}
        className="input figure resize-y text-[1.05rem]"
        value={text}
        placeholder="240 215 190 168 … 33, “open” for no circuit"
        aria-invalid={refusal !== undefined}
        aria-describedby={`${anchor}-note`}
        onChange={(e) => {
          setText(e.target.value);
          typedText.set(jobId, path, e.target.value, stored);
        }}
        onBlur={commit}
      />
      <p id={`${anchor}-note`} className="text-[0.8rem] text-ink-soft">
        {refusal ? <span className="text-stop">{refusal}</span> : 'In even steps, with spaces between.'}
      </p>
    </div>
  );
}
