import { expect } from 'chai';
import { assess } from '../../assessment/assess.ts';
import { islandShuttle } from '../../demo/island-shuttle.ts';
import { applyAct } from '../../acts/apply-act.ts';
import { jobSchema, type Job } from '../../job/job.ts';
import type { Routes, ZoneRow } from '../../job/routes.ts';
import type { Snag } from '../snag.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const at = (rearward: number, left: number, up: number) => ({ rearward: mm(rearward), left: mm(left), up: mm(up) });

/** The shuttle with something other; it stays a valid job. */
function shuttle(change: (job: DeepJob, routes: DeepRoutes) => void): Job {
  const job = structuredClone(islandShuttle) as DeepJob;
  change(job, job.routes);
  expect(jobSchema.safeParse(job).error).to.equal(undefined);
  return job as unknown as Job;
}

type DeepJob = { parts: any; joints: any; survey: any; routes: DeepRoutes };

type DeepRoutes = { [K in keyof Routes]-?: any };
const zoneOf = (routes: DeepRoutes, label: string): ZoneRow & Record<string, unknown> =>
  routes.zones.find((z: ZoneRow) => z.label === label);
const of = (job: Job, rule: string): Snag[] => assess(job).snags.filter((s) => s.rule === rule);
const only = (job: Job, rule: string): Snag => {
  const found = of(job, rule);
  expect(found.map((s) => s.what)).to.have.length(1);
  return found[0]!;
};
const FEED = 'hard-line-1';
const LINE = 9.525 / 2; // mm, half of 3/8 in
/** A pipe beside the feed line with so much between their skins, mm. */
const exhaustAt = (gap: number, more: object = {}) =>
  shuttle((_, routes) => {
    routes.zones.push({
      id: 'near',
      label: 'Tail pipe',
      kind: 'hot',
      shape: 'pipe',
      a: at(1000, 550 + LINE + 30 + gap, 420),
      b: at(1600, 550 + LINE + 30 + gap, 420),
      radius: mm(30),
      ...more,
    });
  });

