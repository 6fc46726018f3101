import { expect } from 'chai';
import { referenceRows } from '../../test/read-reference.ts';
import { mm } from '../units/quick.ts';
import { findThread } from './find-thread.ts';
import { measureNext, oneReadingFits, rangesApart, telling } from './measure-next.ts';
import { fitOf, normal, type PitchReading, type ThreadReading } from './thread-reading.ts';
import {
  lookOf,
  seatOf,
  threadByCode,
  threadFamilies,
  threads,
  threadsPerInch,
  type Look,
  type Seat,
} from './thread.ts';

const seats: Record<Seat, string> = {
  cone37: 'cone37',
  cone45: 'cone45',
  invertedSeat: 'inverted_seat',
  oRingBoss: 'oring_boss',
  metricORingBoss: 'oring_boss_metric',
  thread: 'thread',
  face: 'face',
  none: 'none',
};
const words = (text: string) => (text === '' ? [] : text.split(' '));
const catalogue = new Set(referenceRows('J_threads/results_threads.csv').map((r) => r.code!));
const ofCatalogue = (codes: readonly string[]) => codes.filter((code) => catalogue.has(code)).sort();

function readingOf(row: Record<string, string>): ThreadReading {
  const pitch: PitchReading =
    row.pitch_form === 'crests'
      ? { by: 'crests', crests: Number(row.crests), over: mm(Number(row.crests_span_mm)) }
      : { by: 'count', count: Number(row.count), over: mm(Number(row.count_length_mm)) };
  return {
    gender: row.gender as 'male',
    diameter: mm(Number(row.diameter_read_mm)),
    pitch,
    ...(row.taper_seen === 'unknown' ? {} : { taper: row.taper_seen === 'yes' }),
    ...(row.seat_seen === 'unknown' ? {} : { seen: row.seat_seen as Look }),
  };
}

describe('threads by their standards', () => {
  it('have the sizes of the reference (formulas of ASME B1.1, ISO 724, ASME B1.20.1, ISO 228-1, ISO 7-1), to 0.1 µm', () => {
    const rows = referenceRows('J_threads/results_threads.csv');
    expect(rows.length).to.equal(65);
    for (const row of rows) {
      const thread = threadByCode(row.code!)!;
      const same = (si: number, text: string | undefined, what: string) =>
        expect(si * 1000, `${row.code} ${what}`).to.be.closeTo(Number(text), 0.6e-4); // printed to 0.1 µm
      same(thread.major, row.major_mm, 'major');
      expect(thread.pitch * 1000).to.be.closeTo(Number(row.pitch_mm), 1e-6);
      same(thread.pitchDiameter, row.pitch_diameter_mm, 'pitch diameter');
      same(thread.minorInternal, row.minor_internal_mm, 'minor, internal');
      same(thread.minorExternal, row.minor_external_mm, 'minor, external');
      same(thread.readMale, row.read_male_basic_mm, 'read, male');
      same(thread.readFemale, row.read_female_basic_mm, 'read, female');
      if (row.L2_mm) same(thread.effectiveLength!, row.L2_mm, 'effective length');
      if (row.L1_mm) same(thread.gaugeLength!, row.L1_mm, 'gauge length');
      expect((thread.flankAngle * 180) / Math.PI, row.code).to.be.closeTo(Number(row.flank_angle_deg), 1e-9);
      expect(thread.taper).to.equal(Number(row.taper_on_diameter));
      expect(seats[seatOf(thread)]).to.equal(row.seat);
      expect(threadFamilies[thread.family].standard).to.equal(row.standard);
      if (row.tpi) expect(threadsPerInch(thread)).to.equal(Number(row.tpi));
    }
  });

  it('agree with printed tables of the standards (recalled from memory in the reference) in their last digit', () => {
    const inch = 0.0254;
    for (const row of referenceRows('J_threads/results_published.csv')) {
      const found = threads.find(
        (t) =>
          t.designation === row.thread ||
          (row.thread!.startsWith('G') && t.family === 'bspp' && t.size.startsWith(`${row.thread!.slice(1)}-`)),
      );
      if (!found) continue; // sizes of the table that no fuel line carries
      const unit = row.unit === 'in' ? inch : 0.001;
      const si =
        row.dimension === 'pitch diameter'
          ? found.pitchDiameter
          : row.dimension === 'internal minor'
            ? found.minorInternal
            : row.dimension === 'E1'
              ? found.pitchDiameter
              : found.pitchDiameter - found.gaugeLength! / 16;
      const last = row.unit === 'in' ? (row.dimension!.startsWith('E') ? 0.55e-5 : 0.55e-4) : 1.05e-3;
      expect(si / unit, `${row.thread} ${row.dimension}`).to.be.closeTo(Number(row.printed_from_memory), last);
    }
  });
});

