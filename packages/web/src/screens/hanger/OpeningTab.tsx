import { bodyProperties, hangerPartProperties, hangerProperties } from '@endrel/core/job/hanger';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { OpeningDrawing } from '../../drawing/hanger/OpeningDrawing.tsx';
import { TiltInDrawing } from '../../drawing/hanger/TiltInDrawing.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { MeasuringGuide } from '../survey/MeasuringGuide.tsx';

/** Whether pumps and hanger pass the opening, at what angle, and what has to come off first. */
export function OpeningTab() {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const hanger = job.hanger ?? {};
  const { opening, tilt, strip } = assessment?.findings.hanger ?? {};
  const length = (value: number) => units.show('length', value);
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        {opening ? (
          <>
            <OpeningDrawing fit={opening} />
            <p className="mt-1">
              <span className="figure text-2xl">
                {opening.spare === undefined
                  ? length(opening.needed)
                  : opening.spare >= 0
                    ? `${length(opening.spare)} spare`
                    : `${length(-opening.spare)} too small`}
              </span>{' '}
              <span className="label">
                {opening.spare === undefined ? 'hole needed; measure the opening' : 'across the opening'}
              </span>
            </p>
            {opening.passing && (
              <p>
                Together pass:{' '}
                {opening.passing.length === 0
                  ? 'none of them'
                  : opening.passing.map((i) => opening.bodies[i]!.label).join(', ')}
                .
              </p>
            )}
          </>
        ) : (
          <p className="sheet p-4 text-ink-soft">
            Write down the pump bodies, one to four, with their diameters and sleeves.
          </p>
        )}
        {tilt && (
          <section className="mt-3">
            <h2 className="text-lg">Tilting it in</h2>
            <TiltInDrawing tilt={tilt} />
            <p>
              {tilt.passes ? 'It goes in.' : 'It does not go in.'} The longest of this width that does is{' '}
              <span className="figure">{length(tilt.longest)}</span>.
            </p>
          </section>
        )}
        {strip && (
          <section className="mt-3">
            <h2 className="text-lg">Order of taking off and on</h2>
            <ol className="list-decimal pl-5">
              <li>Tape the opening’s edge, so that the sock is not cut.</li>
              {strip.off.map((label) => (
                <li key={label}>Take off: {label}.</li>
              ))}
              <li>Pass the rest through{strip.passes.length > 0 ? `: ${strip.passes.join(', ')}` : ''}.</li>
              {strip.off.toReversed().map((label) => (
                <li key={label}>Put on again, through the opening: {label}.</li>
              ))}
              <li>Sweep the float by hand from stop to stop, then seat the gasket.</li>
            </ol>
            {strip.stuck.length > 0 && (
              <p className="text-stop">Too wide and does not come off: {strip.stuck.map((p) => p.label).join(', ')}.</p>
            )}
          </section>
        )}
      </div>
      <div className="min-w-0">
        <PropertyGrid
          properties={hangerProperties}
          path={['hanger']}
          values={hanger}
          only={['openingDiameter', 'lip', 'play']}
        />
        <RowsField
          title="Pump bodies side by side"
          one="a pump body"
          properties={bodyProperties}
          path={['hanger', 'bodies']}
          rows={hanger.bodies}
          most={4}
          empty="None written down."
        />
        <PropertyGrid
          properties={hangerProperties}
          path={['hanger']}
          values={hanger}
          only={['stiffLength', 'stiffWidth', 'headroom', 'wallThickness', 'reach']}
        />
        <RowsField
          title="Parts on the hanger"
          one="a part"
          properties={hangerPartProperties}
          path={['hanger', 'parts']}
          rows={hanger.parts}
          most={20}
          empty="Float arm, sock, bucket, bracket: what may have to come off."
        />
        <MeasuringGuide fields={['openingDiameter']} of={hangerProperties} />
      </div>
    </div>
  );
}
