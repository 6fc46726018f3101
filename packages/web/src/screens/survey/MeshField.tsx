import { useState } from 'react';
import { attachMesh, meshBehind, type TankMesh } from '@endrel/core/attachments/tank-mesh';
import { closedMesh, meshBounds } from '@endrel/core/meshes/mesh';
import { MOST_PACKED_TRIANGLES, packMesh } from '@endrel/core/meshes/packed-mesh';
import { readStl } from '@endrel/core/tanks/read-stl';
import { describeMeshFault } from '@endrel/core/tanks/tank-fault';
import { unitById, unitsOf } from '@endrel/core/units/unit-table';
import { provide } from '../../api/attachments.ts';
import { anchorOf } from '../../components/anchor.ts';
import { FileButton } from '../../components/FileButton.tsx';
import { SelectField } from '../../components/PropertyField.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

const LARGEST = 20 * 1024 * 1024; // bytes; 60 000 triangles are 15 MB of ASCII
const fileUnits = Object.fromEntries(
  unitsOf('length')
    .filter((u) => ['mm', 'cm', 'm', 'in'].includes(u.id))
    .map((u) => [u.id, u.label]),
);
const PATH = ['survey', 'tank', 'mesh'];

/** Reads a tank from an STL file. A file that cannot be used is refused with the place, and what was there stays. */
export function MeshField() {
  const { mesh } = useJob().survey.tank;
  const act = useAct();
  const units = useDisplayUnits();
  const [unit, setUnit] = useState('mm');
  const [refusal, setRefusal] = useState<string>();
  const read = async (file: File) => {
    const complaint = await load(file);
    setRefusal(complaint && `${file.name}: ${complaint}${mesh ? ' The mesh that was there is kept.' : ''}`);
  };
  async function load(file: File): Promise<string | undefined> {
    if (file.size > LARGEST) return `it is larger than ${LARGEST / 1024 / 1024} MB; make the mesh coarser.`;
    const stl = readStl(new Uint8Array(await file.arrayBuffer()), unitById(unit).factor);
    if (!stl.ok) return describeMeshFault(stl.fault);
    if (stl.value.length / 9 > MOST_PACKED_TRIANGLES)
      return `it has ${stl.value.length / 9} triangles; Endrel keeps up to ${MOST_PACKED_TRIANGLES}. Make the mesh coarser.`;
    const closed = closedMesh(stl.value);
    if (!closed.ok) return describeMeshFault(closed.fault);
    const { least, most } = meshBounds(closed.value);
    const size = most.map((m, i) => m - least[i]!);
    if (Math.max(...size) > 5)
      return `it is ${units.show('length', Math.max(...size))} long read in ${unit}: another unit is meant.`;
    const attached = attachMesh(packMesh(closed.value, file.name, closed.value.turned));
    await provide(attached.mesh.digest, attached.text);
    act({ act: 'set', path: PATH, value: attached.mesh });
    return undefined;
  }
  return (
    <fieldset id={anchorOf(PATH)} className="py-1">
      <legend className="font-semibold">Mesh</legend>
      {mesh ? (
        <p>
          {mesh.name}: <span className="figure">{mesh.triangles}</span> triangles,{' '}
          {sizeOf(mesh)
            .map((v) => units.show('length', v))
            .join(' × ')}
          .{mesh.turned && ' Its triangles faced inwards and were turned.'}
        </p>
      ) : (
        <p className="text-[0.88rem] text-ink-soft">
          A closed surface of the inside, ASCII or binary STL, z up, x forward.
        </p>
      )}
      <div className="flex items-end gap-3">
        <div className="w-28">
          <SelectField label="file is in" options={fileUnits} value={unit} onChange={(next) => setUnit(next ?? 'mm')} />
        </div>
        <div className="mb-6">
          <FileButton
            label={mesh ? 'Read another file' : 'Read an STL file'}
            accept=".stl"
            onFile={(file) => void read(file)}
          />
        </div>
      </div>
      {refusal && (
        <p role="alert" className="text-stop">
          {refusal}
        </p>
      )}
    </fieldset>
  );
}

function sizeOf(mesh: TankMesh): number[] {
  const behind = meshBehind(mesh);
  if (behind === undefined || behind === 'away') return [];
  const { least, most } = meshBounds(behind);
  return most.map((m, i) => m - least[i]!);
}
