import type { Catalogue } from '../catalogue';
import { exercisesWords } from './exercises';
import { firstWords } from './first';
import { guideWords } from './guide';
import { hornWords } from './horn';
import { logWords } from './log';
import { overtonesWords } from './overtones';
import { seasonWords } from './season';
import { setUpWords } from './setUp';
import { standWords } from './stand';
import { studentsWords } from './students';
import { takeWords } from './take';
import { verdictWords } from './verdict';

/** See English. */
export const de: Catalogue = {
  ...firstWords,
  ...exercisesWords,
  ...standWords,
  ...verdictWords,
  ...takeWords,
  ...guideWords,
  ...hornWords,
  ...overtonesWords,
  ...logWords,
  ...seasonWords,
  ...setUpWords,
  ...studentsWords,
};
