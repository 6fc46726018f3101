import { oldConnectionName } from '@endrel/core/hangers/blocking-off';
import { oldConnectionProperties } from '@endrel/core/job/old-connection';
import { RowsField } from '../../components/RowsField.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { Claim } from '../../components/Claim.tsx';

/** Outlets, returns and breathers of the factory system: what each did, what becomes of it, and what is lost with it. */
export function OldConnectionsTab() {
  const job = useJob();
  const assessment = useAssessment();
  const list = assessment?.findings.blockedOff ?? [];
  const nameOf = (id: string) => oldConnectionName(job.survey.oldConnections?.find((c) => c.id === id) ?? {});
  const [back, gone] = [list.filter((b) => b.reversible), list.filter((b) => !b.reversible)];
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1fr_1.25fr]">
      <div className="min-w-0 max-xl:order-2">
        <h2 className="text-lg">What it comes to</h2>
        {list.length === 0 ? (
          <p className="text-ink-soft">
            <Claim>
              Nothing decided yet. Every old connection is used again, capped or taken away: none is left open.
            </Claim>
          </p>
        ) : (
          <table className="w-full text-left">
            <thead className="label">
              <tr>
                <th className="font-normal">Connection</th>
                <th className="font-normal">Do</th>
                <th className="font-normal">Lost</th>
              </tr>
            </thead>
            <tbody className="ruled align-top">
              {list.map((b) => (
                <tr key={b.id}>
                  <th scope="row" className="pr-2">
                    {nameOf(b.id)}
                  </th>
                  <td className="pr-2">{b.act}</td>
                  <td>{b.lost ?? 'nothing'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {list.length > 0 && (
          <>
            <h3 className="mt-3 font-semibold">Can be put back as it was</h3>
            <p>{back.length === 0 ? 'Nothing.' : back.map((b) => nameOf(b.id)).join(', ')}</p>
            <h3 className="mt-2 font-semibold">Cannot</h3>
            <p>
              {gone.length === 0
                ? 'Nothing: this part of the job is reversible.'
                : gone.map((b) => nameOf(b.id)).join(', ')}
            </p>
          </>
        )}
      </div>
      <div className="min-w-0">
        <RowsField
          title="Connections of the old system"
          one="a connection"
          properties={oldConnectionProperties}
          path={['survey', 'oldConnections']}
          rows={job.survey.oldConnections}
          most={40}
          empty="Go round the tank and write down every pipe, spigot and hole."
        />
      </div>
    </div>
  );
}
