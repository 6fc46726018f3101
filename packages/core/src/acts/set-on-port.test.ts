import { expect } from 'chai';
import { act } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Port } from '../fittings/port.ts';
import { setOnPort } from './set-on-port.ts';

const looked: Port = { form: 'oRingBoss', size: '−8', gender: 'female', material: 'aluminium' };
const port = { part: 'rail-1', port: 'side-1' };

describe('setting one thing of a port', () => {
  const job = { ...demoJobs.mailVan };
  const stateOf = () => job.parts[port.part]!.ports?.[port.port];
  it('keeps what else is known of it, and goes back to unknown', () => {
    act(job, setOnPort(job, port, 'fitting', looked));
    act(job, setOnPort(job, port, 'closed', 'capped'));
    expect(stateOf()).to.deep.equal({ fitting: looked, closed: 'capped' });
    act(job, setOnPort(job, port, 'closed', 'plugged'));
    expect(stateOf()).to.deep.equal({ fitting: looked, closed: 'plugged' });
    act(job, setOnPort(job, port, 'closed', undefined));
    expect(stateOf()).to.deep.equal({ fitting: looked });
    expect(setOnPort(job, port, 'fitting', undefined).state).to.deep.equal({});
  });
});
