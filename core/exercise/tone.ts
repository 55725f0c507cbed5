import {
  DYNAMICS,
  dynamicPosition,
  instrumentById,
  partialSemitones,
  type Dynamic,
  type Instrument,
  type PartialTuning,
} from '@inner-hum/core/theory';
import { clearSeconds } from './earLed';
import { checkField, inLimits, onHorn, type ExerciseParameters, type Fields } from './field';
import { NotPlayable } from './issue';
import {
  TEMPO_RANGE_BPM,
  type AskedVibrato,
  type Attack,
  type DynamicPoint,
  type Gap,
  type GapKind,
  type Score,
  type Step,
  type Vowel,
} from './score';

/** A tone of a family, laid after the one before it. */
export interface Tone {
  /** written note that is fingered */
  readonly note: number;
  /** partial of it that should sound; 1 when left out */
  readonly partial?: number;
  readonly octaveKey?: boolean;
  readonly hum?: boolean;
  readonly bendCents?: number;
  readonly freePitch?: boolean;
  /** lasts as long as it stays good: `beats` is only the longest that is listened for */
  readonly openEnd?: boolean;
  /** vowels to think of, spread evenly over the tone */
  readonly vowels?: readonly Vowel[];
  readonly vibrato?: AskedVibrato;
  /** is to be like the last tone on its pitch, and compared with it */
  readonly pair?: boolean;
  readonly beats: number;
  /** dynamics spread evenly over the tone: one is level, two are a hairpin */
  readonly dynamics: readonly (Dynamic | number)[];
  readonly attack: Attack;
  /** what comes before the next tone: beats of breath, or what is done in turn */
  readonly rest?: number | readonly GapPart[];
  /** of the first tone: what is done in the count-in up to it */
  readonly lead?: readonly GapPart[];
  readonly subtone?: boolean;
  readonly offCents?: number;
  readonly droneMidi?: number;
}

/** A part of what lies between two tones. */
export interface GapPart {
  readonly kind: GapKind;
  readonly beats: number;
}

/** What a score is made from: the fields of a family, and the tones that they stand for. */
export interface ToneMaker {
  readonly id: string;
  readonly fields: Fields;
  /** whether it can be led by ear, tone by tone, as well as on the beat */
  readonly climbs?: boolean;
  readonly tones: (values: ExerciseParameters, horn: Instrument) => readonly Tone[];
}

/**
 * The score of an exercise of a family: its tones one after the other.
 * @throws NotPlayable, PhraseError or NoSourceError (all RangeErrors) naming what does not fit
 */
export function scoreOf(family: ToneMaker, parameters: ExerciseParameters): Score {
  const horn = instrumentById(parameters.instrumentId);
  inLimits('tempoBpm', parameters.tempoBpm, TEMPO_RANGE_BPM.min, TEMPO_RANGE_BPM.max);
  for (const [name, field] of Object.entries(family.fields)) checkField(name, field, parameters[name], horn);
  let beat = 0;
  const gaps: Gap[] = [];
  const addGaps = (parts: readonly GapPart[], from: number) => {
    let startBeat = from;
    for (const { kind, beats } of parts) {
      gaps.push({ startBeat, beats, kind });
      startBeat += beats;
    }
  };
  const clearS = family.climbs ? clearSeconds(parameters['goesOn']) : undefined;
  const tones = family.tones(parameters, horn).map(longEnough(clearS, parameters.tempoBpm));
  if (tones.length === 0) throw new NotPlayable({ reason: 'empty', path: family.id }, `${family.id} has no tone`);
  const steps = tones.map((tone): Step => {
    const { note: fingeredMidi, partial: partialNumber = 1 } = tone;
    const soundedMidi = fingeredMidi + partialSemitones(partialNumber);
    onHorn('note', fingeredMidi, horn);
    onHorn('note', soundedMidi, horn);
    const startBeat = beat;
    if (tone.lead) addGaps(tone.lead, startBeat - beatsOf(tone.lead));
    if (typeof tone.rest === 'object') addGaps(tone.rest, startBeat + tone.beats);
    beat += tone.beats + beatsOf(tone.rest);
    return {
      startBeat,
      beats: tone.beats,
      fingeredMidi,
      partialNumber,
      soundedMidi,
      dynamics: points(tone),
      attack: tone.attack,
      ...marks(tone),
    };
  });
  const asked = gapsOf(gaps, steps.at(-1)!);
  return {
    family: family.id,
    instrumentId: parameters.instrumentId,
    tempoBpm: parameters.tempoBpm,
    countInBeats: 4,
    beatsPerBar: 4,
    partialTuning: (parameters['tuning'] as PartialTuning | undefined) ?? 'tempered',
    tunerHidden: parameters.tunerHidden,
    ...(clearS !== undefined && { clearS }),
    steps,
    ...(asked.length > 0 && { gaps: asked }),
  };
}

