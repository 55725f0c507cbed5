import type { PhraseError } from './phrase';

/** Why an exercise can't be played as it was chosen. Notes are written MIDI numbers. */
export type ExerciseIssue =
  /** a number of a field lies outside its limits */
  | { readonly reason: 'limits'; readonly path: string; readonly min: number; readonly max: number }
  | { readonly reason: 'whole'; readonly path: string }
  /** a value of a field that is none of its choices, or no text */
  | { readonly reason: 'unknown'; readonly path: string }
  /** a tone would lie outside the horn */
  | { readonly reason: 'tooHigh' | 'tooLow'; readonly path: string; readonly midi: number; readonly limit: number }
  /** the softest dynamic is not softer than the loudest */
  | { readonly reason: 'order'; readonly path: string }
  /** the family fingers only notes from `min` to `max` */
  | { readonly reason: 'fingered'; readonly path: string; readonly min: number; readonly max: number }
  /** a note of a route that the horn does not have */
  | { readonly reason: 'noSource'; readonly path: string; readonly midi: number }
  | { readonly reason: 'phrase'; readonly path: string; readonly word: number; readonly why: PhraseError['reason'] }
  /** nothing would sound */
  | { readonly reason: 'empty'; readonly path: string };

/** An exercise that its family refuses, with the reason. Only who knows it to be playable lets this be thrown. */
export class NotPlayable extends RangeError {
  constructor(
    readonly issue: ExerciseIssue,
    message: string,
  ) {
    super(message);
  }
}
