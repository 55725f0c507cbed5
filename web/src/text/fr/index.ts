import type { Catalogue } from '../catalogue';
import { appWords } from './app';
import { exercisesWords } from './exercises';
import { hornWords } from './horn';
import { logWords } from './log';
import { namesWords } from './names';
import { overtonesWords } from './overtones';
import { seasonWords } from './season';
import { setUpWords } from './setUp';
import { standWords } from './stand';
import { studentsWords } from './students';
import { takeWords } from './take';
import { todayWords } from './today';
import { verdictWords } from './verdict';

/** See English. */
export const fr: Catalogue = {
  ...appWords,
  ...namesWords,
  ...exercisesWords,
  ...todayWords,
  ...standWords,
  ...verdictWords,
  ...takeWords,
  ...hornWords,
  ...overtonesWords,
  ...logWords,
  ...seasonWords,
  ...setUpWords,
  ...studentsWords,
};