describe('routes: lines and what they keep off', () => {
  it('are clear on the demo job', () => {
    const snags = assess(islandShuttle).snags.filter((s) => s.stage === 'routes');
    expect(snags.map((s) => s.what)).to.deep.equal([]);
  });
  it('an exhaust without a shield at 100 mm, just under and just over; with a shield at 25 mm', () => {
    expect(of(exhaustAt(100.1), 'line-too-near')).to.have.length(0);
    const near = only(exhaustAt(99.9), 'line-too-near');
    expect([near.grade, near.part, near.figure!.si, near.limit!.si]).to.deep.equal([
      'stop',
      FEED,
      near.figure!.si,
      0.1,
    ]);
    expect(near.figure!.si).to.be.closeTo(0.0999, 1e-6);
    expect(of(exhaustAt(25.1, { shielded: true }), 'line-too-near')).to.have.length(0);
    expect(of(exhaustAt(24.9, { shielded: true }), 'line-too-near')).to.have.length(1);
    expect(of(exhaustAt(60, { gap: mm(55), reason: 'wrapped pipe' }), 'line-too-near')).to.have.length(0);
  });
  it('a shield over that stretch of the line does the same, and feeds the heat of the run', () => {
    const shield = (from: number, to: number) => {
      const job = structuredClone(exhaustAt(60)) as unknown as DeepJob;
      job.routes.lines[FEED].sleeves = [{ id: 'row-1', kind: 'shield', from: mm(from), to: mm(to) }];
      return job as unknown as Job;
    };
    expect(of(shield(2400, 3300), 'line-too-near')).to.have.length(0);
    expect(of(shield(2400, 2800), 'line-too-near')).to.have.length(1); // the rest of it lies bare
    const line = (job: Job) =>
      assess(job).findings.job.parts[FEED] as { exhaustGap?: { si: number }; shielded?: boolean };
    expect(line(exhaustAt(60)).exhaustGap!.si).to.be.closeTo(0.06, 1e-6);
    expect([line(exhaustAt(60)).shielded, line(shield(2400, 3300)).shielded]).to.deep.equal([undefined, true]);
  });
  it('an axle at full travel keeps 50 mm, and its cure does', () => {
    const axle = (gap: number) =>
      shuttle((_, routes) => (zoneOf(routes, 'Rear axle').rises = mm(560 - LINE - 340 - gap)));
    expect(of(axle(50.1), 'line-too-near')).to.have.length(0);
    const snag = only(axle(49.9), 'line-too-near');
    expect([snag.grade, snag.limit!.si]).to.deep.equal(['stop', 0.05]);
    expect(snag.cure).to.match(/^Move it \d+ mm up there\.$/);
    const cured = applyAct(axle(49.9), snag.act!);
    expect(of(cured, 'line-too-near')).to.have.length(0);
    expect(jobSchema.safeParse(cured).success).to.equal(true);
  });
  it('the plane of the belts', () => {
    const belts = (gap: number) =>
      shuttle((_, routes) =>
        Object.assign(zoneOf(routes, 'Belts'), { a: at(-600, 550 + LINE + gap, 300), b: at(1300, 700, 600) }),
      );
    expect(of(belts(25.1), 'line-too-near')).to.have.length(0);
    const [snag] = of(belts(24.9), 'line-too-near');
    expect(snag!.what).to.match(/^“Feed line” is too near to “Belts”/);
    expect(snag!.grade).to.equal('stop');
  });
  it('the cabin', () => {
    const low = (up: number) => shuttle((_, routes) => (zoneOf(routes, 'Cabin').a = at(400, -580, up)));
    expect(of(low(560 + LINE + 0.1), 'line-too-near').filter((n) => n.part === FEED)).to.have.length(0);
    expect(of(low(560 + LINE - 0.1), 'line-too-near').find((n) => n.part === FEED)!.what).to.match(
      /runs through “Cabin”/,
    );
  });
  it('lines that touch one another', () => {
    const second = (up: number) =>
      shuttle((job, routes) => {
        routes.vent = {
          start: { ...at(4400, 550, 420 + up), heading: { si: Math.PI, unit: '°' } },
          finish: at(500, 550, 420 + up),
        };
        routes.zones = [];
        job.survey.vent = { bore: mm(6) };
      });
    const apart = LINE + 4 + 6; // vent of 6 mm bore and 1 mm wall, least 6 mm between
    // it passes over the kick-up of the feed line
    expect(of(second(140 + apart + 0.2), 'line-too-near')).to.have.length(0);
    expect(only(second(140 + apart - 0.2), 'line-too-near').grade).to.equal('fix');
  });
});

describe('routes: hoses', () => {
  const hose = (change: Record<string, unknown>) => shuttle((job) => Object.assign(job.parts['hose-2'], change));
  it('bend no tighter than they may, just under and just over, and the cure holds', () => {
    // as it lies its middle comes to 103.2 mm; allowed are 8 bores inside, on half a bore and a wall
    expect(of(hose({ bore: mm(11.72) }), 'hose-route')).to.have.length(0);
    const tight = only(hose({ bore: mm(11.74) }), 'hose-route');
    expect([tight.grade, tight.which]).to.deep.equal(['stop', 'tight']);
    expect(tight.figure!.si).to.be.below(tight.limit!.si);
    expect(tight.cure).to.match(/^Make it \d+ mm longer, \d+ mm cut\.$/);
    expect(of(applyAct(hose({ bore: mm(11.74) }), tight.act!), 'hose-route')).to.have.length(0);
  });
  it('are as long as the way between their ends', () => {
    const short = only(hose({ length: mm(400) }), 'hose-route');
    expect([short.grade, short.which, short.limit!.si]).to.deep.equal(['stop', 'short', short.limit!.si]);
    expect(of(applyAct(hose({ length: mm(400) }), short.act!), 'hose-route')).to.have.length(0);
  });
  it('have slack for a moving engine: 3 % and 25 mm', () => {
    // 378.55 mm between its ends: 466.03 mm with the slack and 25 mm on either tube
    expect(of(hose({ length: mm(466.2) }), 'hose-route')).to.have.length(0);
    const taut = only(hose({ length: mm(465.8) }), 'hose-route');
    expect([taut.grade, taut.which]).to.deep.equal(['fix', 'taut']);
    expect(of(applyAct(hose({ length: mm(465.8) }), taut.act!), 'hose-route')).to.have.length(0);
    const still = shuttle((job, routes) => {
      job.parts['hose-2'].length = mm(465.8);
      routes.lines['hose-2'].moves = false;
    });
    expect(of(still, 'hose-route')).to.have.length(0);
  });
  it('that are longer than their way asks for bow out: a third and 60 mm over it', () => {
    const still = (length: number) =>
      shuttle((job, routes) => {
        job.parts['hose-2'].length = mm(length);
        routes.lines['hose-2'].moves = false;
      });
    // 378.55 mm between its ends, a third more, and 25 mm on either tube
    expect(of(still(554.6), 'hose-route')).to.have.length(0);
    const long = only(still(554.9), 'hose-route');
    expect([long.grade, long.which]).to.deep.equal(['note', 'long']);
    expect(long.cure).to.match(/^Make it \d+ mm shorter/);
    expect(of(applyAct(still(554.9), long.act!), 'hose-route')).to.have.length(0);
  });
  it('another end or clocking is found where length does not help', () => {
    const turned = shuttle((job, routes) => {
      job.parts['hose-2'].ports = { in: { fitting: { form: 'hoseEnd', size: '−6', gender: 'male' } } };
      job.parts['rail-1'].ports.in.place = { ...at(-450, 300, 480), heading: { si: Math.PI, unit: '°' } };
      routes.lines['hose-2'] = {};
    });
    const snag = of(turned, 'hose-route')[0];
    if (snag?.act)
      expect(of(applyAct(turned, snag.act), 'hose-route').filter((s) => s.which === snag.which)).to.have.length(0);
    expect(snag?.grade).to.equal('stop');
  });
});

