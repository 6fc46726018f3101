import * as Comlink from 'comlink';
import { assess, previewAct } from '@endrel/core/assess';
import { farPickupPlace, pickupPlace } from '@endrel/core/hangers/hanger-findings';
import { hangerProperties } from '@endrel/core/job/hanger';
import type { Job } from '@endrel/core/job/job';
import { attitudeTables, type AttitudeTables } from '@endrel/core/tanks/attitude-tables';
import { compartments } from '@endrel/core/tanks/compartments';
import { pickupMap, type PickupMap } from '@endrel/core/tanks/pickup';
import { surveyedTank } from '@endrel/core/tanks/surveyed-tank';

/** Told the share done; answers whether to go on. A page answers later, so that a cancel gets through between two steps. */
type Progress = (share: number) => boolean | Promise<boolean>;

const calculator = {
  assess,
  previewAct,
  /** Litres left over pitch and roll; undefined while tank or hanger are not known. */
  pickupMap(job: Job): PickupMap | undefined {
    const outcome = surveyedTank(job.survey.tank);
    const hanger = job.hanger ?? {};
    const place = pickupPlace(hanger, job.survey.tank.depth?.si);
    if (outcome.kind !== 'known' || !outcome.tank.solids || !place) return undefined;
    const bucketInlet = hanger.bucket
      ? (hanger.bucketInlet?.si ?? hangerProperties.bucketInlet.typical!.si)
      : undefined;
    return pickupMap(
      compartments(outcome.tank, job.survey.tank, place, farPickupPlace(hanger)),
      outcome.tank.porosity,
      { place, bucketInlet },
    );
  },
  /** Strapping tables at 25 attitudes; undefined when cancelled. */
  attitudeTables(job: Job, count: number, onAttitude: Progress): Promise<AttitudeTables | undefined> {
    const outcome = surveyedTank(job.survey.tank);
    if (outcome.kind !== 'known') return Promise.resolve(undefined);
    return attitudeTables(outcome.tank, count, onAttitude);
  },
};
export type Calculator = typeof calculator;

Comlink.expose(calculator);
