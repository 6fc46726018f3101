import { expect } from 'chai';
import { mm } from '../units/quick.ts';
import { readReadingsCsv } from './read-readings-csv.ts';

const heading = [
  'case',
  'gender',
  'diameter_read_mm',
  'pitch_form',
  'crests',
  'crests_span_mm',
  'count_length_mm',
  'count',
  'taper_seen',
  'seat_seen',
];
const plain = {
  case: 'one',
  gender: 'male',
  diameter_read_mm: '14.1',
  pitch_form: 'crests',
  crests: '11',
  crests_span_mm: '14.1',
  taper_seen: 'no',
  seat_seen: 'cone',
};
const row = (fields: Record<string, string>) => heading.map((column) => ({ ...plain, ...fields })[column] ?? '');
const read = (...rows: Record<string, string>[]) => readReadingsCsv([heading, ...rows.map(row)]);
function faultOf(fields: Record<string, string>): string {
  const got = read(fields);
  if (got.ok) throw new Error('was read');
  expect(got.fault.map((f) => f.row)).to.deep.equal([2]);
  return got.fault[0]!.message;
}
function readingOf(fields: Record<string, string>) {
  const got = read(fields);
  if (!got.ok) throw new Error(got.fault[0]!.message);
  return got.value[0]!.reading;
}

describe('readings of threads from CSV', () => {
  it('are taken in SI, with what was seen and what was not looked for', () => {
    expect(read({})).to.deep.equal({
      ok: true,
      value: [
        {
          name: 'one',
          reading: {
            gender: 'male',
            diameter: mm(14.1),
            pitch: { by: 'crests', crests: 11, over: mm(14.1) },
            taper: false,
            seen: 'cone',
          },
        },
      ],
    });
    expect(readingOf({ taper_seen: 'YES' }).taper).to.equal(true);
    for (const none of ['', 'unknown', ' Unknown '])
      expect(readingOf({ taper_seen: none, seat_seen: none })).to.not.have.any.keys('taper', 'seen');
    expect(readingOf({ gender: 'Female' }).gender).to.equal('female');
  });

  it('take the pitch by crests, by a count, or not at all', () => {
    expect(readingOf({ pitch_form: 'count', count: '9', count_length_mm: '12.7' }).pitch).to.deep.equal({
      by: 'count',
      count: 9,
      over: mm(12.7),
    });
    expect(readingOf({ pitch_form: '' }).pitch).to.deep.equal({ by: 'unknown' });
    expect(readingOf({ pitch_form: 'unknown' }).pitch).to.deep.equal({ by: 'unknown' });
    expect((readingOf({ crests: '2' }).pitch as { crests: number }).crests).to.equal(2);
  });

  it('say which cell of which row is wrong, and what it holds', () => {
    expect(faultOf({ gender: 'both' })).to.equal('gender: “both” is neither male nor female');
    expect(faultOf({ diameter_read_mm: '0' })).to.equal('diameter_read_mm: “0” is no diameter');
    expect(faultOf({ diameter_read_mm: 'wide' })).to.contain('“wide”');
    expect(faultOf({ crests: '1' })).to.equal('crests: it takes two crests at least');
    expect(faultOf({ crests: '' })).to.equal('crests: “” is no number above 0');
    expect(faultOf({ crests_span_mm: '-3' })).to.equal('crests_span_mm: “-3” is no number above 0');
    expect(faultOf({ pitch_form: 'count', count: '9' })).to.equal('count_length_mm: “” is no number above 0');
    expect(faultOf({ pitch_form: 'guess' })).to.equal('pitch_form: “guess” is not crests, count or unknown');
    expect(faultOf({ taper_seen: 'maybe' })).to.equal('taper_seen: “maybe” is not yes, no or unknown');
    expect(faultOf({ seat_seen: 'toString' })).to.contain('seat_seen: “tostring” is not cone, ');
    expect(faultOf({ seat_seen: 'constructor' })).to.contain('“constructor”'); // what every object has is no look
  });

  it('are all taken or none, every bad row named by its place in the file', () => {
    const got = read({}, { gender: 'x' }, {}, { crests: '1' });
    expect(!got.ok && got.fault.map((f) => f.row)).to.deep.equal([3, 5]);
    expect(read({}, {})).to.have.property('ok', true);
  });

  it('ask for a heading with the columns they need, in any order, and a row', () => {
    const whole = (cells: string[][]) => readReadingsCsv(cells);
    expect(whole([heading, row({})].map((cells) => [...cells].reverse()))).to.deep.equal(read({}));
    expect(whole([heading.map((h) => ` ${h.toUpperCase()} `), row({}), ['', ' ']])).to.deep.equal(read({}));
    for (const nothing of [[], [heading], [heading, ['', '']]])
      expect(whole(nothing)).to.deep.equal({
        ok: false,
        fault: [{ row: 0, message: 'It needs a heading and a reading.' }],
      });
    expect(whole([['case', 'gender', 'diameter_read_mm'], row({})])).to.deep.equal({
      ok: false,
      fault: [{ row: 1, message: 'The heading has no pitch_form.' }],
    });
    expect(whole([['case', 'pitch_form'], row({})])).to.deep.equal({
      ok: false,
      fault: [{ row: 1, message: 'The heading has no gender and no diameter_read_mm.' }],
    });
  });

  it('are no more than 5000', () => {
    const many = (n: number) => read(...Array.from({ length: n }, () => ({})));
    expect(many(5000).ok).to.equal(true);
    const more = many(5001);
    expect(!more.ok && more.fault).to.deep.equal([{ row: 0, message: 'It holds more than 5000 readings.' }]);
  });
});
