import { useMemo } from 'react';
import { JET_MARGIN, MOST_OF_SET, type SiphonFindings } from '@endrel/core/hangers/siphon';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useDisplayUnits } from '../units/display-units.tsx';
import { LinesChart, type ChartLine } from './LinesChart.tsx';
import { bounded } from '../components/Boundary.tsx';

interface JetChartProps {
  readonly siphon: SiphonFindings;
  readonly of: 'suction' | 'backPressure';
}

/** Every drill of the set: what it brings across at full load against what is burnt, or what it holds back at idle. */
export const JetChart = bounded('The chart of the jet pump', JetChartDrawn);

function JetChartDrawn({ siphon, of }: JetChartProps) {
  const units = useDisplayUnits();
  const isSuction = of === 'suction';
  const unit = unitById(isSuction ? (units.unitOf('volumeFlow') ?? 'L/h') : (units.unitOf('pressure') ?? 'kPa'));
  const length = unitById(units.unitOf('length') ?? 'mm');
  const { regulated: set } = siphon;
  const limit = isSuction ? JET_MARGIN * siphon.fullLoad.demand : set === undefined ? undefined : MOST_OF_SET * set;
  const lines = useMemo((): ChartLine[] => {
    const points = siphon.set.map((d) => ({ x: fromSi(d.drill, length), y: fromSi(d[of], unit) }));
    const line: ChartLine = {
      name: isSuction ? 'brought across at full load' : 'held back at idle',
      points,
      ink: 'supply',
      nameAt: 0.45,
    };
    if (limit === undefined) return [line];
    const across = [points[0]!.x, points.at(-1)!.x].map((x) => ({ x, y: fromSi(limit, unit) }));
    return [
      line,
      {
        name: isSuction ? 'burnt, and 15 %' : 'a fifth of the set pressure',
        points: across,
        ink: 'ink',
        dash: [9, 4],
        nameAt: 0.9,
      },
    ];
  }, [siphon, of, unit, length, isSuction, limit]);
  const marks = useMemo(() => {
    const at = (drill: number, text: string) => ({ x: fromSi(drill, length), text });
    return [
      ...(siphon.isEntered ? [at(siphon.of, 'entered')] : []),
      ...(siphon.drill !== undefined && siphon.drill !== (siphon.isEntered ? siphon.of : undefined)
        ? [at(siphon.drill, 'recommended')]
        : []),
    ];
  }, [siphon, length]);
  const highest = Math.max(...siphon.set.map((d) => d[of]));
  return (
    <LinesChart
      lines={lines}
      x={{ title: `drill (${length.label})` }}
      y={{
        title: `${isSuction ? 'flow' : 'pressure'} (${unit.label})`,
        fromZero: true,
        max: isSuction || limit === undefined ? undefined : fromSi(Math.min(highest, 5 * limit), unit),
      }}
      marks={marks}
      label={
        isSuction
          ? 'Fuel brought across against the drill of the jet'
          : 'Pressure held back at idle against the drill of the jet'
      }
    />
  );
}
