import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import type { CentreLine } from '@endrel/core/routes/centre-line';
import type { Vec } from '@endrel/core/routes/vector';

/** The middle of a tube in three dimensions as DXF in millimetres, and the lines between its corners on a layer of their own. */
export function tubeDxf(centre: CentreLine, corners: readonly Vec[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer('TUBE', Colors.White, 'CONTINUOUS');
  dxf.addLayer('CORNERS', Colors.Green, 'CONTINUOUS');
  const at = (p: Vec) => point3d(...(p.map((c) => Number((c * 1000).toFixed(6))) as [number, number, number]));
  const draw = (layer: string, points: readonly Vec[]) => {
    dxf.setCurrentLayerName(layer);
    points.slice(1).forEach((p, i) => dxf.addLine(at(points[i]!), at(p)));
  };
  draw('TUBE', centre.points);
  draw('CORNERS', corners);
  return dxf.stringify();
}
