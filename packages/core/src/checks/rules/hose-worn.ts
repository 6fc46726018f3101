import { lineStress } from '../../joints/line-matrix.ts';
import { hoseConstruction } from '../../ratings/hose-construction.ts';
import { rateLine, type Rating } from '../../joints/line-ratings.ts';
import type { Figure } from '../../units/quantity.ts';
import { figure } from '../../units/quantity.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

const asFigure = (value: Figure | string | undefined): Figure | undefined =>
  typeof value === 'object' ? value : undefined;

/** Hose that gets hotter than it is made for, is bent tighter than its bore allows, or is older than it lasts. */
export const hoseWorn: Rule = {
  key: 'hose-worn',
  check: (findings) =>
    partsOfKind(findings.job, 'hose').flatMap((part): SnagReport[] => {
      if (!part.construction) return [];
      const made = hoseConstruction(part.construction);
      const rated = new Map<string, Rating>(rateLine(part, lineStress(findings, part)).map((r) => [r.check, r]));
      const [hot, bend] = [rated.get('temperature')!, rated.get('bend')!];
      const [heat, limit] = [asFigure(hot.required), asFigure(hot.rated)];
      const [bent, tightest] = [asFigure(bend.required), asFigure(bend.rated)];
      const report = (
        which: string,
        key: string,
        words: Pick<SnagReport, 'what' | 'figure' | 'limit' | 'why' | 'cure'>,
      ): SnagReport => ({
        grade: 'fix',
        stage: 'run',
        part: part.id,
        which,
        path: ['parts', part.id, key],
        source: made.source,
        ...words,
      });
      const reports: SnagReport[] = [];
      if (hot.verdict === 'attacked' && heat && limit)
        reports.push(
          report('hot', 'sleeved', {
            what: `${quoted(part)} gets hotter where it lies than its kind lasts.`,
            figure: { label: 'after stopping hot', ...heat },
            limit: { label: made.name, ...limit },
            why: 'Its cover hardens and cracks, and the clamp lets go of it.',
            cure: 'Sleeve it, put a shield between, move it away from the exhaust, or use PTFE-lined hose.',
          }),
        );
      if (bend.verdict === 'attacked' && bent && tightest)
        reports.push(
          report('bend', 'bend', {
            what: `${quoted(part)} is bent tighter than it stands.`,
            figure: { label: 'inside radius', ...bent },
            limit: { label: 'at least', ...tightest },
            why: 'It kinks, sooner or later shut.',
            cure: 'A longer hose, a hose end with the bend in it, or hard line.',
          }),
        );
      if (part.years !== undefined && part.years > made.lasts)
        reports.push(
          report('age', 'years', {
            what: `${quoted(part)} is older than its kind lasts.`,
            figure: { label: 'years', ...figure('number', part.years) },
            limit: { label: 'lasts about', ...figure('number', made.lasts) },
            why: 'Old rubber cracks from inside, where nobody sees it.',
            cure: 'New hose with this year’s date on it.',
          }),
        );
      return reports;
    }),
};
