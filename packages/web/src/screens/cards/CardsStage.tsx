import { cardsOf } from '@endrel/core/cards/cards';
import { routedJob } from '@endrel/core/routes/routed-job';
import { DocumentFiles } from '../../document/DocumentFiles.tsx';
import { DocumentSheet } from '../../document/DocumentSheet.tsx';
import { useAssessment, useJob, useSnapshot } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** What to buy, cut and make for the run, for the bench and for the parts counter. */
export function CardsStage() {
  const latest = useJob();
  const assessment = useAssessment();
  const { revision } = useSnapshot();
  const { say } = useDisplayUnits();
  const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
  const sheets = cardsOf({
    job: assessment ? routedJob(latest, assessment.findings.routes) : latest,
    joints: assessment?.findings.joints ?? [],
    say,
    asOf: [today, `revision ${revision}`],
    stops: assessment?.snags.filter((s) => s.grade === 'stop').length ?? 0,
  });
  if (sheets.length === 0)
    return (
      <div className="sheet max-w-xl p-5">
        <h2 className="text-lg">Nothing to buy or cut yet</h2>
        <p className="mt-2">The cards fill themselves from the run: lay it out first.</p>
      </div>
    );
  return (
    <>
      <div className="no-print mb-3 flex max-w-[60rem] flex-wrap items-center justify-between gap-3">
        <nav aria-label="Cards">
          {sheets.map((s) => (
            <a key={s.key} className="mr-4 underline underline-offset-2" href={`#sheet-${s.key}`}>
              {s.title}
            </a>
          ))}
        </nav>
        <DocumentFiles name="cards" sheets={sheets} />
      </div>
      {sheets.map((sheet) => (
        <DocumentSheet key={sheet.key} sheet={sheet} />
      ))}
    </>
  );
}
