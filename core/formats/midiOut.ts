import { beatSeconds, notated, plannedPosition, type Score, type Step } from '@inner-hum/core/exercise';
import { dynamicPosition, instrumentById, soundingMidi } from '@inner-hum/core/theory';
import toneMidi from '@tonejs/midi';

/** Velocity of pp and ff as shares of full. */
const SOFTEST = 0.25;
const LOUDEST = 0.95;
/** Saxophones in the General MIDI list: soprano, alto, tenor, baritone. */
const PROGRAMS: Readonly<Record<string, number>> = { sopranino: 64, soprano: 64, alto: 65, cMelody: 66, tenor: 66 };
const BARITONE = 67;

/** Controller of how strong a tone is while it sounds, and how often it is said, beats. */
const EXPRESSION = 11;
const EXPRESSION_BEATS = 0.25;

/** A score as a Standard MIDI File in sounding pitch, one track, with its tempo; swells as expression. */
export function writeMidi(played: Score, title: string): Uint8Array {
  const score = notated(played);
  const midi = new toneMidi.Midi();
  midi.header.setTempo(score.tempoBpm);
  midi.header.timeSignatures.push({ ticks: 0, timeSignature: [score.beatsPerBar, 4] });
  midi.header.name = title;
  const track = midi.addTrack();
  track.name = title;
  const horn = instrumentById(score.instrumentId);
  track.instrument.number = PROGRAMS[horn.id] ?? BARITONE;
  const strength = (step: Step, beat: number) =>
    SOFTEST + (LOUDEST - SOFTEST) * plannedPosition(step, beat, dynamicPosition);
  for (const step of score.steps) {
    const time = (beat: number) => (step.startBeat + beat) * beatSeconds(score);
    track.addNote({
      midi: soundingMidi(horn, step.soundedMidi),
      time: time(0),
      duration: step.beats * beatSeconds(score),
      velocity: strength(step, 0),
    });
    // A level tone says its strength once, one that swells goes on saying it.
    const often = step.dynamics.length > 1 ? Math.ceil(step.beats / EXPRESSION_BEATS) : 0;
    for (let i = 0; i <= often; i++) {
      const beat = Math.min(step.beats, i * EXPRESSION_BEATS);
      track.addCC({ number: EXPRESSION, time: time(beat), value: strength(step, beat) });
    }
  }
  return midi.toArray();
}
