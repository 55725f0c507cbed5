import { beatSeconds, notated, type Score } from '@inner-hum/core/exercise';
import { dynamicPosition, instrumentById, soundingMidi } from '@inner-hum/core/theory';
import toneMidi from '@tonejs/midi';

/** Velocity of pp and ff as shares of full. */
const SOFTEST = 0.25;
const LOUDEST = 0.95;
/** Saxophones in the General MIDI list: soprano, alto, tenor, baritone. */
const PROGRAMS: Readonly<Record<string, number>> = { sopranino: 64, soprano: 64, alto: 65, cMelody: 66, tenor: 66 };
const BARITONE = 67;

/** A score as a Standard MIDI File in sounding pitch, one track, with its tempo. */
export function writeMidi(played: Score, title: string): Uint8Array {
  const score = notated(played);
  const midi = new toneMidi.Midi();
  midi.header.setTempo(score.tempoBpm);
  midi.header.timeSignatures.push({ ticks: 0, timeSignature: [score.beatsPerBar, 4] });
  midi.header.name = title;
  const track = midi.addTrack();
  track.name = title;
  track.instrument.number = PROGRAMS[score.instrumentId] ?? BARITONE;
  const horn = instrumentById(score.instrumentId);
  for (const step of score.steps)
    track.addNote({
      midi: soundingMidi(horn, step.soundedMidi),
      time: step.startBeat * beatSeconds(score),
      duration: step.beats * beatSeconds(score),
      velocity: SOFTEST + (LOUDEST - SOFTEST) * dynamicPosition(step.dynamics[0]!.dynamic),
    });
  return midi.toArray();
}
