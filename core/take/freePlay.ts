import { beatSeconds, scoreBeats, type Score } from '@inner-hum/core/exercise';
import { freePlay, heldText, MOST_HELD_NOTES } from '@inner-hum/core/families';
import { judgeTake, type Assignment } from '@inner-hum/core/judge';
import {
  lowDrop,
  measureTake,
  segmentNotes,
  type FoundNote,
  type LowDrop,
  type StepMeasures,
} from '@inner-hum/core/measure';
import { emptyFrames, HOP_S, PARTIALS_KEPT, sliceFrames, type Frames } from '@inner-hum/core/signal';
import { instrumentById, levelPosition, writtenMidi, type HornId } from '@inner-hum/core/theory';
import type { HeardTake } from './outcome';
import { packFrames } from './packedFrames';
import { hasOtherTubes, tubeUnder } from './tubeUnder';
import { planTake, type TakePlan, type TakeWish } from './plan';

/** A tone counts when it is held for so long, seconds, and strays no more than this, cents. */
const HELD = { forS: 1.5, steadyCents: 25 };
/** A horn's tone is clear: noise lies at least this far under it, dB. A room full of sound is not. */
const CLEAR_DB = -8;
/** Softer than the loudest held tone by more than this it is not the player; softer than the ruler's softest neither, dB. */
const FARTHEST_DB = 36;
const UNDER_RULER_DB = 6;

/** Silence before the first tone and after the last, seconds. */
const BEFORE_S = 0.5;
const AFTER_S = 1;
/** The grid on which tones are laid, seconds: a tenth of a beat at 60. */
const GRID_S = 0.1;
/** A low note is one of the lowest four of a horn that goes down to B♭3, or below them. */
const HIGHEST_LOW_MIDI = 61;
/** So much of a tone tells of its tube, seconds; it is asked of the longest, so many of them. */
const STEADY_S = 0.6;
const MOST_TUBES = 24;
/** Heard around a tone: how it began and ended, seconds. */
const EDGE_S = 0.25;

/** What is known of free play before it sounds. */
export interface FreeWish extends Pick<TakeWish, 'startedAt' | 'setup' | 'source'> {
  /** the horn as it is built; one as is usual for its size when left out */
  readonly hornId?: HornId;
}

/** What was held in free play, as a take of its own. */
export interface FreeTake {
  readonly plan: TakePlan;
  readonly heard: Omit<HeardTake, 'samples' | 'sampleRateHz' | 'lostMs'>;
}

/** Stretches of the frames in which the page itself was heard, seconds. */
export type Masked = readonly (readonly [fromS: number, toS: number])[];

/** A tone that was held steady in free play, with the frames around it. Times in seconds from the beginning of the play. */
export interface HeldTone extends FoundNote {
  readonly frames: Frames;
  /** where its frames begin */
  readonly fromS: number;
  /** how it came, where it is a low note straight out of a higher one */
  readonly drop?: LowDrop;
  /** a steady stretch of its sound, where that is at hand */
  readonly steady?: Sound;
}

interface Sound {
  readonly samples: Float32Array;
  readonly sampleRateHz: number;
}

/**
 * Tones of the horn that were held steady in a stretch of free play that began at `atS`. Talk, clicks, a room full of sound
 * and quick notes are none.
 */
export function heldTones(
  frames: Frames,
  { setup, hornId = setup.instrumentId }: Pick<FreeWish, 'setup' | 'hornId'>,
  atS: number,
  { forS, steadyCents } = HELD,
): HeldTone[] {
  const horn = instrumentById(hornId);
  return acrossClicks(segmentNotes(frames, setup.a4Hz), frames).flatMap((tone, i, notes): HeldTone[] => {
    const written = writtenMidi(horn, tone.soundingMidi);
    const isHeld =
      lastsS(tone) >= forS &&
      tone.centsSpread <= steadyCents &&
      tone.breathDbMedian <= CLEAR_DB &&
      written >= horn.lowestWrittenMidi &&
      written <= horn.highestKeyedWrittenMidi;
    if (!isHeld) return [];
    const from = Math.max(0, Math.round((tone.onsetS - EDGE_S) / HOP_S));
    const around = sliceFrames(frames, from, Math.round((tone.endS + EDGE_S) / HOP_S));
    const times = { onsetS: atS + tone.onsetS, endS: atS + tone.endS, fromS: atS + from * HOP_S };
    const drop = written <= HIGHEST_LOW_MIDI ? lowDrop(notes, i) : undefined;
    return [{ ...tone, ...times, frames: around, ...(drop && { drop }) }];
  });
}

/** The same with the steady middle of their sound, which tells of their tube; `sound` is heard from `atS` on. */
export function withSteady(tones: readonly HeldTone[], { samples, sampleRateHz }: Sound, atS: number): HeldTone[] {
  return tones.map((tone) => {
    const middleS = (tone.onsetS + tone.endS) / 2 - atS;
    const at = (seconds: number) => Math.max(0, Math.round(seconds * sampleRateHz));
    const steady = samples.slice(at(middleS - STEADY_S / 2), at(middleS + STEADY_S / 2));
    return { ...tone, steady: { samples: steady, sampleRateHz } };
  });
}

const lastsS = ({ onsetS, endS }: FoundNote) => endS - onsetS;

/**
 * What was held in free play, one tone after the other, as a take; undefined when there was none. What lies between is
 * not kept; what the page itself sounded, and what is far softer than the player, does not count. `device` is what was done
 * to the sound.
 */