describe('routes: panels, tubes, clips and the tank', () => {
  it('a hole keeps 10 mm off a fastener on the far side, and says where it is safe', () => {
    const bolt = (gap: number) =>
      shuttle((_, routes) => {
        zoneOf(routes, 'Rear cross-member').fasteners = [
          {
            id: 'row-1',
            label: 'belt plate',
            ...at(1800, 550 + (9.525 + 6) / 2 + 20 + gap, 420),
            across: mm(40),
            isBehind: true,
          },
        ];
      });
    expect(of(bolt(10.1), 'panel-hole')).to.have.length(0);
    const snag = only(bolt(9.9), 'panel-hole');
    expect([snag.grade, snag.figure!.si]).to.deep.equal(['stop', snag.figure!.si]);
    expect(snag.what).to.match(/meets “belt plate” on its far side/);
    expect(snag.cure).to.match(/^Drill \d+ mm further to the right/);
  });
  it('a hole without a grommet', () => {
    const bare = shuttle((_, routes) => (routes.lines[FEED].grommet = false));
    const snag = only(bare, 'panel-hole');
    expect(of(applyAct(bare, snag.act!), 'panel-hole')).to.have.length(0);
  });
  it('nuts go on before bends and flares', () => {
    const flared = (nutsOn: boolean) =>
      shuttle((job, routes) => {
        job.parts[FEED].ports.in = { fitting: { form: 'flare37', size: '−6', gender: 'female' } };
        routes.lines[FEED].nutsOn = nutsOn;
      });
    expect(of(flared(true), 'tube-bending')).to.have.length(0);
    const snag = only(flared(false), 'tube-bending');
    expect(snag.what).to.match(/^Nuts and sleeves of “Feed line”/);
    expect(of(applyAct(flared(false), snag.act!), 'tube-bending')).to.have.length(0);
  });
  it('bends have room, and the bender its straight', () => {
    const corners = (apart: number) =>
      shuttle(
        (_, routes) =>
          (routes.lines[FEED].through = [at(3000, 550, 420), at(3000, 550 - apart, 420)].map((p, i) => ({
            id: `row-${i}`,
            ...p,
          }))),
      );
    // two near square bends on 28.575 mm: the first corner turns 90°, the second what is left
    const [none] = of(corners(40), 'tube-bending');
    expect([none!.grade, none!.which]).to.deep.equal(['stop', 'no room']);
    expect(of(corners(58), 'tube-bending').map((s) => s.which)).to.deep.equal(['short straight']);
    expect(of(corners(75), 'tube-bending').map((s) => [s.what, s.figure, s.limit])).to.deep.equal([]);
  });
  it('clips are no further apart than 450 mm, as a tape reads', () => {
    const moved = (to: number) =>
      shuttle((_, routes) => (routes.lines[FEED].through[8] = { id: 'row-9', ...at(to, 550, 420), clip: true }));
    expect(of(moved(2110 - 454), 'line-held')).to.have.length(0);
    const snag = only(moved(2110 - 456), 'line-held');
    expect([snag.figure!.si, snag.limit!.si].map((v) => Math.round(v * 1000))).to.deep.equal([456, 450]);
    const own = shuttle((_, routes) => {
      routes.lines[FEED].through[8] = { id: 'row-9', ...at(2110 - 456, 550, 420), clip: true };
      routes.clipSpacing = mm(500);
    });
    expect(of(own, 'line-held')).to.have.length(0);
  });
  it('a line from the top of the tank needs a joint within 600 mm that is beside it', () => {
    const onTop = (line: number, kind = 'tank') =>
      shuttle((job, routes) => {
        job.parts['filter-1'].ports.out.place = { ...at(4300, 300, 520), heading: { si: Math.PI, unit: '°' } };
        job.parts[FEED].ports.out.place = { ...at(4300 - line, 300, 520), heading: { si: Math.PI, unit: '°' } };
        routes.lines[FEED].through = [];
        routes.zones = [{ ...zoneOf(routes, 'Tank'), kind }];
        delete routes.vent;
      });
    expect(of(onTop(599), 'tank-cannot-drop')).to.have.length(0);
    const snag = only(onTop(601), 'tank-cannot-drop');
    expect([snag.part, Math.round(snag.figure!.si * 1000)]).to.deep.equal([FEED, 601]);
    expect(snag.cure).to.match(/^Put a union or a quick connector \d+ mm along it/);
    expect(of(onTop(140), 'tank-cannot-drop').map((n) => n.part)).to.include(FEED); // its next joint is over the tank too
    expect(of(onTop(601, 'panel'), 'tank-cannot-drop'), 'nothing that comes down').to.have.length(0);
  });
  it('a spanner turns at both ends of a line: 2.2 times its flats across', () => {
    // 19 mm across: the head sweeps 20.9 mm; the nut's middle stands 12 mm out of the port
    const wall = (gap: number) =>
      shuttle((_, routes) =>
        routes.zones.push({
          id: 'wall',
          label: 'Bracket',
          kind: 'panel',
          shape: 'box',
          a: at(3900, 550 + gap, 380),
          b: at(4080, 600 + gap, 460),
        }),
      );
    expect(of(wall(21), 'joint-out-of-reach')).to.have.length(0);
    const snag = only(wall(20.8), 'joint-out-of-reach');
    expect([snag.part, snag.which]).to.deep.equal([FEED, 'in']);
    expect(snag.limit!.si).to.be.closeTo(0.0209, 1e-6);
  });
  it('no line hangs lowest', () => {
    const low = (up: number) =>
      shuttle((_, routes) => {
        routes.lines[FEED].through[9] = { id: 'row-10', ...at(1270, 550, up), clip: true };
        routes.zones = routes.zones.filter((z: ZoneRow) => z.label === 'Rear axle');
      });
    // the axle droops by 60 mm from 160 mm
    expect(of(low(130), 'route-heights')).to.have.length(0);
    const snag = only(low(80), 'route-heights');
    expect([snag.which, snag.part]).to.deep.equal(['lowest', FEED]);
  });
});

