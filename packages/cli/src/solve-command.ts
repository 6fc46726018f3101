import { needTitle } from '@endrel/core/reckoning/need-title';
import { assess, type Assessment } from '@endrel/core/assessment/assess';
import { describeIssue, LARGEST_JOB_FILE, readJobFile } from '@endrel/core/job/read-job-file';
import { resultsOf } from '@endrel/core/run/solve-run';
import { describeRunFault } from '@endrel/core/run/run-fault';
import { formatFigure, formatQuantity } from '@endrel/core/units/format-quantity';
import { sayIn } from '@endrel/core/units/unit-system';
import { sayWords } from '@endrel/core/units/words';
import { BAD_INPUT, BadInput } from './bad-input.ts';
import { jsonText, type Output } from './output.ts';
import { readText } from './read-input.ts';

const say = sayIn('metric');

/** `endrel solve FILE`: 0 without a stop snag, 1 with one, 2 if the file or the run in it is malformed. */
export async function solveCommand(operands: readonly string[], json: boolean, output: Output): Promise<number> {
  const [file, ...more] = operands;
  if (file === undefined || more.length > 0) throw new BadInput('solve takes one job file');
  const read = readJobFile(await readText(file, LARGEST_JOB_FILE));
  if (!read.ok) throw new BadInput(`${file}: ${describeIssue(read.fault[0]!)}`);
  const assessment = assess(read.value.job);
  output.out(json ? jsonText(solveReport(assessment), 2) : readable(assessment));
  // a run that is laid out wrongly is bad input; one that merely did not converge is a stop snag
  const malformed = assessment.findings.faults.find((f) => f.code !== 'unsolved' && f.code !== 'emptyRun');
  if (malformed) {
    output.err(`endrel: ${file}: ${describeRunFault(malformed, read.value.job)}`);
    return BAD_INPUT;
  }
  return assessment.snags.some((s) => s.grade === 'stop') ? 1 : 0;
}

const kPa = (pascals: number) => round(pascals / 1e3, 4);
const litresPerHour = (flow: number) => round(flow * 3.6e6, 4);
const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** The report as JSON: pressures gauge kPa, flows L/h, margins as shares. */
export function solveReport({ findings, snags }: Assessment) {
  const { solution, demand } = findings;
  return {
    job: findings.job.name,
    solved: solution !== undefined,
    needs: findings.needs.map((n) => needTitle(findings.job, n)),
    demand_L_h: demand && litresPerHour(demand.volumeFlow),
    operatingPoints:
      solution &&
      resultsOf(solution).map((p) => {
        return {
          point: p.point.key,
          demand_L_h: litresPerHour(p.point.demand),
          manifold_kPa: kPa(p.point.manifold),
          rail_kPa: kPa(p.railPressure),
          railLessManifold_kPa: kPa(p.injectorPressure),
          pump_L_h: litresPerHour(p.pumpFlow),
          return_L_h: litresPerHour(p.returnFlow),
          delivered_L_h: litresPerHour(p.delivered),
          duty: p.duty === undefined ? null : round(p.duty, 4),
          potOverflow_L_h: p.pot ? litresPerHour(p.pot.overflow) : null,
          pump_A: p.pumpCurrent === undefined ? null : round(p.pumpCurrent, 3),
          suctionMargin_m: round(p.suctionMargin, 3),
          choked: p.choked,
          parts: p.parts.map((c) => ({
            id: c.id,
            inlet_kPa: kPa(c.inletPressure),
            outlet_kPa: kPa(c.outletPressure),
            flow_L_h: litresPerHour(c.flow),
            velocity_m_s: c.velocity === undefined ? null : round(c.velocity, 4),
            state: c.state,
          })),
        };
      }),
    margins: solution && {
      pump: solution.margin ? round(solution.margin.margin, 4) : null,
      available_L_h: solution.margin ? litresPerHour(solution.margin.available) : null,
      deadHead_kPa: kPa(solution.deadHead.pressure),
      worstSuction: solution.worstSuction && {
        at: solution.worstSuction.name,
        extremes: solution.worstSuction.extremes,
        margin_m: round(solution.worstSuction.result.suctionMargin, 3),
        choked: solution.worstSuction.result.choked,
      },
    },
    drive: findings.drive && {
      minutes: round(findings.drive.steps.at(-1)!.time / 60, 2),
      tankAtEnd_C: round(findings.drive.steps.at(-1)!.tank - 273.15, 3),
      troubleAfter_min: findings.drive.trouble === undefined ? null : round(findings.drive.trouble / 60, 2),
    },
    snags: snags.map((s) => ({
      id: s.id,
      grade: s.grade,
      part: s.part ?? null,
      what: s.what,
      figure: s.figure ? { label: s.figure.label, value: formatFigure(s.figure) } : null,
      limit: s.limit ? { label: s.limit.label, value: formatFigure(s.limit) } : null,
      why: sayWords(s.why, say),
      cure: sayWords(s.cure, say),
      overruled: s.overruled ?? null,
    })),
  };
}

function readable({ findings, snags }: Assessment): string {
  const lines = [findings.job.name];
  if (findings.needs.length > 0)
    lines.push(`to measure: ${findings.needs.map((n) => needTitle(findings.job, n)).join('; ')}`);
  if (findings.solution)
    for (const p of resultsOf(findings.solution)) {
      lines.push(
        `${p.point.name}: rail ${formatQuantity('pressure', p.railPressure)}, pump ${formatQuantity('volumeFlow', p.pumpFlow)}, return ${formatQuantity('volumeFlow', p.returnFlow)}`,
      );
    }
  if (findings.solution?.margin)
    lines.push(`pump margin: ${formatQuantity('fraction', findings.solution.margin.margin)}`);
  for (const snag of snags)
    lines.push(
      `${snag.grade}: ${snag.what} ${sayWords(snag.cure, say)}${snag.overruled ? ` (overruled: ${snag.overruled})` : ''}`,
    );
  return lines.join('\n');
}
