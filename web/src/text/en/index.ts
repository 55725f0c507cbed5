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

/** All interface text, in plain musicians' language: one file a place. Keys name the place, then the thing. */
export const en = {
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
} as const;
