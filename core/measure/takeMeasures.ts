import { asksNoBreath, modelOf } from '@inner-hum/core/exercise';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { airBefore } from './airBefore';
import { foldedCents } from './align';
import { octaveBelowS, responseS, riseS } from './attack';
import { bend, type Bend } from './bend';
import { byLoudness, softestDb, type ByLoudness } from './byLoudness';
import { breathAtSoftEndDb } from './breathAtSoftEnd';
import {
  breathAgainstLevel,
  breathRatioDb,
  centroidAgainstLevel,
  centroidPartials,
  colourTravelPartials,
} from './colour';
import { hold, type Hold } from './hold';
import { brokeAtS, brokeUnderPDb, heldUnderPDb } from './edge';
import {
  dropOuts,
  partialJumps,
  mayMix,
  upperMixed,
  type DropOut,
  type PartialJump,
  type UpperMixed,
} from './interruptions';
import type { LowDrop } from './lowDrop';
import { levelAgainstPlanDb, levelDb } from './levelAgainstPlan';
import { latenessS } from './lateness';
import { absent, valueOf, type Measured } from './measured';
import { driftCentsPerS, pitchCentreCents, pitchSteadinessCents, shareInWindow } from './pitch';
import { overtonePair, type OvertonePair } from './overtonePair';
import { otherNote } from './otherNote';
import { overshootDb } from './overshoot';
import { pairChangeS } from './pairChange';
import { pitchAgainstLevelCents } from './pitchAgainstLevel';
import { DEMAND_CENTS, type StepQuantity } from './quantities.data';
import { plannedRange } from './plannedLine';
import { release, type Release } from './release';
import { roomDb } from './roomBelow';
import { settling } from './settle';
import { slurContinuity, type SlurContinuity } from './slur';
import { median } from './statistics';
import { halfBeatLevels, peakPlaceBeats, rangeDb, stairs, swellErrorDb, wrongWayShare, type Stair } from './swellShape';
import { toneAttack, toneBody, type ToneBody, type ToneSpan } from './tone';
import { airBeforeS, tonesOfSteps, type Expected, type TakeContext } from './tonesOfSteps';
import type { TubeGuess } from './tubeOf';
import { vibrato } from './vibrato';

/** What was measured on one step of a score. Times are seconds in the take's frames. */
export type StepMeasures =
  | { readonly kind: 'silent' }
  | ({
      readonly kind: 'sounded';
      readonly onsetS: number;
      readonly endS: number;
      readonly plannedStartS: number;
      readonly plannedEndS: number;
      readonly targetHz: number;
      /** sounding MIDI number that was really played when it is not the intended one or one of its partials */
      readonly otherSoundingMidi?: number;
      /** the range the plan asks for, measured the same way, dB */
      readonly plannedRangeDb: number;
      readonly byLoudness: ByLoudness;
      readonly stairs: readonly Stair[];
      readonly jumps: readonly PartialJump[];
      readonly dropOuts: readonly DropOut[];
      /** where its octave or twelfth mixed in; takes of older versions don't say it */
      readonly upperMixed?: readonly UpperMixed[];
      readonly release: Release;
      readonly hold: Hold;
      /** how it joins the step before, when it is slurred to it */
      readonly slur?: SlurContinuity;
      /** how it compares with its model, when it should be like it */
      readonly pair?: OvertonePair & {
        /** when the colour changed against the plan, seconds, when the two are slurred */
        readonly changeS: Measured;
      };
      /** of free play: the tube it came from, as far as its sound tells, and how a low note came straight out of another */
      readonly tube?: TubeGuess;
      readonly drop?: LowDrop;
      /** of a tone that is bent on purpose */
      readonly bend?: Bend;
    } & Readonly<Record<StepQuantity, Measured>>);

/** Measures of every step of a take, in the order of the score. */
export function measureTake(frames: Frames, context: TakeContext): StepMeasures[] {
  const tones = tonesOfSteps(frames, context);
  const room = roomDb(frames);
  return tones.map(({ expected: entry, span }, i): StepMeasures => {
    if (!span) return { kind: 'silent' };
    const asked = entry.step.hum ? inOwnOctave(frames, span, entry) : entry;
    const before = tones[i - 1]?.span;
    const earlier = tones[i - 1]?.expected;
    const joined =
      before && earlier
        ? {
            // What was looked for in between is no slur.
            ...(entry.step.attack === 'slurred' &&
              context.score.clearS === undefined && {
                slur: slurContinuity(frames, before, span, earlier.targetHz, entry.targetHz),
              }),
          }
        : {};
    const model = entry.step.pair ? tones[modelOf(context.score.steps, i)] : undefined;
    const paired = model?.span && { pair: pairOf(frames, model.span, model.expected, span, entry) };
    const about = {
      ...{ ...context, roomDb: room, airFromS: airBeforeS(entry.step, context) },
      noBreathFromS: before && asksNoBreath(context.score, i) ? before.end * HOP_S : undefined,
    };
    return { ...measureTone(frames, span, asked, about), ...joined, ...paired };
  });
}

/** A hum is measured against its target in the octave it was hummed in. */
function inOwnOctave(frames: Frames, span: ToneSpan, expected: Expected): Expected {
  const hz = median(frames.f0Hz.subarray(span.start, span.end).filter((value) => value > 0));
  const targetHz = hz / 2 ** (foldedCents(expected.targetHz, hz) / 1200);
  return { ...expected, targetHz, fingeredHz: targetHz };
}

/** Tones nearer to each other than this follow one another, seconds. */
const LEAST_GAP_S = 0.001;

