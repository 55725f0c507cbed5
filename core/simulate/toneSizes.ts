export const ATTACK_S = 0.03;
export const RELEASE_S = 0.05;
export const SLUR_S = 0.012;
export const CONTROL_S = 0.005;
export const SCOOP_S = 0.1;
export const SLIP_S = 0.16;
/** How faintly the whole tube sounds under an overtone, dB. */
export const TUBE_DB = -30;
/** How much the level at which a note breaks differs from tone to tone, dB. */
export const EDGE_SPREAD_DB = 1.5;
/** A start that fails: the octave for a while. */
export const OCTAVE_START = { place: 0, partial: 2, lastsS: 0.4 } as const;
/** What a reed and fatigue change. */
export const REEDS = {
  good: { responseS: 0, breathDb: 0, wobble: 1, squeaks: false },
  stiff: { responseS: 0.25, breathDb: 14, wobble: 1, squeaks: false },
  tired: { responseS: 0, breathDb: 4, wobble: 3.5, squeaks: true },
} as const;
/** The voice of a subtone against plain soft: colour, dB for each octave of partials, and air, dB. Our choice. */
export const SUBTONE = { tiltDb: -5, airDb: 9 } as const;
/** A start that is too loud lasts fully so long, and is over after this, seconds. */
export const BLAST = { fullS: 0.12, endS: 0.22 } as const;
export const FATIGUE = { cents: -40, wobble: 2, breathDb: 8 } as const;
