import { DropdownMenu } from 'radix-ui';
import { Plus } from 'lucide-react';
import { partKinds, partName, type Part, type PartKind } from '@endrel/core/parts/kinds';
import { freshId } from '@endrel/core/job/acts/fresh-id';
import type { Line } from '@endrel/core/job/job';
import { useAct, useJob } from '../../session/session-context.tsx';

/** Puts a new, still unmeasured part on the run. */
export function AddPart({
  line,
  index,
  onAdded,
  label = 'Put a part here',
}: {
  line: Line;
  index: number;
  onAdded(id: string): void;
  label?: string;
}) {
  const job = useJob();
  const act = useAct();
  const kinds = (Object.keys(partKinds) as PartKind[]).filter((kind) =>
    kind === 'tank'
      ? !job.run.supply.some((c) => c.kind === 'tank') && line === 'supply'
      : line === 'supply'
        ? kind !== 'returnDrop'
        : !['pump', 'rail', 'carburettor', 'sock', 'swirlPot', 'pressureSensor'].includes(kind),
  );
  const spare = (job.run.spare ?? []).filter((c) => kinds.includes(c.kind));
  const add = (kind: PartKind) => {
    const part = { kind, id: freshId(job, kind) } as Part;
    act({ act: 'insertComponent', line, index: kind === 'tank' ? 0 : index, part });
    onAdded(part.id);
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="button">
        <Plus size={14} className="mr-1 inline" aria-hidden />
        {label}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="z-30 min-w-44 border border-ink bg-sheet py-1" align="start" sideOffset={2}>
          {spare.map((part) => (
            <DropdownMenu.Item
              key={part.id}
              className="cursor-pointer px-3 py-1.5 data-[highlighted]:bg-lit"
              onSelect={() => {
                act({ act: 'moveComponent', id: part.id, line, index });
                onAdded(part.id);
              }}
            >
              {partName(part)} <span className="label">set aside, as measured</span>
            </DropdownMenu.Item>
          ))}
          {kinds.map((kind) => (
            <DropdownMenu.Item
              key={kind}
              className="cursor-pointer px-3 py-1.5 data-[highlighted]:bg-lit"
              onSelect={() => add(kind)}
            >
              {partKinds[kind].name}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
