import { asksNoBreath, beatSeconds, scoreBeats, type Score, type Step } from '@inner-hum/core/exercise';
import { dbToAmplitude } from '@inner-hum/core/signal';
import { SeededRandom } from './random';
import { addRoom } from './room';
import { type StandInSettings, Tone } from './playedTone';

const ROOM_NOISE = 1e-4;
/** Air that goes through the horn between tones, dB under its loudest. */
const AIR_DB = -38;
/** How often it swells where it wavers, Hz. */
const AIR_WAVES_HZ = 0.9;
/** How long it takes to begin and to end, seconds. */
const AIR_EDGE_S = 0.1;

/**
 * The stand-in player: plays a score with habits, as samples in −1…1, the first beat at `leadS`. The same seed plays the
 * same. Sum of partials with jitter and shimmer, breath noise that runs before the tone speaks, and a room.
 */
export function playStandIn(planned: Score, settings: StandInSettings): Float32Array<ArrayBuffer> {
  const score = endedByBreath(planned, settings.habits.breathS);
  const { sampleRateHz, leadS, tailS, habits } = settings;
  const beatS = beatSeconds(score);
  const beats = scoreBeats(score);
  const out = new Float32Array(Math.ceil((leadS + beats * beatS + tailS) * sampleRateHz));
  const random = new SeededRandom(settings.seed);
  score.steps.forEach((step, i) => {
    const next = score.steps[i + 1];
    const joinsNext = next?.attack === 'slurred' && next.startBeat === step.startBeat + step.beats;
    const { changeLateS, changeWanderS } = habits;
    const wanderS = step.pair && changeWanderS > 0 ? changeWanderS * (2 * random.uniform() - 1) : 0;
    const tone = new Tone(score, step, score.steps[i - 1], next, changeLateS + wanderS, settings, random, joinsNext);
    const startS = leadS + step.startBeat * beatS + habits.lateS;
    tone.addTo(out, startS, step.beats * beatS - Math.max(0, habits.lateS), beats * beatS, startS - leadS);
  });
  for (const step of freely(score)) {
    const startS = leadS + step.startBeat * beatS;
    new Tone(score, step, undefined, undefined, 0, settings, random, false).addTo(
      out,
      startS,
      step.beats * beatS,
      beats * beatS,
      startS - leadS,
    );
  }
  const airDb = settings.ruler.loudestDb + AIR_DB;
  for (const gap of score.gaps ?? []) {
    if (gap.kind !== 'air') continue;
    const startS = leadS + gap.startBeat * beatS;
    addAir(out, sampleRateHz, { startS, lengthS: gap.beats * beatS, db: airDb, wavesDb: habits.airWavesDb }, random);
  }
  if (habits.breathesBetween)
    for (const startS of breathsBetween(score, habits.slurGapS))
      addAir(out, sampleRateHz, { startS: leadS + startS, lengthS: BREATH_S, db: airDb, wavesDb: 0 }, random);
  addRoom(out, sampleRateHz, habits.roomS);
  for (let i = 0; i < out.length; i++) out[i]! += ROOM_NOISE * random.normal();
  return out;
}

/** What it plays in open bars: around the tone before them, a beat each, to the last beat but one. */
function freely({ steps, gaps = [] }: Score): Step[] {
  return gaps.flatMap(({ kind, startBeat, beats }) => {
    const before = steps.findLast((step) => step.startBeat < startBeat);
    if (kind !== 'open' || !before) return [];
    return Array.from({ length: Math.max(0, Math.floor(beats) - 1) }, (_, i): Step => {
      const midi = before.soundedMidi + (FREE_STEPS[i % FREE_STEPS.length] ?? 0);
      const { dynamics } = before;
      return {
        startBeat: startBeat + i,
        beats: 1,
        fingeredMidi: midi,
        partialNumber: 1,
        soundedMidi: midi,
        dynamics,
        attack: 'tongue',
      };
    });
  });
}
const FREE_STEPS = [0, 2, -1, -3];

/** Where breath is drawn though none is to be taken, seconds from the first beat: in the middle of what lies between. */
function breathsBetween(score: Score, slurGapS: number): number[] {
  return score.steps.flatMap((step, i) => {
    if (!asksNoBreath(score, i)) return [];
    const before = score.steps[i - 1]!;
    const fromS = (before.startBeat + before.beats) * beatSeconds(score);
    const untilS = step.startBeat * beatSeconds(score) + (step.attack === 'slurred' ? slurGapS : 0);
    return [(fromS + untilS - BREATH_S) / 2];
  });
}
/** How long it takes. */
const BREATH_S = 0.28;

/** Air through the horn, without a tone. */
function addAir(
  out: Float32Array,
  sampleRateHz: number,
  { startS, lengthS, db, wavesDb }: Readonly<Record<'startS' | 'lengthS' | 'db' | 'wavesDb', number>>,
  random: SeededRandom,
): void {
  let low = 0;
  for (let i = 0; i < Math.round(lengthS * sampleRateHz); i++) {
    const t = i / sampleRateHz;
    low += 0.5 * (random.normal() - low);
    const at = Math.round(startS * sampleRateHz) + i;
    const edge = Math.min(1, t / AIR_EDGE_S, (lengthS - t) / AIR_EDGE_S);
    const waveDb = wavesDb * Math.sin(2 * Math.PI * AIR_WAVES_HZ * t);
    if (at >= 0 && at < out.length) out[at]! += dbToAmplitude(db + waveDb) * edge * low * 1.73;
  }
}

/** Tones without a set end last as long as the player's breath. */
function endedByBreath(score: Score, breathS: number): Score {
  const most = breathS / beatSeconds(score);
  return {
    ...score,
    steps: score.steps.map((step) => (step.openEnd ? { ...step, beats: Math.min(step.beats, most) } : step)),
  };
}
