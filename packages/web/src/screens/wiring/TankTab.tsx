import { partWord } from '@endrel/core/wiring/circuit-words';
import { fuelClassOf, fuelClasses, verdictOn, wireCovers, type Verdict } from '@endrel/core/ratings/material-fuel';
import { devicesOf, wiresOf } from '@endrel/core/harness/in-circuit';
import { insulations, wireEnds } from '@endrel/core/harness/wire-kinds';
import { Caution } from '../../components/Caution.tsx';
import { StudDrawing } from '../../drawing/wiring/StudDrawing.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { Nothing } from './Nothing.tsx';
import { useWiring } from './use-wiring.ts';

const said: Record<Verdict, string> = {
  fine: 'lasts',
  watch: 'to be watched',
  ask: 'ask its maker',
  attacked: 'does not last',
};

/** What is inside the tank: insulation that stands the fuel, how the plate is passed, and earths of sender and plate. */
export function TankTab({ view }: { view: JobView }) {
  const job = useJob();
  const fuel = useAssessment()?.findings.fuel;
  const { harness, found, say } = useWiring();
  if (!harness.devices?.length) return <Nothing />;
  const wet = wiresOf(harness).filter((w) => w.lies === 'tank');
  const passes = devicesOf(harness).filter(
    (d) => d.kind === 'stud' || (d.kind === 'connector' && d.place !== 'plain' && d.place !== undefined),
  );
  const earths = devicesOf(harness).filter((d) => d.kind === 'earthPoint' && d.on === 'plate');
  const senders = devicesOf(harness).filter((d) => d.kind === 'levelSender');
  const link = (id: string, rows: 'wires' | 'devices', key: string) => (
    <button
      className="min-h-[24px] text-left underline decoration-hair underline-offset-2"
      onClick={() => view.goToField('wiring', ['wiring', rows, id, key])}
    >
      {say(id)}
    </button>
  );
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[1.4fr_1fr]">
      <div className="min-w-0 space-y-5">
        <section aria-label="Wires in the tank">
          <h2 className="border-b border-ink pb-1 text-lg">Wires in the tank</h2>
          {wet.length === 0 ? (
            <p className="text-ink-soft">None is said to lie in the tank: choose where a wire lies on its bench.</p>
          ) : (
            <ul className="ruled">
              {wet.map((w) => {
                const cover = w.insulation && wireCovers[insulations[w.insulation].cover];
                const verdict = cover && fuel ? verdictOn(cover, fuelClassOf(fuel), job.materials) : undefined;
                const ends = [w.startEnd, w.finishEnd].map((e) => (e ? wireEnds[e].name : 'end not said'));
                return (
                  <li key={w.id} className="py-1">
                    {link(w.id, 'wires', 'insulation')}
                    <span className={`block text-[0.92rem] ${verdict === 'attacked' ? 'text-stop' : 'text-ink-soft'}`}>
                      {w.insulation ? insulations[w.insulation].name : 'Nobody has said what covers it'}
                      {verdict && fuel && ` in ${fuelClasses[fuelClassOf(fuel)]}: ${said[verdict]}`}; {ends.join(', ')}
                    </span>
                  </li>
                );
              })}
            </ul>
          )}
        </section>
        <section aria-label="Through the plate">
          <h2 className="border-b border-ink pb-1 text-lg">Through the plate</h2>
          {passes.length === 0 ? (
            <p className="text-ink-soft">No stud and no bulkhead connector is drawn.</p>
          ) : (
            <ul className="ruled">
              {passes.map((d) => (
                <li key={d.id} className="py-1">
                  {link(d.id, 'devices', d.kind === 'stud' ? 'insulated' : 'place')}
                  <span className="block text-[0.92rem] text-ink-soft">
                    {d.kind === 'stud'
                      ? `${d.insulated === undefined ? 'nobody has said how it is insulated' : d.insulated ? 'insulated on both sides' : 'bare in the plate'}${d.proved ? `; meter to the plate: ${d.proved.si >= 1e6 ? 'no end of ohms' : `${d.proved.si} Ω`}` : '; not proved with the meter yet'}`
                      : d.kind === 'connector' && d.place === 'inTank'
                        ? d.immersible === undefined
                          ? 'nobody has said whether it may lie in fuel'
                          : d.immersible
                            ? 'made to lie in fuel'
                            : 'not made to lie in fuel'
                        : 'sealed bulkhead'}
                  </span>
                </li>
              ))}
            </ul>
          )}
        </section>
        <section aria-label="Polarity and earths">
          <h2 className="border-b border-ink pb-1 text-lg">Polarity and earths</h2>
          <ul className="ruled">
            {(found?.pumps ?? []).map((p) => (
              <li key={p.part} className={`py-1 ${found?.backwards.includes(p.part) ? 'text-stop' : ''}`}>
                {partWord(job, p.part)}:{' '}
                {found?.backwards.includes(p.part)
                  ? 'its positive terminal goes to earth, it would turn backwards'
                  : 'positive to the feed, negative to earth, as drawn'}
                .
              </li>
            ))}
            <li className="py-1">
              {earths.length > 0
                ? `The plate has an earth of its own: ${earths.map((d) => say(d.id)).join(', ')}.`
                : 'No earth wire of the plate is drawn. A plate on rubber or on a plastic tank has none by itself: give it one, for the sender and against static.'}
            </li>
            {senders.map((d) => {
              const ends = wiresOf(harness).filter((w) =>
                [w.from, w.to].some((e) => e.device === d.id && e.terminal === 'earth'),
              );
              const own = earths.find((e) => ends.some((w) => [w.from.device, w.to.device].includes(e.id)));
              return (
                <li key={d.id} className={`py-1 ${ends.length === 0 ? 'text-fix' : ''}`}>
                  {say(d.id)}:{' '}
                  {ends.length === 0
                    ? 'its earth is on nothing'
                    : own
                      ? `earthed by ${say(own.id)}, a wire of its own`
                      : 'earthed over something else than the plate’s own wire: see what that adds on the page “Sender and sensors”'}
                  .
                </li>
              );
            })}
          </ul>
        </section>
      </div>
      <div className="min-w-0">
        <h2 className="border-b border-ink pb-1 text-lg">A stud through the plate</h2>
        <StudDrawing />
        <Caution>
          Inside the tank only wire, connectors and seals of kinds rated for fuel; nothing bare, nothing that can work
          loose. Prove every stud against the plate with the meter before the tank is closed.
        </Caution>
      </div>
    </div>
  );
}
