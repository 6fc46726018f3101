import { degrees, toDegrees } from '@endrel/core/units/quick';
import type { FuelPlane } from '@endrel/core/meshes/fuel-plane';
import { solidVolume } from '@endrel/core/tanks/solid';
import { volumeAtLevel } from '@endrel/core/tanks/strapping-table';
import type { Tank } from '@endrel/core/tanks/surveyed-tank';
import { useDisplayUnits } from '../../units/display-units.tsx';

export interface TiltState {
  /** Level as a share of the tank's height; pitch and roll in rad. */
  readonly share: number;
  readonly pitch: number;
  readonly roll: number;
}

/** Level, pitch and roll on sliders, with the litres below that surface. */
export function Tilt({
  state,
  onChange,
  tank,
  plane,
}: {
  state: TiltState;
  onChange(next: TiltState): void;
  tank: Tank;
  plane: FuelPlane;
}) {
  const units = useDisplayUnits();
  const parts = tank.solids?.map((solid) => ({ name: solid.name, volume: tank.porosity * solidVolume(solid, plane) }));
  const level = tank.bottom + state.share * (tank.top - tank.bottom);
  const volume = parts?.reduce((sum, p) => sum + p.volume, 0) ?? volumeAtLevel(tank.table, level);
  return (
    <div className="mt-2 grid gap-x-5 sm:grid-cols-3">
      <Slider
        label="Level"
        value={state.share * 100}
        from={0}
        to={100}
        words={units.tape(level)}
        onChange={(v) => onChange({ ...state, share: v / 100 })}
      />
      <Slider
        label="Pitch"
        value={toDegrees(state.pitch)}
        from={-30}
        to={30}
        words={tiltWords(state.pitch, 'nose down', 'nose up')}
        disabled={!tank.solids}
        onChange={(v) => onChange({ ...state, pitch: degrees(v) })}
      />
      <Slider
        label="Roll"
        value={toDegrees(state.roll)}
        from={-30}
        to={30}
        words={tiltWords(state.roll, 'fuel to the left', 'fuel to the right')}
        disabled={!tank.solids}
        onChange={(v) => onChange({ ...state, roll: degrees(v) })}
      />
      <p className="sm:col-span-3" aria-live="polite">
        <span className="figure text-2xl">{units.show('volume', volume)}</span>{' '}
        <span className="label">
          {parts && parts.length > 1
            ? parts.map((p) => `${p.name} ${units.show('volume', p.volume)}`).join(', ')
            : 'below this surface'}
        </span>
      </p>
    </div>
  );
}

const tiltWords = (angle: number, positive: string, negative: string): string =>
  angle === 0
    ? 'level'
    : `${Math.round(toDegrees(Math.abs(angle)))}° ${angle > 0 ? positive : negative}, ${Math.abs(Math.tan(angle)).toFixed(2)} g`;

function Slider(props: {
  label: string;
  value: number;
  from: number;
  to: number;
  words: string;
  disabled?: boolean;
  onChange(value: number): void;
}) {
  return (
    <label className="block">
      <span className="label flex justify-between gap-2">
        <span>{props.label}</span>
        <span className="figure text-ink">{props.words}</span>
      </span>
      <input
        type="range"
        className="w-full accent-[var(--ink)] max-sm:min-h-11"
        min={props.from}
        max={props.to}
        step={1}
        value={props.value}
        disabled={props.disabled}
        aria-valuetext={props.words}
        onChange={(e) => props.onChange(Number(e.target.value))}
      />
    </label>
  );
}
