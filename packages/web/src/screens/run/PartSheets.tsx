import { partsOnRun, portsOf } from '@endrel/core/parts/graph';
import { setOnPort } from '@endrel/core/acts/set-on-port';
import type { Property } from '@endrel/core/fields/property';
import { jointProperties } from '@endrel/core/parts/joint';
import { isFlexible, type PartKind, partName, propertiesOf } from '@endrel/core/parts/kinds';
import { portSchema } from '@endrel/core/fittings/port';
import { Sheet, type SheetRow } from '../../components/Sheet.tsx';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';

const shown: Partial<Record<PartKind, readonly string[]>> = {
  hose: ['length', 'bore', 'construction', 'bends'],
  hardLine: ['length', 'outsideDiameter', 'wall', 'material'],
};

/** Hoses and hard lines, a row each. */
export function LineSheet({ kind }: { kind: 'hose' | 'hardLine' }) {
  const job = useJob();
  const act = useAct();
  const all = propertiesOf(kind) as Readonly<Record<string, Property>>;
  const columns = Object.fromEntries(shown[kind]!.flatMap((key) => (all[key] ? [[key, all[key]]] : [])));
  const rows = partsOnRun(job)
    .filter((part) => part.kind === kind)
    .map((part): SheetRow => ({ id: part.id, name: partName(part), path: ['parts', part.id], values: part }));
  if (rows.length === 0) return null;
  return (
    <Sheet
      label={kind === 'hose' ? 'Hoses' : 'Hard lines'}
      columns={columns}
      rows={rows}
      onChange={({ row, key, value }, group) => act({ act: 'setOnPart', id: row, key, value }, group)}
      onChanges={(changes, title) =>
        act({ act: 'setOnParts', title, changes: changes.map(({ row, key, value }) => ({ id: row, key, value })) })
      }
    />
  );
}

const { sealant, clamp, height } = jointProperties;
const ofJoint = { clamp, sealant, height };

/** Every joint of the run, a row each. */
export function JointSheet() {
  const job = useJob();
  const act = useAct();
  const found = useAssessment()?.findings.joints ?? [];
  const name = (id: string) => (job.parts[id] ? partName(job.parts[id]) : '');
  const rows = found.flatMap((f): SheetRow[] => {
    const joint = job.joints[f.id];
    if (!joint) return [];
    const isOfHose = [joint.a, joint.b].some((end) => job.parts[end.part] && isFlexible(job.parts[end.part]!));
    return [
      {
        id: f.id,
        name: `${f.number}: ${name(joint.a.part)} to ${name(joint.b.part)}`,
        path: ['joints', f.id],
        values: joint,
        has: new Set(isOfHose ? ['clamp', 'sealant', 'height'] : ['sealant', 'height']),
      },
    ];
  });
  return (
    <Sheet
      label="Joints"
      columns={ofJoint}
      rows={rows}
      onChange={({ row, key, value }, group) =>
        act(
          {
            act: 'setOnJoints',
            changes: [{ id: row, key, value }],
            title: `set ${jointProperties[key as keyof typeof ofJoint].name}`,
          },
          group,
        )
      }
      onChanges={(changes, title) =>
        act({ act: 'setOnJoints', title, changes: changes.map(({ row, key, value }) => ({ id: row, key, value })) })
      }
    />
  );
}

const fitting: Property = { type: 'port', name: 'form and size', schema: portSchema };

/** Every port of the run that holds fuel, a row each, with what has been read on it. */
export function PortSheet() {
  const job = useJob();
  const act = useAct();
  const rows = partsOnRun(job).flatMap((part) =>
    portsOf(job, part)
      .filter((p) => p.spec.use !== 'dry')
      .map((p): SheetRow => ({
        id: `${part.id} ${p.port}`,
        name: `${partName(part)}, ${p.spec.name}`,
        path: ['parts', part.id, 'ports', p.port],
        values: { fitting: p.known.fitting },
      })),
  );
  const refOf = (row: string) => {
    const [part = '', port = ''] = row.split(' ');
    return { part, port };
  };
  return (
    <Sheet
      label="Ports"
      columns={{ fitting }}
      rows={rows}
      onChange={({ row, value }, group) => act(setOnPort(job, refOf(row), 'fitting', value as never), group)}
      onChanges={(changes) => {
        for (const { row, value } of changes) act(setOnPort(job, refOf(row), 'fitting', value as never));
      }}
    />
  );
}