function pairOf(frames: Frames, before: ToneSpan, earlier: Expected, span: ToneSpan, expected: Expected) {
  const first = bodyIn(frames, before, earlier);
  const second = bodyIn(frames, span, expected);
  // Only between neighbours in one breath there is a moment of change.
  const joined = expected.step.attack === 'slurred' && Math.abs(expected.startS - earlier.endS) < LEAST_GAP_S;
  const pair = overtonePair(first, second);
  const changeS = !joined
    ? absent('notPlanned')
    : areAlike(pair)
      ? absent('tooAlike')
      : pairChangeS(frames, first.body, second.body, expected.startS);
  return { ...pair, changeS };
}

/** Whether two tones lie no farther apart in colour than that can be measured: when the one became the other no ear tells. */
const areAlike = ({ spectralDistanceDb: found }: OvertonePair) =>
  found.kind === 'measured' && found.value < 2 * found.uncertainty;

/** The settled part of a tone, for comparing it with another. */
function bodyIn(frames: Frames, span: ToneSpan, { line, targetHz }: Expected): { frames: Frames; body: ToneBody } {
  const { settleS } = settling(frames, span, line.levelDbAt);
  return { frames, body: toneBody(frames, span, targetHz, valueOf(settleS) ?? 0) };
}

function jumpsOf(frames: Frames, span: ToneSpan, asked: Pick<Expected, 'step' | 'fingeredHz' | 'targetHz'>) {
  const { step, fingeredHz, targetHz } = asked;
  // A deep bend leaves its note without leaving its partial.
  const isOne = ({ toPartial, fromPartial }: PartialJump) => !step.bendCents || toPartial !== fromPartial;
  return partialJumps(frames, span, targetHz, fingeredHz, step.partialNumber).filter(isOne);
}

function measureTone(
  frames: Frames,
  span: ToneSpan,
  { step, line, fingeredHz, targetHz }: Expected,
  context: TakeContext & {
    readonly roomDb: number | undefined;
    readonly airFromS: number | undefined;
    /** end of the tone before, where no breath is to be taken after it, seconds */
    readonly noBreathFromS: number | undefined;
  },
): Extract<StepMeasures, { kind: 'sounded' }> {
  const { settleS, scoopCents } = settling(frames, span, line.levelDbAt);
  const body = toneBody(frames, span, targetHz, valueOf(settleS) ?? 0);
  const attack = toneAttack(frames, span);
  const onsetS = attack?.onsetS ?? span.start * HOP_S;
  const endS = span.end * HOP_S;
  const wave = vibrato(body);
  // A vibrato is told by itself: where the pitch lies is asked of the line that it rests on.
  const resting = { ...body, cents: wave.restCents };
  const halfBeats = halfBeatLevels(frames, span, line);
  const other = otherNote(frames, span, fingeredHz, body.frame.length, context.a4Hz);
  const jumps = other === undefined && !step.hum ? jumpsOf(frames, span, { step, fingeredHz, targetHz }) : [];
  const gaps = dropOuts(frames, span);
  const brokenS = brokeAtS(onsetS, { jumps, dropOuts: gaps });
  return {
    kind: 'sounded',
    onsetS,
    endS,
    plannedStartS: line.startS,
    plannedEndS: line.endS,
    targetHz,
    ...(other === undefined ? {} : { otherSoundingMidi: other }),
    responseS: responseS(attack, frames, span),
    latenessS: latenessS(onsetS, line, context.audioPath, context.onBeat),
    riseS: riseS(attack),
    octaveBelowS: octaveBelowS(attack),
    overshootDb:
      step.attack === 'slurred' ? absent('notPlanned') : overshootDb(frames, span, line, context.audioPath.delayS),
    ...airBefore(frames, onsetS, context, context.roomDb),
    settleS,
    scoopCents,
    pitchCentreCents: pitchCentreCents(resting),
    pitchSteadinessCents: pitchSteadinessCents(resting),
    driftCentsPerS: driftCentsPerS(resting),
    pitchAgainstLevelCents: pitchAgainstLevelCents(resting, line),
    shareInWindow: shareInWindow(resting, DEMAND_CENTS[context.demand]),
    vibratoHz: wave.rateHz,
    vibratoCents: wave.extentCents,
    vibratoRegularity: wave.regularity,
    centroidPartials: centroidPartials(body),
    colourTravelPartials: colourTravelPartials(body),
    centroidAgainstLevel: centroidAgainstLevel(body),
    breathRatioDb: breathRatioDb(body),
    breathAgainstLevel: breathAgainstLevel(body),
    swellErrorDb: swellErrorDb(body, line),
    wrongWayShare: wrongWayShare(body, line),
    rangeDb: rangeDb(halfBeats, context.roomDb),
    plannedRangeDb: plannedRange(line),
    peakPlaceBeats: peakPlaceBeats(halfBeats, line),
    breathAtSoftEndDb: breathAtSoftEndDb(body),
    levelDb: levelDb(body),
    levelAgainstPlanDb: levelAgainstPlanDb(body, line),
    softestDb: softestDb(body),
    brokeUnderPDb: brokeUnderPDb(frames, brokenS, context.ruler),
    heldUnderPDb: heldUnderPDb(body, brokenS, context.ruler),
    byLoudness: byLoudness(resting, context.ruler),
    stairs: stairs(body, line),
    jumps,
    dropOuts: gaps,
    ...(mayMix(step) && { upperMixed: upperMixed(frames, span) }),
    release: release(frames, span, targetHz),
    ...(step.bendCents && { bend: bend(frames, span, targetHz, step.bendCents < 0) }),
    hold: hold({ onsetS, endS, body: resting, jumps, dropOuts: gaps }, line, DEMAND_CENTS[context.demand]),
  };
}
