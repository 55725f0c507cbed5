import { beatSeconds, plannedPosition, type Score, type Step } from '@inner-hum/core/exercise';
import { dynamicLevelDb, dynamicPosition, type LevelRuler } from '@inner-hum/core/theory';

/** The level a step asks for over time, dBFS, on the player's ruler. */
export interface PlannedLine {
  /** seconds in the take's frames */
  readonly startS: number;
  readonly endS: number;
  readonly beatS: number;
  /** planned level at a time; beyond the ends it stays */
  readonly levelDbAt: (timeS: number) => number;
  /** beat of the step with the loudest plan when it lies inside the tone, else undefined */
  readonly innerPeakBeat: number | undefined;
}

/** Line of a step when the first beat of the score falls on `firstBeatS`. */
export function plannedLine(score: Score, step: Step, firstBeatS: number, ruler: LevelRuler): PlannedLine {
  const beatS = beatSeconds(score);
  const startS = firstBeatS + step.startBeat * beatS;
  const span = ruler.loudestDb - ruler.softestDb;
  const levels = step.dynamics.map((point) => dynamicLevelDb(point.dynamic, ruler));
  const peak = levels.indexOf(Math.max(...levels));
  const inner = peak > 0 && peak < levels.length - 1;
  return {
    startS,
    endS: startS + step.beats * beatS,
    beatS,
    levelDbAt: (timeS) => ruler.softestDb + span * plannedPosition(step, (timeS - startS) / beatS, dynamicPosition),
    innerPeakBeat: inner ? step.dynamics[peak]!.beat : undefined,
  };
}

/** The range that a line asks for, measured as that of a tone is, dB. */
export function plannedRange(line: PlannedLine): number {
  const levels: number[] = [];
  for (let t = line.startS + line.beatS / 4; t < line.endS; t += line.beatS / 2) levels.push(line.levelDbAt(t));
  return Math.max(...levels) - Math.min(...levels);
}