describe('the flats of a basic profile', () => {
  // ASME B1.20.1 truncates the sharp triangle by 0.033 p at crest and root; ASME B1.1 and ISO 68-1 by H/8 and H/4; ISO 228-1 and ISO 7-1 by H/6
  it('are those of the standards', () => {
    const height = Math.sqrt(3) / 2; // of the sharp triangle of 60°, over the pitch
    const cuts = (code: string) => {
      const { crestCut, rootCut } = threadByCode(code)!;
      return [crestCut, rootCut];
    };
    for (const cut of cuts('npt:1/2-14')) expect(cut * height).to.be.closeTo(0.033, 5e-5);
    expect(cuts('metric:M14x1.5')).to.deep.equal([1 / 8, 1 / 4]);
    expect(cuts('orb:-6')).to.deep.equal([1 / 8, 1 / 4]);
    expect(cuts('bspt:1/2-14')).to.deep.equal([1 / 6, 1 / 6]);
  });
});

describe('the thread finder', () => {
  const identified = referenceRows('J_threads/results_identify.csv');
  const readings = referenceRows('J_threads/readings.csv');

  it('finds in all 48 reference cases exactly the threads that the readings allow', () => {
    expect(identified.length).to.equal(48);
    identified.forEach((want, i) => {
      const found = findThread(readingOf(readings[i]!));
      expect(ofCatalogue(found.bySize.map((t) => t.code)), want.case).to.deep.equal(
        words(want.candidate_codes!).sort(),
      );
      expect(ofCatalogue(found.candidates.map((c) => c.thread.code)), want.case).to.deep.equal(
        words(want.candidate_codes_after_seen!).sort(),
      );
    });
  });

  it('measures its deviations and margins as the reference does', () => {
    const byCase = new Map(readings.map((r) => [r.case, readingOf(r)]));
    for (const row of referenceRows('J_threads/results_candidates.csv')) {
      const fit = fitOf(threadByCode(row.code!)!, byCase.get(row.case)!);
      expect(fit.deviation * 1000).to.be.closeTo(Number(row.reading_minus_basic_mm), 0.6e-4);
      expect(fit.diameterMargin * 1000).to.be.closeTo(Number(row.diameter_margin_mm), 0.6e-4);
      const scale = byCase.get(row.case)!.pitch.by === 'crests' ? 1000 : 1;
      expect(fit.pitchMargin * scale).to.be.closeTo(Number(row.pitch_margin), 0.6e-4);
    }
  });

  it('names what sets the true thread apart, with the smallest sets and the pitches of the reference', () => {
    for (const want of identified) {
      const left = words(want.candidate_codes_after_seen!).map((code) => threadByCode(code)!);
      const gender = readings.find((r) => r.case === want.case)!.gender as 'male';
      const { sets } = measureNext(left, gender, threadByCode(want.truth!));
      const wanted = want.measure_next === 'nothing' ? [''] : want.measure_next!.split(' or ');
      expect(sets.map((s) => [...s].sort().join('+')).sort(), want.case).to.deep.equal(wanted.sort());
    }
    for (const row of referenceRows('J_threads/results_pairs.csv')) {
      const gender = readings.find((r) => r.case === row.case)!.gender as 'male';
      const by = telling(threadByCode(row.truth!)!, threadByCode(row.other!)!, gender);
      expect([...by.keys()].sort(), `${row.case} ${row.other}`).to.deep.equal(row.codes!.split('+').sort());
      if (row.pitch_over)
        expect(by.get('PITCH_LONG')?.pitches ?? by.get('PITCH_GAUGE')?.pitches).to.equal(
          Number.parseInt(row.pitch_over.replace('"', ''), 10),
        );
    }
  });

  it('sets all that are left apart from one another when the true one is not known', () => {
    for (const want of identified) {
      const left = words(want.candidate_codes_after_seen!).map((code) => threadByCode(code)!);
      const gender = readings.find((r) => r.case === want.case)!.gender as 'male';
      const { best } = measureNext(left, gender);
      const each = measureNext(left, gender, threadByCode(want.truth!));
      expect(
        each.sets.some((set) => set.every((m) => best.includes(m))),
        want.case,
      ).to.equal(true);
    }
  });

  it('knows how far every pair of look-alikes is apart', () => {
    for (const row of referenceRows('J_threads/results_lookalikes.csv')) {
      const [a, b] = [threadByCode(row.code_1!)!, threadByCode(row.code_2!)!];
      const gender = row.gender as 'male';
      expect(rangesApart(a, b, gender) * 1000, `${a.code} ${b.code}`).to.be.closeTo(
        Number(row.gap_between_true_ranges_mm),
        1.1e-4,
      );
      expect(oneReadingFits(a, b, gender)).to.equal(row.one_reading_can_fit_both === 'yes');
    }
  });

  it('gives threads that readings cannot tell apart the same probability, and all together one', () => {
    const { candidates } = findThread({
      gender: 'male',
      diameter: mm(14.2),
      pitch: { by: 'gauge', pitch: 0.0254 / 18 },
    });
    expect(candidates.map((c) => c.thread.code).sort()).to.deep.equal(['flare37:-6', 'orb:-6', 'unf:9/16-18']);
    for (const c of candidates) expect(c.probability).to.be.closeTo(1 / 3, 1e-12);
    const seen = findThread({
      gender: 'male',
      diameter: mm(14.2),
      pitch: { by: 'gauge', pitch: 0.0254 / 18 },
      seen: 'cone',
    });
    expect(seen.candidates.map((c) => [c.thread.code, c.probability])).to.deep.equal([['flare37:-6', 1]]);
    expect(seen.next.best).to.deep.equal([]);
  });

  it('prefers the nearer of two threads by how likely each would read so', () => {
    // 13.96 mm over 8 crests on 9.9 mm: M14×1.5 reads 10.5 there, 9/16-18 reads 9.88
    const found = findThread({
      gender: 'male',
      diameter: mm(13.99),
      pitch: { by: 'crests', crests: 8, over: mm(10.2) },
    });
    const of = (code: string) => found.candidates.find((c) => c.thread.code === code)?.probability ?? 0;
    expect(of('flare37:-6')).to.be.greaterThan(0);
    expect(of('metric:M14x1.5') + of('flare37:-6')).to.be.lessThan(1);
    expect(found.candidates.reduce((sum, c) => sum + c.probability, 0)).to.be.closeTo(1, 1e-12);
  });

  it('finds the thread that was held in 19 of 20 readings drawn by the model, with probabilities that are true', () => {
    // a seeded generator: a multiplicative congruential one, Lehmer 1951
    let state = 20261127;
    const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
    const gauss = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    let kept = 0;
    let expected = 0;
    let hit = 0;
    const DRAWN = 3000;
    for (let i = 0; i < DRAWN; i++) {
      const thread = threads[Math.floor(random() * threads.length)]!;
      const gender = random() < 0.5 ? 'male' : 'female';
      const u = gender === 'male' ? -(0.05 + 0.2 * random()) : 0.2 * random();
      const basic = gender === 'male' ? thread.readMale : thread.readFemale;
      const found = findThread({
        gender,
        diameter: basic + mm(u + 0.03 * gauss()),
        pitch: { by: 'crests', crests: 8, over: 7 * thread.pitch + mm(0.25 * gauss()) },
        seen: lookOf(thread, gender),
      });
      if (found.candidates.some((c) => c.thread === thread)) kept++;
      const first = found.candidates[0];
      if (!first) continue;
      expected += first.probability;
      if (first.thread === thread) hit++;
    }
    expect(kept / DRAWN).to.be.closeTo(0.952, 0.015); // 95.2 % as the reference drew it; 3000 draws: 4 standard errors
    expect(hit / DRAWN).to.be.closeTo(expected / DRAWN, 0.05); // what it calls likely is so often true; believed readings only
  });

  it('integrates the normal distribution (Abramowitz & Stegun, table 26.1)', () => {
    for (const [z, p] of [
      [0, 0.5],
      [1, 0.8413447],
      [-1.96, 0.0249979],
      [3, 0.9986501],
    ] as const)
      expect(normal(z)).to.be.closeTo(p, 2e-7);
  });
});
