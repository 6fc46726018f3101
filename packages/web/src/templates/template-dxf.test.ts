import { expect } from 'chai';
import DxfParser from 'dxf-parser';
import { demoJobs } from '@endrel/core/demo/index';
import { plateTemplate } from '@endrel/core/hangers/plate-template';
import { ringPlate } from '@endrel/core/hangers/ring-plate';
import { templateDxf } from './template-dxf.ts';

describe('a template as DXF', () => {
  it('reads back, with another library, in millimetres at true size', () => {
    const plate = ringPlate(demoJobs.flatBedTender.hanger!)!;
    const read = new DxfParser().parseSync(templateDxf(plateTemplate(plate, 'ring', 'Ring plate')))!;
    expect(read.header.$INSUNITS).to.equal(4); // millimetres
    const circles = read.entities.filter((e) => e.type === 'CIRCLE') as unknown as { layer: string; radius: number }[];
    const cut = circles.filter((c) => c.layer === 'CUT').map((c) => Number(c.radius.toFixed(9)));
    expect(cut).to.include.members([74, 52]);
    expect(cut.filter((r) => r === 2.75)).to.have.length(6);
    expect(circles.find((c) => c.layer === 'CENTRE')!.radius).to.equal(64);
  });
  it('takes a title with line breaks for text, not for entities of its own', () => {
    const plate = ringPlate(demoJobs.flatBedTender.hanger!)!;
    const read = (title: string) =>
      new DxfParser().parseSync(templateDxf(plateTemplate(plate, 'ring', title)))!.entities;
    const hostile = read('Ring\n0\nCIRCLE\n8\nCUT\n10\n0.0\n20\n0.0\n40\n999.0');
    expect(hostile.map((e) => e.type)).to.deep.equal(read('Ring').map((e) => e.type));
    expect(hostile.filter((e) => (e as unknown as { radius?: number }).radius === 999)).to.deep.equal([]);
  });
});