export function freeTake(
  heard: readonly HeldTone[],
  wish: FreeWish,
  masked: Masked = [],
  device?: Assignment['device'],
): FreeTake | undefined {
  const { setup } = wish;
  const held = own(heard, setup, masked);
  if (held.length === 0) return undefined;
  const { hornId = setup.instrumentId } = wish;
  const horn = instrumentById(hornId);
  const notes = held.map((tone) => ({
    midi: writtenMidi(horn, tone.soundingMidi),
    beats: gridOf(lastsS(tone)) / 10,
    loudness: Math.round(100 * Math.min(1, Math.max(0, levelPosition(tone.levelDbMedian, setup.ruler)))),
  }));
  const parameters = {
    family: freePlay.id,
    instrumentId: hornId,
    tempoBpm: freePlay.tempoBpm,
    tunerHidden: false,
    held: heldText(notes),
  };
  const plan = planTake({ ...wish, parameters, audioPath: { delayS: 0, delayErrorS: 0 }, onBeat: false, cue: '' });
  const frames = oneAfterTheOther(held, plan.score);
  const assignment: Assignment = { ...plan, ...setup, firstBeatS: BEFORE_S, before: [], ...(device && { device }) };
  const tubed = new Set(longest(held, MOST_TUBES));
  const measures = measureTake(frames, assignment).map((step, i): StepMeasures => {
    const tone = held[i];
    if (step.kind !== 'sounded' || !tone) return step;
    const tube = tubed.has(tone) ? tubeIn(tone, wish, notes[i]!.midi) : undefined;
    return { ...step, ...(tone.drop && { drop: tone.drop }), ...(tube && { tube }) };
  });
  return {
    plan,
    heard: {
      frameCount: frames.count,
      frames: packFrames(frames),
      firstBeatS: BEFORE_S,
      measures,
      verdict: judgeTake(measures, assignment),
    },
  };
}

/** What the sound of a tone tells of its tube, where the note has more than one. */
function tubeIn({ steady, f0HzMedian }: HeldTone, wish: FreeWish, written: number) {
  if (!steady || !hasOtherTubes(wish, written)) return undefined;
  return tubeUnder(steady.samples, steady.sampleRateHz, f0HzMedian, wish, written);
}

const gridOf = (seconds: number) => Math.max(1, Math.ceil(seconds / GRID_S - 1e-6));

/** The player's own tones, in the order of playing; of too many the longest. */
function own(heard: readonly HeldTone[], { ruler }: FreeWish['setup'], masked: Masked): HeldTone[] {
  const unmasked = heard.filter((tone) => !masked.some(([fromS, toS]) => fromS < tone.endS && toS > tone.onsetS));
  const loudestDb = Math.max(...unmasked.map((tone) => tone.levelDbMedian));
  const softestDb = ruler.origin === 'measured' ? ruler.softestDb - UNDER_RULER_DB : -Infinity;
  const loud = unmasked.filter((tone) => tone.levelDbMedian >= Math.max(softestDb, loudestDb - FARTHEST_DB));
  const kept = new Set(longest(loud, MOST_HELD_NOTES));
  return loud.filter((tone) => kept.has(tone));
}

const longest = (tones: readonly HeldTone[], count: number) =>
  [...tones].sort((a, b) => lastsS(b) - lastsS(a)).slice(0, count);

/** A click that falls on a tone hides it for so long, seconds, and never lets the level dip as a new start does, dB. */
const CLICK_S = 0.12;
const DIP_DB = 6;

/** Notes that only a click divides are one. */
function acrossClicks(notes: readonly FoundNote[], { levelDb }: Frames): FoundNote[] {
  const joined: FoundNote[] = [];
  for (const note of notes) {
    const before = joined.at(-1);
    const gap = before && levelDb.subarray(Math.round(before.endS / HOP_S), Math.round(note.onsetS / HOP_S) + 1);
    const isOne =
      before &&
      gap &&
      before.soundingMidi === note.soundingMidi &&
      note.onsetS - before.endS <= CLICK_S &&
      Math.min(...gap) >= Math.min(before.levelDbMedian, note.levelDbMedian) - DIP_DB;
    if (isOne) joined.splice(-1, 1, { ...longer(before, note), onsetS: before.onsetS, endS: note.endS });
    else joined.push(note);
  }
  return joined;
}

const longer = (a: FoundNote, b: FoundNote) => (b.endS - b.onsetS > a.endS - a.onsetS ? b : a);

/** The frames of tones, each where its step begins. */
function oneAfterTheOther(held: readonly HeldTone[], score: Score): Frames {
  const atS = (beats: number) => BEFORE_S + beats * beatSeconds(score);
  const out = emptyFrames(Math.round((atS(scoreBeats(score)) + AFTER_S) / HOP_S));
  const attacks = held.flatMap((tone, i) => {
    const onsetS = tone.onsetS - tone.fromS;
    const to = Math.round((atS(score.steps[i]!.startBeat) - onsetS) / HOP_S);
    copyFrames(tone.frames, out, to);
    const shiftS = to * HOP_S;
    return tone.frames.attacks
      .filter((attack) => Math.abs(attack.onsetS - onsetS) < EDGE_S)
      .map((attack) => ({ ...attack, onsetS: attack.onsetS + shiftS, breathS: attack.breathS + shiftS }));
  });
  return { ...out, attacks };
}

function copyFrames(from: Frames, out: Frames, at: number): void {
  for (const name of ['f0Hz', 'confidence', 'levelDb', 'breathDb', 'centroidPartials', 'pitchErrorCents'] as const)
    out[name].set(from[name].subarray(0, out.count - at), at);
  out.partialsDb.set(from.partialsDb.subarray(0, (out.count - at) * PARTIALS_KEPT), at * PARTIALS_KEPT);
}
