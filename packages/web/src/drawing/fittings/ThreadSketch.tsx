import { coneAngle, seatOf, sayThread, type Gender, type Thread } from '@endrel/core/threads/thread';
import { bounded } from '../../components/Boundary.tsx';

const MM = 1000;
const TURNS = 7; // of the thread are drawn

/**
 * A thread at true proportion, in section over its axis: flanks, crest and root flats by its standard, the seat at its end, and
 * the caliper's reading across it.
 *
 * @param reading - m, what the caliper showed; undefined: none is drawn.
 */
export const ThreadSketch = bounded('The sketch of the thread', ThreadSketchDrawn);

function ThreadSketchDrawn({
  thread,
  gender,
  reading,
  height = 118,
}: {
  thread: Thread;
  gender: Gender;
  reading: number | undefined;
  height?: number;
}) {
  const pitch = thread.pitch * MM;
  const crest = (gender === 'male' ? thread.readMale : thread.major) * MM;
  const root = (gender === 'male' ? thread.minorExternal : thread.minorInternal) * MM;
  const flank = Math.tan(thread.flankAngle / 2);
  const depth = (crest - root) / 2;
  const rise = depth * flank; // along the axis, of one flank
  const flat = Math.max(0, (pitch - 2 * rise) / 2);
  const profile = (side: 1 | -1): string => {
    let path = '';
    for (let i = 0; i < TURNS; i++) {
      const x = i * pitch;
      const narrow = (-side * thread.taper * x) / 2;
      const at = (r: number) => side * (r / 2) + narrow;
      path += `${i === 0 ? `M${x} ${at(root)}` : `L${x} ${at(root)}`}L${x + rise} ${at(crest)}L${x + rise + flat} ${at(crest)}L${x + 2 * rise + flat} ${at(root)}L${x + pitch} ${at(root)}`;
    }
    return path;
  };
  /** The lower edge from its far end back. */
  const reversed = (side: 1 | -1): string =>
    profile(side)
      .slice(1)
      .split('L')
      .reverse()
      .map((p) => `L${p}`)
      .join('');
  const long = TURNS * pitch;
  const seat = seatOf(thread);
  const angle = coneAngle[seat];
  const coneDepth = angle === undefined ? 0 : root / 2 / Math.tan(angle) / 1.6;
  const half = Math.max(crest, (reading ?? 0) * MM) / 2;
  const [left, right] = [-7, long + Math.max(coneDepth, 3) + 4];
  const tall = 2 * half + 8;
  const scale = height / tall;
  return (
    <svg
      viewBox={`${left} ${-half - 4} ${right - left} ${tall}`}
      width={(right - left) * scale}
      height={height}
      className="max-w-full"
      role="img"
      aria-label={`${sayThread(thread)} at true proportion${reading === undefined ? '' : ', with the caliper’s reading across it'}`}
    >
      {gender === 'male' ? (
        <path d={`${profile(-1)}L${long} ${root / 2}${reversed(1)}Z`} fill="var(--sheet)" stroke="none" />
      ) : (
        ([-1, 1] as const).map((side) => (
          <path key={side} d={`${profile(side)}V${side * (half + 2.5)}H0Z`} fill="var(--sheet)" stroke="none" />
        ))
      )}
      <path d={profile(-1)} fill="none" stroke="var(--ink)" strokeWidth={0.45} />
      <path d={profile(1)} fill="none" stroke="var(--ink)" strokeWidth={0.45} />
      {gender === 'male' && <path d={`M0 ${-root / 2}V${root / 2}`} stroke="var(--ink)" strokeWidth={0.45} />}
      <path d={`M${-4} 0H${long + 3}`} stroke="var(--hair-strong)" strokeWidth={0.25} strokeDasharray="3 1 0.6 1" />
      {angle !== undefined && seat !== 'invertedSeat' && (
        <path
          d={`M${long} ${-root / 2}L${long + coneDepth} ${-root / 2 + coneDepth * Math.tan(angle)}V${root / 2 - coneDepth * Math.tan(angle)}L${long} ${root / 2}`}
          fill="var(--lit)"
          stroke="var(--ink)"
          strokeWidth={0.4}
        />
      )}
      {(seat === 'oRingBoss' || seat === 'metricORingBoss') && (
        <>
          <circle cx={-1.6} cy={-crest / 2 + 0.6} r={1.1} fill="var(--ink)" />
          <circle cx={-1.6} cy={crest / 2 - 0.6} r={1.1} fill="var(--ink)" />
        </>
      )}
      {seat === 'invertedSeat' && (
        <path
          d={`M${long} ${-root / 3}L${long - coneDepth} 0L${long} ${root / 3}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={0.4}
        />
      )}
      {reading !== undefined && (
        <g stroke="var(--supply)" strokeWidth={0.5} fill="none">
          <path d={`M${-6} ${(-reading * MM) / 2}H${long * 0.55}M${-6} ${(reading * MM) / 2}H${long * 0.55}`} />
          <path d={`M${-5} ${(-reading * MM) / 2}V${(reading * MM) / 2}`} strokeDasharray="1.2 0.8" />
        </g>
      )}
    </svg>
  );
}
