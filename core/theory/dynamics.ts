/** The six written dynamics, softest first. */
export const DYNAMICS = ['pp', 'p', 'mp', 'mf', 'f', 'ff'] as const;
export type Dynamic = (typeof DYNAMICS)[number];

/** The player's own dynamics as levels: softest speaking and loudest good tone on a middle note, dBFS. */
export interface LevelRuler {
  readonly softestDb: number;
  readonly loudestDb: number;
  /** `assumed` until measured with this microphone */
  readonly origin: 'assumed' | 'measured';
}

/**
 * Until the player's own ruler is measured: a horn two metres from a laptop microphone with gain control off. Our
 * choice; thirty decibels is what a trained player spans on a middle note.
 */
export const ASSUMED_RULER: LevelRuler = { softestDb: -45, loudestDb: -15, origin: 'assumed' };

/** Place of a dynamic on the ruler, 0 (pp) to 1 (ff), in five equal steps. */
export function dynamicPosition(dynamic: Dynamic): number {
  return DYNAMICS.indexOf(dynamic) / (DYNAMICS.length - 1);
}

/** Level of a dynamic on a ruler, dBFS. */
export function dynamicLevelDb(dynamic: Dynamic, ruler: LevelRuler): number {
  return ruler.softestDb + dynamicPosition(dynamic) * (ruler.loudestDb - ruler.softestDb);
}

/** Place of a level on a ruler; below 0 or above 1 when outside it. */
export function levelPosition(levelDb: number, ruler: LevelRuler): number {
  return (levelDb - ruler.softestDb) / (ruler.loudestDb - ruler.softestDb);
}

/** The written dynamic nearest to a level, and the outermost one beyond the ruler's ends. */
export function nearestDynamic(levelDb: number, ruler: LevelRuler): Dynamic {
  const index = Math.round(levelPosition(levelDb, ruler) * (DYNAMICS.length - 1));
  return DYNAMICS[Math.min(DYNAMICS.length - 1, Math.max(0, index))]!;
}
