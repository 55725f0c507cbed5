import { ONSET_ERROR_S } from './attack';
import { absent, measured, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';

/** What is known of the audio path between the click and the microphone. */
export interface AudioPath {
  /** delay to take out of every lateness, seconds */
  readonly delayS: number;
  /** one standard deviation of that delay, seconds */
  readonly delayErrorS: number;
}

/** Lateness of a tone: its onset less its beat and less the delay of the audio path, seconds; early is negative. */
export function latenessS(onsetS: number, line: PlannedLine, path: AudioPath, onBeat: boolean): Measured {
  if (!onBeat) return absent('noBeat');
  return measured(onsetS - line.startS - path.delayS, Math.hypot(ONSET_ERROR_S, path.delayErrorS));
}
