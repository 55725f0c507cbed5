import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById } from '@inner-hum/core/families';
import { zoneOf } from '@inner-hum/core/theory';

/** Where players disagree: each question with its answers, the first one is where the application begins. */
export const SCHOOLS = {
  lowStart: ['breath', 'tongue'],
  tongueHeight: ['low', 'high'],
  softPlaying: ['slow', 'pressure'],
  throat: ['vowels', 'open'],
  restBreath: ['nose', 'corners'],
  softBegin: ['speaks', 'softest'],
  tuner: ['watch', 'hide', 'drone'],
  overtoneTuning: ['natural', 'tempered', 'free'],
  brightEnd: ['shown', 'judged'],
} as const;

export type SchoolQuestion = keyof typeof SCHOOLS;
export type Schools = { readonly [Q in SchoolQuestion]: (typeof SCHOOLS)[Q][number] };

export const SCHOOL_QUESTIONS = Object.keys(SCHOOLS) as SchoolQuestion[];
export const FIRST_SCHOOLS = Object.fromEntries(
  SCHOOL_QUESTIONS.map((question) => [question, SCHOOLS[question][0]]),
) as Schools;

/** Questions that are about how to do it: their answers can be tried as cues and compared. */
const CUE_QUESTIONS = ['tongueHeight', 'softPlaying', 'throat', 'restBreath'] as const;
type CueQuestion = (typeof CUE_QUESTIONS)[number];
export type Cue = { [Q in CueQuestion]: `${Q}.${(typeof SCHOOLS)[Q][number]}` }[CueQuestion];
export const CUES: readonly Cue[] = CUE_QUESTIONS.flatMap((question) =>
  SCHOOLS[question].map((answer) => `${question}.${answer}` as Cue),
);

/** The usual exercise of a family changed to what the player's school has for usual. */
export function withSchools(exercise: ExerciseParameters, schools: Schools): ExerciseParameters {
  const { fields } = familyById(exercise.family);
  const low = zoneOf(Number(exercise['writtenMidi'] ?? 100)) === 'low';
  return {
    ...exercise,
    tunerHidden: schools.tuner === 'hide',
    ...('attack' in fields && low && { attack: schools.lowStart }),
    ...('softest' in fields && schools.softBegin === 'softest' && { softest: 'pp' }),
    ...('tuning' in fields && { tuning: schools.overtoneTuning }),
  };
}