describe('routes: what is measured wrong', () => {
  it('a place that coincides with the one before, and a way straight back', () => {
    const twice = shuttle((_, routes) => (routes.lines[FEED].through[4] = { id: 'row-5', ...at(3350, 550, 560) }));
    expect(only(twice, 'route-impossible').why).to.match(/^Point \d+ lies where point \d+ does/);
    const back = shuttle(
      (_, routes) =>
        (routes.lines[FEED].through = [at(3000, 550, 420), at(3500, 550, 420), at(3000, 550, 420)].map((p, i) => ({
          id: `row-${i}`,
          ...p,
        }))),
    );
    expect(only(back, 'route-impossible').why).to.match(/straight back/);
  });
  it('a tape triangle that cannot close is named, with by how much', () => {
    const wrong = shuttle((_, routes) => (routes.points[2].tapes[1].far = mm(50)));
    const snag = only(wrong, 'place-wrong');
    expect(snag.what).to.equal('Where “Filter outlet” is does not come out.');
    expect(snag.figure!.si).to.be.above(0.01);
    expect(snag.path).to.deep.equal(['routes', 'points', 'row-3', 'label']);
  });
  it('a zone inside the tank, and one without thickness', () => {
    const inside = shuttle((_, routes) =>
      Object.assign(zoneOf(routes, 'Belts'), { a: at(4200, 100, 240), b: at(4300, 200, 300) }),
    );
    expect(only(inside, 'place-wrong').why).to.match(/tank/i);
    const flat = shuttle((_, routes) => (zoneOf(routes, 'Belts').b = at(-1220, 300, 950)));
    expect(only(flat, 'place-wrong').what).to.match(/“Belts”/);
  });
});

