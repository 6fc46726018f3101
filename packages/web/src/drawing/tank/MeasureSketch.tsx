import type { ReactNode } from 'react';
import type { TankShape } from '@endrel/core/job/tank';
import { Dimension } from './Dimension.tsx';
import { bounded } from '../../components/Boundary.tsx';

/** Which measurement goes where: an invented tank of the chosen shape, its dimensions lettered. Not to scale. */
export const MeasureSketch = bounded('The sketch of what to measure', MeasureSketchDrawn);

function MeasureSketchDrawn({ shape }: { shape: TankShape | undefined }) {
  return (
    <figure className="sheet">
      <svg viewBox="0 0 520 250" className="block h-auto w-full" role="img" aria-label={sketchLabels[shape ?? 'box']}>
        <g stroke="var(--ink)" strokeWidth={2} fill="none">
          {outlines[shape ?? 'box']}
        </g>
        {letters[shape ?? 'box']}
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        Where to measure: the letters stand beside the fields. Not to scale.{' '}
        {shape ? captions[shape] : 'The shape is not chosen yet: a box stands for it.'}
      </figcaption>
    </figure>
  );
}

const sketchLabels: Record<TankShape, string> = {
  box: 'Box tank: D depth through the opening, L length, W width, R corner radius',
  cylinder: 'Lying cylinder: D depth is its diameter, L length between the ends, E how far a dished end stands out',
  prism: 'One section all along: corners numbered as they are traced, L length',
  loft: 'Tank that changes along its length: each section with its distance from the front, width and height',
  saddle: 'Saddle tank: A left lobe, B right lobe, C bridge, H bridge floor height, D depth, L length',
  stepped: 'Stepped floor: each stretch with its length and floor height, sump below, D depth',
  mesh: 'Mesh from a file',
  strapping: 'Filling in known steps: read the height after each',
};
const captions: Record<TankShape, string> = {
  box: 'Outside walls less twice the wall thickness give the inside.',
  cylinder: 'Measure the diameter twice, at right angles.',
  prism: 'Go round the section once with a tape from two fixed edges; the last corner joins the first.',
  loft: 'Hold a straightedge across wherever the shape changes.',
  saddle: 'Measure each lobe at mid height.',
  stepped: 'Feel for the steps with a bent rod through the opening.',
  mesh: 'z up, x forward, y left.',
  strapping: 'Empty and level: pour a measured can in, let it settle, read the rule or the ohmmeter, write both down.',
};

const box = (
  <>
    <rect x={60} y={50} width={210} height={130} rx={22} />
    <rect x={330} y={50} width={130} height={130} rx={22} />
    <path d="M140 50v-8h34v8" />
  </>
);
const dots = [
  [90, 60],
  [230, 60],
  [262, 110],
  [200, 180],
  [120, 180],
  [90, 140],
] as const;

const outlines: Record<TankShape, ReactNode> = {
  box,
  cylinder: (
    <>
      <path d="M80 60H260M80 180H260M80 60C50 75 50 165 80 180M260 60C290 75 290 165 260 180M80 60V180M260 60V180" />
      <circle cx={400} cy={120} r={60} />
    </>
  ),
  prism: <path d={`M${dots.map((d) => d.join(' ')).join('L')}Z`} />,
  loft: (
    <>
      <path d="M60 90H180L300 50V180H60Z" />
      <path d="M180 90V180" strokeDasharray="5 4" />
      <rect x={360} y={60} width={110} height={110} rx={14} />
    </>
  ),
  saddle: <path d="M50 60H430V190H310V120H180V190H50Z" />,
  stepped: <path d="M50 60H440V130H330V180H250V210H180V180H50Z" />,
  mesh: (
    <path
      d="M100 180L180 60L330 50L420 170L260 210ZM180 60L260 210M330 50L260 210M180 60L260 130L330 50M260 130L100 180M260 130L420 170"
      strokeWidth={1.2}
    />
  ),
  strapping: (
    <>
      <rect x={150} y={60} width={210} height={140} rx={20} />
      {[90, 118, 146, 172].map((y) => (
        <path key={y} d={`M150 ${y}H360`} strokeDasharray="6 4" strokeWidth={1.2} />
      ))}
      <path d="M250 30V200" strokeWidth={1.4} />
      <path d="M250 60h6M250 88h6M250 116h6M250 144h6M250 172h6" strokeWidth={1} />
    </>
  ),
};

const letters: Record<TankShape, ReactNode> = {
  box: (
    <>
      <Dimension from={[157, 52]} to={[157, 178]} letter="D" />
      <Dimension from={[60, 210]} to={[270, 210]} letter="L" ends={180} />
      <Dimension from={[330, 210]} to={[460, 210]} letter="W" ends={180} />
      <text x={438} y={76} fontSize={15} className="figure" fill="var(--ink)">
        R
      </text>
    </>
  ),
  cylinder: (
    <>
      <Dimension from={[170, 60]} to={[170, 180]} letter="D" />
      <Dimension from={[80, 212]} to={[260, 212]} letter="L" ends={180} />
      <Dimension from={[260, 36]} to={[283, 36]} letter="E" ends={60} />
    </>
  ),
  prism: (
    <>
      {dots.map(([x, y], i) => (
        <g key={i}>
          <circle cx={x} cy={y} r={4} fill="var(--ink)" />
          <text x={x + 9} y={y - 6} fontSize={14} className="figure" fill="var(--ink)">
            {i + 1}
          </text>
        </g>
      ))}
      <text x={330} y={120} fontSize={14} fill="var(--ink-soft)">
        across, up; L along the vehicle
      </text>
    </>
  ),
  loft: (
    <>
      <Dimension from={[60, 210]} to={[180, 210]} letter="1" ends={180} />
      <Dimension from={[180, 210]} to={[300, 210]} letter="2" ends={180} />
    </>
  ),
  saddle: (
    <>
      <Dimension from={[50, 218]} to={[180, 218]} letter="A" ends={190} />
      <Dimension from={[180, 218]} to={[310, 218]} letter="C" ends={120} />
      <Dimension from={[310, 218]} to={[430, 218]} letter="B" ends={190} />
      <Dimension from={[230, 120]} to={[230, 190]} letter="H" />
      <Dimension from={[460, 60]} to={[460, 190]} letter="D" ends={430} />
    </>
  ),
  stepped: (
    <>
      <Dimension from={[50, 232]} to={[180, 232]} letter="1" ends={180} />
      <Dimension from={[250, 232]} to={[330, 232]} letter="2" ends={180} />
      <Dimension from={[330, 232]} to={[440, 232]} letter="3" ends={130} />
      <Dimension from={[110, 60]} to={[110, 180]} letter="D" />
      <text x={196} y={203} fontSize={13} fill="var(--ink-soft)">
        sump
      </text>
    </>
  ),
  mesh: null,
  strapping: (
    <text x={375} y={120} fontSize={13} fill="var(--ink-soft)">
      5 L at a time
    </text>
  ),
};
