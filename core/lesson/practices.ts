/** What may be part of a player's own practice, asked once: each with the families that are known with it. */
export const PRACTICES = {
  longTones: ['hold', 'threeZones', 'longToneScale', 'chromaticLongTones', 'countedBreaths'],
  lowStarts: ['airIntoTone', 'tongueOrAir', 'octaveRestart'],
  swells: ['swell', 'relaySwell', 'anchorSwell', 'terraces', 'fromNothing'],
  descents: ['oneBreathDescent', 'tonguedDescent', 'zigzagDescent'],
  subtone: ['fullAndSubtone', 'firstTrace'],
  overtones: ['humFirst', 'overtoneLadder', 'directOvertone', 'registerSlurs', 'overtoneMatch'],
  bends: ['bend', 'bendToPitch', 'smallTube'],
  altissimo: ['altissimoVoicing', 'fingeringTrial'],
  vibrato: ['vibrato'],
  scales: ['homeNote', 'fullSpanScale', 'octaveDisplacement', 'octaveSlurs'],
} as const satisfies Record<string, readonly string[]>;
export type Practice = keyof typeof PRACTICES;
export const PRACTICE_IDS = Object.keys(PRACTICES) as Practice[];

/** The families that a player knows by what is part of the own practice. */
export function knownBy(practices: readonly Practice[]): ReadonlySet<string> {
  return new Set(practices.flatMap((practice): readonly string[] => PRACTICES[practice]));
}
