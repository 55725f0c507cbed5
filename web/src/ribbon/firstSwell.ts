import { familyById, usualExercise } from '@inner-hum/core/families';
import { CLEAN_HABITS } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';

/** The swell that the stand-in plays on the first screen: a player who goes sharp as it gets soft, with a breath of wobble. */
export const FIRST_SWELL = {
  exercise: usualExercise(familyById('swell'), 'alto'),
  player: {
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    seed: 11,
    leadS: 0.6,
    tailS: 0.4,
    habits: { ...CLEAN_HABITS, sharpWhenSoftCents: 9, wobbleCents: 3, jitterCents: 0.8 },
  },
} as const;
