import { HOP_S } from '@inner-hum/core/signal';
import type { DropOut, PartialJump } from './interruptions';
import { absent, measured, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';
import { median } from './statistics';
import type { ToneBody } from './tone';

/** Out of the pitch window for this long is a lasting fault, seconds. */
const LASTING_S = 0.5;
/** The tone's own centre is that of its first settled seconds. */
const OWN_CENTRE_S = 2;
/** A tone that ends this much before its plan ended early, seconds. */
const EARLY_S = 0.35;
/** A tone that held for less than this tells nothing of how long it would have, seconds. Our choice. */
export const LEAST_HOLD_S = 3;

type HoldFault = 'none' | 'jump' | 'dropOut' | 'pitch' | 'ended';

/** How long a tone held. */
export interface Hold {
  /** beats from its onset to the first lasting fault, or to its end; absent below {@link LEAST_HOLD_S} */
  readonly beats: Measured;
  readonly fault: HoldFault;
}

/** What has been found on a tone when its hold is measured. Times are seconds in the frames. */
export interface HeldTone {
  readonly onsetS: number;
  readonly endS: number;
  /** with a vibrato taken out of its cents */
  readonly body: ToneBody;
  readonly jumps: readonly PartialJump[];
  readonly dropOuts: readonly DropOut[];
}

/**
 * Hold: the first of a partial jump, a drop-out, half a second out of the window around the tone's own centre, and an early
 * end. How sharp or flat that centre is, is told apart; a vibrato is taken out.
 */
export function hold(tone: HeldTone, line: PlannedLine, windowCents: number): Hold {
  if (tone.body.cents.length === 0) return { beats: absent('anotherNote'), fault: 'none' };
  const faults: { atS: number; fault: HoldFault }[] = [
    ...tone.jumps.slice(0, 1).map(({ atS }) => ({ atS, fault: 'jump' as const })),
    ...tone.dropOuts.slice(0, 1).map(({ atS }) => ({ atS, fault: 'dropOut' as const })),
  ];
  const leftS = leavesWindowS(tone, windowCents);
  if (leftS !== undefined) faults.push({ atS: leftS, fault: 'pitch' });
  const early = tone.endS < line.endS - EARLY_S;
  faults.push({ atS: tone.endS, fault: early ? 'ended' : 'none' });
  const first = faults.sort((a, b) => a.atS - b.atS)[0]!;
  const holdS = first.atS - tone.onsetS;
  const beats = holdS < LEAST_HOLD_S ? absent('tooShort') : measured(holdS / line.beatS, HOP_S / line.beatS);
  return { beats, fault: first.fault };
}

function leavesWindowS({ body: { timeS, cents } }: HeldTone, windowCents: number): number | undefined {
  const settled = timeS.findIndex((atS) => atS > timeS[0]! + OWN_CENTRE_S);
  const centre = median(cents.subarray(0, settled < 0 ? cents.length : settled));
  let outSinceS: number | undefined;
  for (let i = 0; i < cents.length; i++) {
    if (Math.abs(cents[i]! - centre) <= windowCents) outSinceS = undefined;
    else outSinceS ??= timeS[i]!;
    if (outSinceS !== undefined && timeS[i]! - outSinceS >= LASTING_S) return outSinceS;
  }
  return undefined;
}
