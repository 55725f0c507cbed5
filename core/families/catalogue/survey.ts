import { choice, number, type Tone } from '@inner-hum/core/exercise';
import { zoneOf } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** What a survey asks of each note, softest last: by then the note is known. */
const SURVEY_DYNAMICS = ['mf', 'f', 'p'] as const;
/** Five notes of all zones, and of the middle for who does not go farther yet. */
const FIVE = [60, 67, 74, 79, 86] as const;
const FIVE_EASY = [62, 67, 71, 76, 81] as const;
/** Shares of the keyed range where the quick survey listens. */
const NINE = 9;
/** Without the palm keys: up to written C6. */
const SEVEN = 7;
const EASY_TOP_MIDI = 84;

/** Every note of a part of the horn at medium, loud and soft, or nine notes over the whole of it. */
export const survey = defineFamily({
  id: 'survey',
  stage: 'wholeHorn',
  tempoBpm: 80,
  fields: {
    part: choice(['five', 'fiveEasy', 'nine', 'easy', 'low', 'middle', 'palm'], 'nine'),
    loudness: choice(['all', 'mf', 'p', 'f'], 'all'),
    beats: number(2, 8, 2),
    restBeats: number(1, 8, 2),
  },
  tones: ({ part, loudness: asked, beats, restBeats }, horn) =>
    surveyNotes(part, horn.lowestWrittenMidi, horn.highestKeyedWrittenMidi).flatMap((note) =>
      (asked === 'all' ? SURVEY_DYNAMICS : [asked]).map((loudness): Tone => ({
        note,
        beats,
        dynamics: [loudness],
        attack: 'breath',
        rest: restBeats,
      })),
    ),
  teaching: {
    about: ['pitch', 'start'],
    unjudged: ['timing'],
    easier: ['slower'],
    harder: [],
    within: { tempoBpm: [60, 100] },
    planned: { slot: 'measure', from: 'new', turn: ({ level }) => ({ part: level === 'new' ? 'fiveEasy' : 'five' }) },
  },
});

type SurveyPart = 'five' | 'fiveEasy' | 'nine' | 'easy' | 'low' | 'middle' | 'palm';

function surveyNotes(part: SurveyPart, lowest: number, highest: number): number[] {
  if (part === 'five') return [...FIVE];
  if (part === 'fiveEasy') return [...FIVE_EASY];
  if (part === 'nine') return spread(NINE, lowest, highest);
  if (part === 'easy') return spread(SEVEN, lowest, EASY_TOP_MIDI);
  const all = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
  return all.filter((midi) => zoneOf(midi) === part);
}

/** So many notes evenly over a range. */
function spread(count: number, from: number, to: number): number[] {
  return Array.from({ length: count }, (_, i) => Math.round(from + (i * (to - from)) / (count - 1)));
}
