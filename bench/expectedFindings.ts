import type { FindingId } from '@inner-hum/core/judge';
import type { FaultName } from '@inner-hum/core/simulate';

/** What the judge should say of each fault that the stand-in player can be ordered to make; any of them will do. */
export const EXPECTED_FINDINGS: Readonly<Record<FaultName, readonly FindingId[]>> = {
  sharpWhenSoft: ['sharpWhenSoft'],
  flatWhenSoft: ['flatWhenSoft'],
  sharp: ['sharp'],
  flat: ['flat'],
  rising: ['rising'],
  sinking: ['sinking'],
  unsteady: ['unsteady'],
  stair: ['stairs'],
  narrow: ['narrowRange'],
  lopsided: ['wrongWay', 'unevenLine'],
  peakLate: ['peakLate'],
  peakEarly: ['peakEarly'],
  jump: ['jump'],
  crack: ['crack'],
  // Three times a palm note lies above what is listened for: there a squeak is heard as a hole.
  squeak: ['squeak', 'dropOut'],
  // A hole at the very end of a slurred tone is a broken slur.
  dropOut: ['dropOut', 'slurGap'],
  uneven: ['unevenLine'],
  stopsEarly: ['stoppedEarly'],
  breaksSlurs: ['slurGap'],
  stepsAtSlurs: ['slurStep'],
  colourApart: ['colourApart'],
  opensWhenLoud: ['colourOpens'],
  airy: ['airySoftEnd'],
  late: ['late'],
  early: ['early'],
  slowResponse: ['slowResponse'],
  scooped: ['scooped'],
  slipsAtEnd: ['slipsAtEnd'],
  tongueFails: ['tongueFails'],
  airFails: ['airFails'],
  bothFail: ['bothFail'],
  stiffReed: ['slowResponse', 'airySoftEnd'],
  tiredReed: ['squeak', 'unsteady'],
  fatigue: ['sinking', 'unsteady', 'flat'],
};

/** The family that shows a fault where a swell does not. */
export const SHOWN_BY: Partial<Record<FaultName, string>> = {
  tongueFails: 'tongueOrAir',
  airFails: 'tongueOrAir',
  bothFail: 'tongueOrAir',
  breaksSlurs: 'homeNote',
  stepsAtSlurs: 'homeNote',
  colourApart: 'ventMatch',
};