describe('routes feed the run', () => {
  it('lengths, bends and heights that nobody measured come from the routes; what was measured stays', () => {
    const unmeasured = shuttle((job) => {
      delete job.parts[FEED].length;
      delete job.parts[FEED].bends;
    });
    const { findings } = assess(unmeasured);
    const line = findings.job.parts[FEED] as unknown as { length: { si: number }; bends: number };
    expect(line.length.si).to.be.closeTo(findings.routes.lines[0]!.length!, 1e-4);
    expect(line.bends).to.be.closeTo((4 * 43.03 + 2 * 35.8) / 90, 0.02);
    expect(findings.solution).to.not.equal(undefined);
    expect(findings.asLeft.parts[FEED]).to.not.have.property('length');
    const stays = assess(islandShuttle).findings.job;
    expect((stays.parts[FEED] as { length: { si: number } }).length.si).to.be.closeTo(4.6, 1e-9);
    const height = Object.values(stays.joints).find((j) => j.a.part === FEED && j.b.part === 'hose-2')!.height;
    expect(height!.si).to.be.closeTo(0.48 - 0.22, 1e-9);
  });
  it('a longer way costs pressure: the profile follows the route', () => {
    const solved = (detour: number) =>
      assess(
        shuttle((job, routes) => {
          delete job.parts[FEED].length;
          routes.lines[FEED].through[9] = { id: 'row-10', ...at(1270, 550 + detour, 420), clip: true };
        }),
      ).findings.solution!.margin!.margin;
    expect(solved(400)).to.be.below(solved(0));
  });
  it('where a line humps above both of its ends, and nothing where it does not', () => {
    const highest = (job: Job, part = FEED) =>
      (assess(job).findings.job.parts[part] as { highest?: { si: number } }).highest?.si;
    expect(highest(islandShuttle), 'over the axle').to.be.closeTo(0.56 - 0.22, 1e-9);
    expect(highest(islandShuttle, 'hose-2'), 'climbs all the way').to.equal(undefined);
    const humped = shuttle(
      (_, routes) => (routes.lines[FEED].through[9] = { id: 'row-10', ...at(1270, 550, 620), clip: true }),
    );
    // rounded by the bend there
    expect(highest(humped)).to.be.within(0.36, 0.4);
  });
  it('hose ends that turn count as bends, and the tightest bend goes to the ratings', () => {
    const hose = assess(islandShuttle).findings.job.parts['hose-2'] as unknown as {
      bend: { si: number };
      bends: number;
    };
    expect(hose.bend.si).to.be.closeTo(0.10319 - 0.0075, 1e-4);
    expect(hose.bends).to.equal(0);
  });
  it('the vent is told by its route: length, ends and whether it traps', () => {
    const { vent } = assess(islandShuttle).findings.job.survey;
    expect(vent!.length!.si).to.be.closeTo(1.563, 1e-3);
    expect(vent!.tankEnd!.si).to.be.closeTo(0.28, 1e-9);
    expect(vent!.outletHeight!.si).to.be.closeTo(0.08, 1e-9);
    expect(vent!.trap).to.equal(undefined);
    const dipped = shuttle((_, routes) => (routes.vent.through[1] = { id: 'row-2', ...at(4400, 680, 560) }));
    expect(assess(dipped).findings.job.survey.vent!.trap).to.equal(true);
  });
});
