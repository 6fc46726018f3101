import type { Diagram, DiagramGroup } from '@endrel/core/wiring/diagram';
import { bounded } from '../../components/Boundary.tsx';
import { DrawnShape } from '../DrawnShape.tsx';

interface CircuitDiagramProps {
  readonly diagram: Diagram;
  readonly chosen: string | undefined;
  /** What a wire or a device is called. */
  say(id: string): string;
  /** Wires and devices with a snag, by how bad it is. */
  readonly marked: ReadonlyMap<string, 'stop' | 'fix' | 'note'>;
  onChoose(id: string): void;
}

/** The circuit, fed from the left: boxes by DIN 72552 numbers, thick lines for what carries a pump's current, broken ones for shielded wires. */
export const CircuitDiagram = bounded('The diagram of the circuit', CircuitDiagramDrawn);

function CircuitDiagramDrawn({ diagram, chosen, say, marked, onChoose }: CircuitDiagramProps) {
  return (
    <div className="overflow-x-auto border border-hair bg-sheet p-2">
      <svg
        viewBox={`0 0 ${diagram.width} ${diagram.height}`}
        className="block h-auto w-full"
        style={{ minWidth: Math.min(diagram.width, 720) }}
        role="group"
        aria-label="Circuit"
      >
        {diagram.groups.map((group) => (
          <Group
            key={group.id}
            group={group}
            name={say(group.id)}
            isChosen={group.id === chosen}
            mark={marked.get(group.id)}
            onChoose={onChoose}
          />
        ))}
      </svg>
    </div>
  );
}

function Group({
  group,
  name,
  isChosen,
  mark,
  onChoose,
}: {
  group: DiagramGroup;
  name: string;
  isChosen: boolean;
  mark: 'stop' | 'fix' | 'note' | undefined;
  onChoose(id: string): void;
}) {
  const ink = isChosen ? 'var(--electrical)' : mark === 'stop' || mark === 'fix' ? `var(--${mark})` : 'var(--ink)';
  const choose = () => onChoose(group.id);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={mark === undefined ? name : `${name}, has a snag: ${mark}`}
      aria-pressed={isChosen}
      className="cursor-pointer"
      onClick={choose}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        choose();
      }}
    >
      <title>{name}</title>
      {group.shapes.map((s, i) => (
        <DrawnShape key={i} shape={s} ink={ink} isChosen={isChosen} />
      ))}
    </g>
  );
}
