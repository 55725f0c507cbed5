import { centsBetweenHz } from '@inner-hum/core/theory';
import type { FoundNote } from './segment';

/** After a longer gap a breath may have been taken, seconds. */
const STRAIGHT_S = 0.25;
/** So far down it is a drop, semitones. */
const DROP_SEMITONES = 7;
/** Another partial of the low tube for this long at most, right before its own, is its break; longer it is a note, seconds. */
const BREAK_S = 0.6;
const SAME_PARTIAL_CENTS = 70;
const PARTIALS = [2, 3, 4, 5, 6];

/** A drop to a low note straight out of another one, without a new breath: whether it spoke as itself, and when. */
export interface LowDrop {
  /** sounding MIDI number of the note that it came from */
  readonly fromSoundingMidi: number;
  /** from the end of that note to the low one, seconds */
  readonly lateS: number;
  /** what sounded first instead: sounding MIDI number of another partial of the low tube */
  readonly brokeToSoundingMidi?: number;
}

/** The drop that ends in a note of a recording; undefined where it does not come straight down from another. Our choice. */
export function lowDrop(notes: readonly FoundNote[], index: number): LowDrop | undefined {
  const low = notes[index]!;
  const before = notes[index - 1];
  const earlier = notes[index - 2];
  if (before && earlier && isBreak(before, low) && isStraight(earlier, before)) {
    const lateS = low.onsetS - earlier.endS;
    return isDrop(earlier, low)
      ? { fromSoundingMidi: earlier.soundingMidi, lateS, brokeToSoundingMidi: before.soundingMidi }
      : undefined;
  }
  if (!before || !isDrop(before, low) || !isStraight(before, low)) return undefined;
  return { fromSoundingMidi: before.soundingMidi, lateS: Math.max(0, low.onsetS - before.endS) };
}

const isDrop = (from: FoundNote, to: FoundNote) => from.soundingMidi - to.soundingMidi >= DROP_SEMITONES;
const isStraight = (from: FoundNote, to: FoundNote) => to.onsetS - from.endS <= STRAIGHT_S;

function isBreak(note: FoundNote, low: FoundNote): boolean {
  const ofTheTube = PARTIALS.some(
    (partial) => Math.abs(centsBetweenHz(partial * low.f0HzMedian, note.f0HzMedian)) <= SAME_PARTIAL_CENTS,
  );
  return ofTheTube && note.endS - note.onsetS <= BREAK_S && isStraight(note, low);
}
