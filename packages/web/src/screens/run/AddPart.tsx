import { DropdownMenu } from 'radix-ui';
import { Plus } from 'lucide-react';
import { partsAside } from '@endrel/core/parts/graph';
import { partKinds, partName } from '@endrel/core/parts/kinds';
import { useAct, useJob } from '../../session/session-context.tsx';
import { kindsFor, placing, takingUp, type Spot } from './place-part.ts';
import { keepFocusNear } from '../../components/return-focus.ts';

/** Puts a new, still unmeasured part on the run, or takes up one that was set aside. */
export function AddPart({
  spot,
  onAdded,
  label = 'Put a part here',
  pinned,
}: {
  spot: Spot;
  onAdded(id: string): void;
  label?: string;
  /** Open at once at a place of what it stands in, px, until it is closed. */
  pinned?: { readonly x: number; readonly y: number; onClose(): void };
}) {
  const job = useJob();
  const act = useAct();
  const aside = partsAside(job).flatMap((part) => {
    const taking = takingUp(job, part, spot);
    return taking ? [{ part, taking }] : [];
  });
  return (
    <DropdownMenu.Root {...(pinned ? { open: true, onOpenChange: (open) => !open && pinned.onClose() } : {})}>
      {pinned ? (
        <DropdownMenu.Trigger
          className="absolute size-px"
          style={{ left: pinned.x, top: pinned.y }}
          aria-label={label}
        />
      ) : (
        <DropdownMenu.Trigger className="button">
          <Plus size={14} className="mr-1 inline" aria-hidden />
          {label}
        </DropdownMenu.Trigger>
      )}
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="z-30 max-h-[70vh] min-w-44 overflow-y-auto border border-ink bg-sheet py-1"
          align="start"
          onCloseAutoFocus={keepFocusNear}
          sideOffset={2}
        >
          {aside.map(({ part, taking }) => (
            <MenuItem
              key={part.id}
              onSelect={() => {
                act(taking);
                onAdded(part.id);
              }}
            >
              {partName(part)} <span className="label">set aside, as measured</span>
            </MenuItem>
          ))}
          {kindsFor(job, spot).map((kind) => (
            <MenuItem
              key={kind}
              onSelect={() => {
                const placed = placing(job, kind, spot)!;
                act(placed.act);
                onAdded(placed.id);
              }}
            >
              {partKinds[kind].name}
            </MenuItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export const MenuItem = (props: DropdownMenu.DropdownMenuItemProps) => (
  <DropdownMenu.Item className="cursor-pointer px-3 py-1.5 data-[highlighted]:bg-lit" {...props} />
);
