import { beachBuggy } from './beach-buggy.ts';
import { flatBedTender } from './flat-bed-tender.ts';
import { islandShuttle } from './island-shuttle.ts';
import { mailVan } from './mail-van.ts';
import { rescuePickup } from './rescue-pickup.ts';
import { sprintCar } from './sprint-car.ts';

/** The invented workshop that ships with Endrel: the conversion bench of a ferry-and-road service. */
export const demoShopName = 'Skerry Islands Transport, conversion bench';
export const demoJobs = { flatBedTender, sprintCar, beachBuggy, rescuePickup, islandShuttle, mailVan };
