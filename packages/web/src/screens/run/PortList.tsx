import { DropdownMenu } from 'radix-ui';
import type { Act } from '@endrel/core/acts/act';
import { setOnPort } from '@endrel/core/acts/set-on-port';
import type { PortAsItIs } from '@endrel/core/parts/graph';
import type { Property } from '@endrel/core/fields/property';
import { portSchema, type Port } from '@endrel/core/fittings/port';
import { adapterWishes, jointProperties, type JointKey } from '@endrel/core/parts/joint';
import { isFlexible, type Part, partName } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import { ActButton } from '../../components/ActButton.tsx';
import { JointFields } from '../../components/JointFields.tsx';
import { PortClosing } from '../../components/PortClosing.tsx';
import { PropertyField } from '../../components/PropertyField.tsx';
import { capital } from '@endrel/core/units/capital';
import { keepFocusNear } from '../../components/return-focus.ts';
import { useAct, useJob, useSession } from '../../session/session-context.tsx';
import { AddPart, MenuItem } from './AddPart.tsx';
import { freeEnds, sparePorts, teeing } from './place-part.ts';

/** How a joint is made up; what its adapters have to keep to stands with them. */
const made = (Object.keys(jointProperties) as JointKey[]).filter(
  (key) => !(adapterWishes as readonly string[]).includes(key),
);

const fittingProperty: Property = { type: 'port', name: 'form and size', schema: portSchema };

/** Every port of a part: what is on it, what it is joined to, and the acts that change that. */
export function PortList({ part, onPart }: { part: Part; onPart(id: string): void }) {
  const job = useJob();
  const ports = [...circuitsOf(job).ports(part.id), ...sparePorts(job, part)];
  return (
    <ul className="ruled" aria-label={`Ports of ${partName(part)}`}>
      {ports.map((port) => (
        <PortItem key={port.port} part={part} port={port} onPart={onPart} />
      ))}
    </ul>
  );
}

/** A port that is there, or the next that the part can have. */
type ListedPort = PortAsItIs & { readonly isSpare?: boolean };
const isUnmet = ({ state, spec, isSpare }: ListedPort): boolean => state === 'open' && spec.use !== 'dry' && !isSpare;

function PortItem({ part, port, onPart }: { part: Part; port: ListedPort; onPart(id: string): void }) {
  const session = useSession();
  const job = useJob();
  const act = useAct();
  const { peer, known, spec, state, isSpare } = port;
  const ref = { part: part.id, port: port.port };
  const other = peer && job.parts[peer.part];
  return (
    <li className="py-1.5" data-port={port.port}>
      <div className="flex flex-wrap items-baseline gap-x-2">
        <span className="font-semibold">{capital(spec.name)}</span>
        {other ? (
          <span>
            joined to{' '}
            <button className="underline decoration-hair-strong underline-offset-3" onClick={() => onPart(other.id)}>
              {partName(other)}
            </button>
          </span>
        ) : (
          <span className={isUnmet(port) ? 'font-semibold text-fix' : 'text-ink-soft'}>
            {isSpare ? 'free: one more can be made' : state}
          </span>
        )}
      </div>
      <details open={isUnmet(port) ? true : undefined}>
        <summary className="label min-h-[26px] py-1">
          {peer ? 'Fitting, sealant, clamp and acts' : 'Fitting and acts'}
        </summary>
        <PropertyField
          property={fittingProperty}
          path={['parts', part.id, 'ports', port.port, 'fitting']}
          value={known.fitting}
          needed={false}
          onChange={(fitting, group) =>
            act(setOnPort(session.getSnapshot().job, ref, 'fitting', fitting as Port | undefined), group)
          }
        />
        {peer && (
          <JointFields
            joint={peer.joint}
            keys={made.filter((key) => key !== 'clamp' || isFlexible(part) || (other && isFlexible(other)))}
            of={`at the ${spec.name} of ${partName(part)}`}
            className="grid gap-x-5 sm:grid-cols-2"
          />
        )}
        <div className="flex flex-wrap gap-2 py-1.5">
          {peer ? (
            <>
              <AddPart spot={{ joint: peer.joint.id }} onAdded={onPart} label="Put a part in here" />
              <Tee joint={peer.joint.id} onPart={onPart} />
              <EndMenu
                label="Move this end to"
                part={part.id}
                acts={(to) => ({ act: 'moveEnd', joint: peer.joint.id, part: part.id, to })}
                own
              />
              <ActButton act={{ act: 'disconnect', joint: peer.joint.id }}>Undo the joint</ActButton>
            </>
          ) : spec.use === 'dry' ? null : (
            <>
              {!isSpare && <PortClosing port={ref} isOpen={state === 'open'} />}
              <AddPart spot={{ port: ref }} onAdded={onPart} label="Put a part on it" />
              <EndMenu label="Join it to" part={part.id} acts={(to) => ({ act: 'connect', a: ref, b: to })} />
            </>
          )}
        </div>
      </details>
    </li>
  );
}

function Tee({ joint, onPart }: { joint: string; onPart(id: string): void }) {
  const job = useJob();
  const { act, id } = teeing(job, joint);
  return (
    <ActButton act={act} onDone={() => onPart(id)}>
      Branch by a tee
    </ActButton>
  );
}

/** A menu of every free port that this one can go to. */
function EndMenu({
  label,
  part,
  acts,
  own,
}: {
  label: string;
  part: string;
  acts(to: { part: string; port: string }): Act;
  own?: boolean;
}) {
  const job = useJob();
  const act = useAct();
  const ends = freeEnds(job, own ? '' : part);
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="button" disabled={ends.length === 0}>
        {label} …
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="z-30 max-h-[60vh] overflow-y-auto border border-ink bg-sheet py-1"
          align="start"
          onCloseAutoFocus={keepFocusNear}
        >
          {ends.map(({ name, ref }) => (
            <MenuItem key={name} onSelect={() => act(acts(ref))}>
              {name}
            </MenuItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
