import type { HornOption } from './hornBuild';

/** Who works a key: which hand, and what of it. */
type KeyGroup = 'main' | 'thumb' | 'palm' | 'table' | 'side' | 'foot';

/** One key of the horn and where it stands in a drawing: `x` along the tube from the mouthpiece, `row` up or down from it. */
export interface HornKey {
  readonly id: string;
  readonly group: KeyGroup;
  readonly x: number;
  readonly row: number;
  /** only on horns that have it */
  readonly on?: HornOption;
}

/**
 * Every key a player works. `main` keys are the six finger plates; places are our own drawing: the tube runs from left to
 * right, palm and octave keys above, the tables of the little fingers below.
 */
export const KEYS = [
  { id: 'octave', group: 'thumb', x: 0, row: -1 },
  { id: 'frontF', group: 'palm', x: 1, row: 0, on: 'frontF' },
  { id: 'palmD', group: 'palm', x: 1, row: -1 },
  { id: 'palmEFlat', group: 'palm', x: 2, row: -1 },
  { id: 'palmF', group: 'palm', x: 3, row: -1 },
  { id: 'left1', group: 'main', x: 2, row: 0 },
  { id: 'bis', group: 'side', x: 2.5, row: 1 },
  { id: 'left2', group: 'main', x: 3, row: 0 },
  { id: 'left3', group: 'main', x: 4, row: 0 },
  { id: 'gSharp', group: 'table', x: 4, row: 1 },
  { id: 'lowCSharp', group: 'table', x: 5, row: 1 },
  { id: 'lowB', group: 'table', x: 4, row: 2 },
  { id: 'lowBFlat', group: 'table', x: 5, row: 2 },
  { id: 'lowA', group: 'thumb', x: 3, row: 2, on: 'lowA' },
  { id: 'highE', group: 'side', x: 5, row: -1 },
  { id: 'sideC', group: 'side', x: 6, row: -1 },
  { id: 'sideBFlat', group: 'side', x: 7, row: -1 },
  { id: 'highFSharp', group: 'side', x: 8, row: -1, on: 'highFSharp' },
  { id: 'highG', group: 'side', x: 9, row: -1, on: 'highG' },
  { id: 'right1', group: 'main', x: 6, row: 0 },
  { id: 'right2', group: 'main', x: 7, row: 0 },
  { id: 'fSharpSide', group: 'side', x: 7.5, row: 1 },
  { id: 'right3', group: 'main', x: 8, row: 0 },
  { id: 'lowEFlat', group: 'foot', x: 9, row: 0 },
  { id: 'lowC', group: 'foot', x: 9, row: 1 },
] as const satisfies readonly HornKey[];

export type KeyId = (typeof KEYS)[number]['id'];
