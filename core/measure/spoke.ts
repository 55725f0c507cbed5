import type { StepMeasures } from './takeMeasures';

/** A wrong start reaches this far into the tone, seconds; so much of a tone on another partial is not that tone. */
const START_S = 0.1;
const OTHER_SHARE = 0.3;

/** Whether a tone spoke: as itself, from its start on and through most of it. Silence and another note did not. */
export function spoke(measures: StepMeasures): boolean {
  if (measures.kind === 'silent' || measures.otherSoundingMidi !== undefined) return false;
  const { jumps, onsetS, endS } = measures;
  const otherS = jumps.reduce((sum, jump) => sum + jump.lastsS, 0);
  return otherS < OTHER_SHARE * (endS - onsetS) && !jumps.some((jump) => jump.atS - onsetS < START_S);
}
