import {
  ROUTE_AIMS,
  SEMITONES_EACH_TIME,
  bestRoute,
  choice,
  dynamic,
  eachTime,
  number,
  parsePhrase,
  phrase,
  phraseTones,
  series,
  text,
  tuning,
} from '@inner-hum/core/exercise';
import { sourceByKey, type Instrument, type Source } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** A scale or melody with every note as an overtone of some lower fingering. */
export const overtoneRoute = defineFamily({
  id: 'overtoneRoute',
  stage: 'overtones',
  tempoBpm: 72,
  climbs: true,
  fields: {
    phrase: phrase('B♭4 F5 B♭5 F5 B♭4:2'),
    aim: choice(ROUTE_AIMS, 'easiest'),
    // Names of sources in order, "58/2 58/3 …"; empty for the best route of a player who is not known.
    route: text(''),
    repeats: number(1, 12, 1),
    eachTime,
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ phrase: words, aim, route, repeats, eachTime: move, restBeats, dynamic: loudness }, horn) => {
    const midis = parsePhrase(words).flatMap((note) => note.midi ?? []);
    return series(repeats, (i) => {
      const moved = midis.map((midi) => midi + i * SEMITONES_EACH_TIME[move]);
      // A route that is named is that of the phrase as it stands: moved, it finds its own.
      const sources = routeFrom(route, moved, horn) ?? bestRoute(horn, moved, { aim }).sources;
      return phraseTones(words, restBeats, (_, at) => {
        const { tubeMidi, partialNumber, octaveKey } = sources[at]!;
        return { note: tubeMidi, partial: partialNumber, octaveKey, dynamics: [loudness] };
      });
    }).flat();
  },
  teaching: {
    longestBreathS: 6,
    within: { tempoBpm: [50, 108], dynamic: ['mp', 'f'] },
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'hideTuner', 'softer'],
    planned: { from: 'home', turn: ({ frontier }) => (frontier.partial > 3 ? {} : undefined) },
  },
});

/** The sources named by a text; undefined when they do not sound the phrase. */
function routeFrom(route: string, midis: readonly number[], horn: Instrument): Source[] | undefined {
  const keys = route.split(' ').filter((entry) => entry !== '');
  if (keys.length !== midis.length) return undefined;
  const sources = keys.map((key) => sourceByKey(horn, key));
  const fits = sources.every((source, i) => source?.soundedMidi === midis[i]);
  return fits ? (sources as Source[]) : undefined;
}
