import { appWords } from './app';
import { namesWords } from './names';
import { todayWords } from './today';

/** What the frame and the first screen say: it comes before all other words. */
export const firstWords = { ...appWords, ...namesWords, ...todayWords };
