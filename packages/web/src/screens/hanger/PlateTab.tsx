import { useState } from 'react';
import { hangerProperties, platePortProperties } from '@endrel/core/job/hanger';
import { drawingSvg } from '@endrel/core/drawings/drawing-svg';
import { templateDrawing } from '@endrel/core/hangers/plate-template';
import { templateOf } from '@endrel/core/hangers/template-of';
import { isAway } from '../../api/client.ts';
import { printTemplate } from '../../api/print.ts';
import { download } from '../../components/download.ts';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { PlateDrawing } from '../../drawing/hanger/PlateDrawing.tsx';
import { useAssessment, useJob, useSnapshot } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Reading } from '../../components/Reading.tsx';
import { Claim } from '../../components/Claim.tsx';

const kinds = {
  ring: 'ring plate',
  cover: 'hanger plate with ports',
  drill: 'drill template for the tank',
  adapter: 'collar for the sock',
} as const;

/** The ring plate with its studs and ports, and templates at true size. */
export function PlateTab() {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const { revision } = useSnapshot();
  const hanger = job.hanger ?? {};
  const { plate, groove, adapter } = assessment?.findings.hanger ?? {};
  const isMoulded = hanger.lid === 'moulded';
  const [kind, setKind] = useState<keyof typeof kinds>('ring');
  const [making, setMaking] = useState(false);
  const [fault, setFault] = useState<string>();
  const length = (value: number) => units.show('length', value);
  const title = `${job.name} · ${kinds[kind]} · ${new Date().toLocaleDateString('en-GB')} · revision ${revision}`;
  const template = templateOf(hanger, kind, title);
  async function pdf() {
    setMaking(true);
    setFault(undefined);
    try {
      download(`${kind}.pdf`, 'application/pdf', await printTemplate({ hanger, kind, title }));
    } catch (error) {
      setFault(
        isAway(error)
          ? 'The PDF is made by the server, which does not answer: take the SVG or the DXF, they are made here.'
          : (error as Error).message,
      );
    } finally {
      setMaking(false);
    }
  }
  async function dxf() {
    const { templateDxf } = await import('../../templates/template-dxf.ts');
    if (template) download(`${kind}.dxf`, 'image/vnd.dxf', templateDxf(template));
  }
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        {plate ? (
          <>
            <PlateDrawing plate={plate} groove={groove} />
            <dl className="readings">
              {plate.land !== undefined && <Reading name="metal to the hole" value={length(plate.land)} />}
              {plate.rim !== undefined && <Reading name="metal to the rim" value={length(plate.rim)} />}
              {groove && (
                <Reading
                  name="O-ring groove"
                  value={`${length(groove.depth)} deep, ${length(groove.width)} wide`}
                  note={`⌀ ${length(groove.inside)} to ${length(groove.outside)}; ${units.show('fraction', groove.squeeze)} squeeze, ${units.show('fraction', groove.fill)} full: ISO 3601 gland ranges, from memory, verify`}
                />
              )}
              {plate.ports.length > 0 && (
                <Reading
                  name="ports need a circle of"
                  value={length(plate.needed)}
                  note={`${length(plate.room)} ${isMoulded ? 'on the flat' : 'inside the nuts'}`}
                />
              )}
            </dl>
            <section className="mt-2">
              <h2 className="text-lg">Template, true size</h2>
              <div className="flex flex-wrap items-center gap-2">
                {(Object.keys(kinds) as (keyof typeof kinds)[]).map((key) => (
                  <label key={key} className="mr-2 flex min-h-8 items-center gap-1.5">
                    <input
                      type="radio"
                      name="template"
                      checked={kind === key}
                      onChange={() => setKind(key)}
                      className="accent-[var(--ink)]"
                    />
                    {kinds[key]}
                  </label>
                ))}
                <button
                  className="button"
                  disabled={!template}
                  onClick={() =>
                    template && download(`${kind}.svg`, 'image/svg+xml', drawingSvg(templateDrawing(template)))
                  }
                >
                  SVG
                </button>
                <button className="button" disabled={!template} onClick={() => void dxf()}>
                  DXF
                </button>
                <button className="button" disabled={making || !template} onClick={() => void pdf()}>
                  {making ? 'Making the PDF …' : 'PDF'}
                </button>
              </div>
              {fault && (
                <p role="alert" className="text-fix">
                  {fault}
                </p>
              )}
              <p className="label">Print at 100 %. Each carries a ruler of 100 mm: check it before drilling.</p>
            </section>
          </>
        ) : (
          <p className="sheet p-4 text-ink-soft">
            <Claim>
              The plate appears once the bolt circle and the hole (or the opening) are measured; a moulded lid once its
              flat is.
            </Claim>
          </p>
        )}
      </div>
      <div className="min-w-0">
        <PropertyGrid
          properties={hangerProperties}
          path={['hanger']}
          values={hanger}
          only={[
            'lid',
            ...(isMoulded ? ['lidFlat'] : ['plateHole', 'boltCircle', 'studs', 'studSize', 'oRingCord']),
            'plateOutside',
            'lidThickness',
          ]}
        />
        <RowsField
          title="Ports on the plate"
          one="a port"
          properties={platePortProperties}
          path={['hanger', 'ports']}
          rows={hanger.ports}
          most={6}
          empty="Feed, return, siphon, wiring: each with the hexagon that a spanner takes."
        />
        <h2 className="mt-3 border-b border-ink pb-1 text-lg">Collar for the sock</h2>
        <PropertyGrid
          properties={hangerProperties}
          path={['hanger']}
          values={hanger}
          only={['adapterTube', 'adapterNeck']}
        />
        {adapter && (
          <p className="label">
            Turn it {length(adapter.outside)} outside, {length(adapter.bore)} bore, {length(adapter.length)} long, with
            a groove {length(adapter.groove.width)} wide and {length(adapter.groove.depth)} deep,{' '}
            {length(adapter.groove.from)} from its lower end; {length(adapter.wall)} stays under the groove. Aluminium
            or brass, no bare steel; its drawing is among the templates.
          </p>
        )}
      </div>
    </div>
  );
}
