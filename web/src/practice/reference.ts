import { beatSeconds, isOpenEnded, type Score } from '@inner-hum/core/exercise';
import { instrumentById, writtenToHz } from '@inner-hum/core/theory';
import type { Settings } from '../db/settings/settings';
import type { Speaker } from './speaker';

const LENGTH_S = 1.6;
const FADE_S = 0.08;
/** Partials of the reference: plain, with enough of a second and third to be heard on small speakers. */
const PARTIALS = [0, 1, 0.45, 0.25, 0.12] as const;

const DRONE_GAIN = 0.08;

/** The drone of an exercise, or the target for those whose school it is; only with headphones; gives what ends it. */
export function droneFor(context: AudioContext, settings: Settings, score: Score, firstBeatAtS: number): () => void {
  if (!settings.headphones) return () => undefined;
  const own = score.steps.some(({ droneMidi }) => droneMidi !== undefined);
  const whileGood = settings.holdSound === 'drone' && isOpenEnded(score);
  if (settings.schools.tuner !== 'drone' && !own && !whileGood) return () => undefined;
  const horn = instrumentById(score.instrumentId);
  const pitches = score.steps.map(({ startBeat, soundedMidi, droneMidi = soundedMidi }) => ({
    atS: firstBeatAtS + startBeat * beatSeconds(score),
    hz: writtenToHz(horn, droneMidi, settings.a4Hz),
  }));
  return playDrone(context, pitches);
}

/** A drone that holds each pitch from its time on, seconds on the context's clock; gives what ends it. */
function playDrone(
  context: AudioContext,
  pitches: readonly { readonly atS: number; readonly hz: number }[],
): () => void {
  const { oscillator, gain } = plainTone(context);
  for (const { atS, hz } of pitches) oscillator.frequency.setValueAtTime(hz, Math.max(context.currentTime, atS));
  gain.gain.setTargetAtTime(DRONE_GAIN, context.currentTime, FADE_S);
  oscillator.start();
  return () => {
    gain.gain.setTargetAtTime(0, context.currentTime, FADE_S);
    oscillator.stop(context.currentTime + 6 * FADE_S);
  };
}

function plainTone(context: AudioContext): { oscillator: OscillatorNode; gain: GainNode } {
  const oscillator = context.createOscillator();
  const gain = context.createGain();
  oscillator.setPeriodicWave(
    context.createPeriodicWave(new Float32Array(PARTIALS.length), Float32Array.from(PARTIALS)),
  );
  gain.gain.setValueAtTime(0, context.currentTime);
  oscillator.connect(gain).connect(context.destination);
  return { oscillator, gain };
}

/** Plays the target as a plain additive tone, before a take, never during one; gives its length in seconds. */
export function playReference(speaker: Speaker, context: AudioContext, hz: number): number {
  const at = context.currentTime + 0.05;
  const { oscillator, gain } = plainTone(context);
  oscillator.frequency.value = hz;
  gain.gain.setValueAtTime(0, at);
  gain.gain.linearRampToValueAtTime(0.25, at + FADE_S);
  gain.gain.setValueAtTime(0.25, at + LENGTH_S - FADE_S);
  gain.gain.linearRampToValueAtTime(0, at + LENGTH_S);
  speaker.began(oscillator);
  oscillator.onended = () => speaker.isOver(oscillator);
  oscillator.start(at);
  oscillator.stop(at + LENGTH_S);
  return LENGTH_S + 0.05;
}
