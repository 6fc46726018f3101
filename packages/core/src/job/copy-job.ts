import { propertiesOf, type Part } from '../parts/kinds.ts';
import { gaugeProperties } from './gauge.ts';
import { hangerProperties } from './hanger.ts';
import type { Job } from './job.ts';
import { isReadOnTape, type Property } from '../fields/property.ts';
import { surveyProperties } from './survey.ts';
import { tankProperties } from './tank.ts';

/** Of whom and of what the new job is. */
export interface Title {
  readonly name: string;
  readonly vehicle: string;
}

/** A job begun as another one: open again, and nothing overruled in it, since reasons belong to the job that they were given for. */
export const copyOf = (job: Job, { name, vehicle }: Title): Job => ({
  ...job,
  name,
  vehicle,
  state: 'open',
  overrules: {},
});

/**
 * The same for another vehicle: engine, layout and the parts with what they are stay; what was measured on the vehicle is unknown
 * again. That is the survey, hanger and gauge but for what was chosen there, every length on a tape, heights of joints, and notes.
 */
export function copyWithoutMeasurements(job: Job, title: Title): Job {
  const { survey, hanger, gauge, points: _points, ...rest } = copyOf(job, title);
  return {
    ...rest,
    survey: {
      ...(chosenIn(surveyProperties, survey) as Partial<Job['survey']>),
      tank: chosenIn(tankProperties, survey.tank),
      lines: [],
    },
    ...(hanger ? { hanger: chosenIn(hangerProperties, hanger) } : {}),
    ...(gauge ? { gauge: chosenIn(gaugeProperties, gauge) } : {}),
    parts: Object.fromEntries(Object.entries(job.parts).map(([id, part]) => [id, unmeasured(part)])),
    joints: Object.fromEntries(Object.entries(job.joints).map(([id, { height: _height, ...joint }]) => [id, joint])),
  };
}

const isChosen = (property: Property | undefined): boolean => property?.type === 'choice' || property?.type === 'flag';

function chosenIn(properties: Readonly<Record<string, Property>>, held: object): object {
  return Object.fromEntries(Object.entries(held).filter(([key]) => isChosen(properties[key])));
}

/** A part without what was read on a tape. */
function unmeasured(part: Part): Part {
  const properties = propertiesOf(part.kind);
  return Object.fromEntries(
    Object.entries(part).filter(([key]) => !isReadOnTape(properties[key]) && key !== 'note'),
  ) as unknown as Part;
}
