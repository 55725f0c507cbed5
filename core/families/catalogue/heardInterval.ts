import { choice, dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const BAR_BEATS = 4;

/** Hold a note and hear the next interval inwardly, while it sounds or over a silence; go there; ever wider; open bars after each. */
export const heardInterval = defineFamily({
  id: 'heardInterval',
  stage: 'wholeHorn',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(67),
    direction: choice(['up', 'down'], 'up'),
    move: choice(['withoutGap', 'afterSilence'], 'withoutGap'),
    intervals: number(1, 16, 5),
    beats: number(2, 8, 4),
    hearBeats: number(1, 8, 4),
    openBars: number(0, 4, 0),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, direction, move, intervals, beats, hearBeats, openBars, dynamic: loudness }) => {
    const sign = direction === 'up' ? 1 : -1;
    const silent = move === 'afterSilence';
    const tone = (value: number, attack: Tone['attack'], rest: NonNullable<Tone['rest']>): Tone => ({
      note: value,
      beats,
      dynamics: [loudness],
      attack,
      rest,
    });
    // In the open bars what was found is played with; a breath is left before it begins again.
    const after: Tone['rest'] =
      openBars > 0
        ? [
            { kind: 'open', beats: BAR_BEATS * openBars },
            { kind: 'breath', beats: hearBeats },
          ]
        : hearBeats;
    return series(intervals, (i) => [
      tone(writtenMidi, 'breath', silent ? [{ kind: 'hear', beats: hearBeats }] : 0),
      tone(writtenMidi + sign * (i + 1), silent ? 'breath' : 'slurred', after),
    ]).flat();
  },
  teaching: {
    about: ['pitch', 'start'],
    mainNote: 'writtenMidi',
    amount: 'intervals',
    within: { tempoBpm: [50, 90], beats: [2, 6], intervals: [1, 13], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'hideTuner'],
    planned: {
      from: 'new',
      // Another start note each day; who is new to it stays where the horn is easy, others go to its bottom too.
      turn: ({ horn, level, turn }) => ({
        writtenMidi: byTurn([67, 69, 65, 72, 70, ...(level === 'new' ? [] : [horn.lowestWrittenMidi, 60])], turn),
      }),
    },
  },
});
