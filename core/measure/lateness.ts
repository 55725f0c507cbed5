import { absent, measured, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';

/** What is known of the audio path between the click and the microphone. */
export interface AudioPath {
  /** delay to take out of every lateness, seconds */
  readonly delayS: number;
  /** one standard deviation of that delay, seconds */
  readonly delayErrorS: number;
}

/** Standard error of a tone's onset as the ear finds it (docs/bench.md), seconds. */
const ONSET_ERROR_S = 0.005;

/** Lateness of a tone: its onset less its beat and less the delay of the audio path, seconds; early is negative. */
export function latenessS(onsetS: number, line: PlannedLine, path: AudioPath, onBeat: boolean): Measured {
  if (!onBeat) return absent('noBeat');
  return measured(onsetS - line.startS - path.delayS, Math.hypot(ONSET_ERROR_S, path.delayErrorS));
}
