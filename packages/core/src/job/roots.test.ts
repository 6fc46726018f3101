import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { sayField } from './field-name.ts';
import { isSetByPath, roots, stageOfField, tabOfField } from './roots.ts';
import { stageTabs } from './stage.ts';

describe('roots of the job', () => {
  it('every field, list and special editor stands on a tab that its stage has', () => {
    for (const [key, root] of Object.entries(roots)) {
      const tabs: readonly string[] = stageTabs[root.stage];
      const said = [
        root.tab,
        ...Object.values(root.lists).map((list) => list.tab),
        ...Object.values(root.groups).flatMap((group) => [
          group.tab,
          ...Object.values(group.fields).map((field) => field.tab),
          ...Object.values(group.special ?? {}).map((field) => field.tab),
        ]),
      ];
      for (const tab of said) if (tab !== undefined) expect(tabs, `${key}: ${tab}`).to.include(tab);
      if (tabs.length > 0) expect(root.tab, `${key} has a tab for what says none`).to.not.equal(undefined);
    }
  });
  const places: [FieldPath, string, string | undefined][] = [
    [['survey', 'tank', 'depth'], 'survey', 'heights'],
    [['survey', 'tank', 'sumpWidth'], 'survey', 'tank'],
    [['survey', 'tank', 'section'], 'survey', 'tank'],
    [['survey', 'tank', 'zones', 'zone-1', 'length'], 'survey', 'tank'],
    [['survey', 'tank', 'strapping', 3, 'level'], 'survey', 'tank'],
    [['survey', 'tank', 'fillerHeight'], 'survey', 'vent'],
    [['survey', 'vent', 'length'], 'survey', 'vent'],
    [['survey', 'oldConnections', 'old-1', 'fate'], 'survey', 'old'],
    [['hanger', 'gasketFree'], 'hanger', 'height'],
    [['hanger', 'rods', 'rod-1'], 'hanger', 'height'],
    [['hanger', 'lip'], 'hanger', 'opening'],
    [['hanger', 'ports', 'port-1', 'stud'], 'hanger', 'plate'],
    [['hanger', 'jetDrill'], 'hanger', 'pickup'],
    [['brief', 'testWater'], 'brief', 'fuel'],
    [['brief', 'power'], 'brief', 'engine'],
    [['assumptions', 'fuelTemperature'], 'brief', 'conditions'],
    [['points', 'idle', 'voltage'], 'run', 'points'],
    [['parts', 'hose-1', 'length'], 'run', 'part'],
    [['bulkhead', 'end-1', 'along'], 'joints', 'room'],
    [['bench', 'x'], 'joints', 'bench'],
    [['gauge', 'sweep'], 'gauge', 'sweep'],
    [['gauge', 'floatLow'], 'gauge', 'float'],
    [['gauge', 'senderFull'], 'gauge', 'match'],
    [['routes', 'datum'], 'routes', 'map'],
    [['routes', 'zones', 'zone-1', 'a', 'up'], 'routes', 'map'],
    [['routes', 'lines', 'hose-1', 'through'], 'routes', 'lines'],
    [['routes', 'candidates', 'place-1'], 'routes', 'places'],
    [['routes', 'clipEvery'], 'routes', 'clearances'],
    [['wiring', 'mostDrop'], 'wiring', 'volts'],
    [['wiring', 'scheme', 'live'], 'wiring', 'lists'],
    [['wiring', 'rolls', 'roll-1', 'length'], 'wiring', 'lists'],
    [['wiring', 'devices', 'fuse-1', 'rating'], 'wiring', 'circuit'],
    [['layout', 'key'], 'layout', undefined],
  ];
  for (const [path, stage, tab] of places)
    it(`${path.join('/')} is filled in on ${stage}${tab ? `, ${tab}` : ''}`, () => {
      expect(stageOfField(path)).to.equal(stage);
      expect(tabOfField(stageOfField(path), path)).to.equal(tab);
    });
  it('a part’s field is shown on other stages too', () => {
    expect(tabOfField('routes', ['parts', 'hose-1', 'ports', 'in'])).to.equal('map');
    expect(tabOfField('routes', ['parts', 'hose-1', 'length'])).to.equal('lines');
    expect(tabOfField('joints', ['parts', 'hose-1', 'ports', 'in'])).to.equal('list');
    expect(tabOfField('wiring', ['parts', 'pump-1', 'tables'])).to.equal('circuit');
  });
  it('parts, joints and overrules have acts of their own, all else is set by its path', () => {
    expect(Object.keys(roots).filter((key) => !isSetByPath(key))).to.deep.equal(['parts', 'joints', 'overrules']);
    expect(isSetByPath('constructor')).to.equal(false);
  });
  it('a root has its words before anything stands in it', () => {
    for (const key of Object.keys(roots)) expect(sayField(demoJobs.sprintCar, [key]), key).to.match(/[a-z]{3}/);
  });
});