/** A tone that is to be clear for a time is written as long as that takes, with some time to find it. */
function longEnough(clearS: number | undefined, tempoBpm: number): (tone: Tone) => Tone {
  if (clearS === undefined) return (tone) => tone;
  const least = Math.ceil(((clearS + FINDING_S) * tempoBpm) / 60);
  return (tone) => ({ ...tone, beats: Math.max(least, tone.beats) });
}
const FINDING_S = 0.5;

/** Beats of what comes after a tone, whatever is done in them. */
export function beatsOf(rest: Tone['rest'] = 0): number {
  return typeof rest === 'number' ? rest : rest.reduce((sum, { beats }) => sum + beats, 0);
}

/** Gaps that last; after the last tone only air that goes on at once belongs to the score. */
function gapsOf(gaps: readonly Gap[], { startBeat, beats }: Step): Gap[] {
  const endBeat = startBeat + beats;
  return gaps.filter((gap) => {
    if (gap.beats === 0) return false;
    return gap.startBeat < endBeat || (gap.kind === 'air' && gap.startBeat === endBeat);
  });
}

/** What a step is besides a plain tone. */
function marks({
  offCents,
  droneMidi,
  subtone,
  pair,
  octaveKey,
  hum,
  bendCents,
  freePitch,
  openEnd,
  vowels,
  vibrato,
}: Tone) {
  return {
    ...(openEnd && { openEnd }),
    ...(vowels && { vowels }),
    ...(vibrato && { vibrato }),
    ...(offCents && { offCents }),
    ...(droneMidi !== undefined && { droneMidi }),
    ...(subtone && { subtone }),
    ...(pair && { pair }),
    ...(octaveKey && { octaveKey }),
    ...(hum && { hum }),
    ...(bendCents && { bendCents }),
    ...(freePitch && { freePitch }),
  };
}

function points({ dynamics, beats }: Tone): DynamicPoint[] {
  const gaps = Math.max(1, dynamics.length - 1);
  return dynamics.map((dynamic, i): DynamicPoint => {
    const beat = (i * beats) / gaps;
    if (typeof dynamic === 'string') return { beat, dynamic: dynamic };
    return { beat, dynamic: nearestTo(dynamic), position: dynamic };
  });
}

function nearestTo(position: number): Dynamic {
  const away = (id: Dynamic) => Math.abs(dynamicPosition(id) - position);
  return DYNAMICS.reduce((best, dynamic) => (away(dynamic) < away(best) ? dynamic : best));
}

/** @throws RangeError when the first dynamic is not softer than the second */
export function softerThan(softest: Dynamic, loudest: Dynamic): void {
  if (dynamicPosition(softest) >= dynamicPosition(loudest))
    throw new NotPlayable({ reason: 'order', path: 'softest' }, 'softest must be softer than loudest');
}

/** `count` items made from their index. */
export function series<T>(count: number, item: (index: number) => T): T[] {
  return Array.from({ length: count }, (_, i) => item(i));
}
