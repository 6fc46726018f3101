import * as Comlink from 'comlink';
import { editReckoner } from './edit-reckoner.ts';
import { longCalculator } from './long-calculator.ts';

// one file for both: the second is there as soon as the first was fetched
Comlink.expose({ ...editReckoner, ...longCalculator });
