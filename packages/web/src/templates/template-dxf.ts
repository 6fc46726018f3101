import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { inOneLine } from '@endrel/core/fields/text';
import type { Template } from '@endrel/core/hangers/plate-template';

/** The template as DXF in millimetres, a layer each for what is cut, centre lines and notes. */
export function templateDxf({ shapes }: Template): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLType('CENTRE', '____ _ ____', [8, -1, 1, -1]);
  dxf.addLayer('CUT', Colors.White, 'CONTINUOUS');
  dxf.addLayer('CENTRE', Colors.White, 'CENTRE');
  dxf.addLayer('NOTE', Colors.White, 'CONTINUOUS');
  for (const shape of shapes) {
    dxf.setCurrentLayerName(shape.layer.toUpperCase());
    switch (shape.kind) {
      case 'circle':
        dxf.addCircle(point3d(shape.x, shape.y), shape.radius);
        break;
      case 'line':
        dxf.addLine(point3d(...shape.from), point3d(...shape.to));
        break;
      case 'text':
        dxf.addText(
          point3d(shape.x, shape.y),
          shape.height,
          // a line break would end the text and begin a group of its own
          inOneLine(shape.text).replace('⌀', '%%c').replace('×', 'x').replace('·', '-'),
        );
        break;
    }
  }
  return dxf.stringify();
}
