import { beatsOf, type Tone } from './tone';
import { parsePhrase } from './phrase';

/** Tones of a phrase in one breath each between its rests, slurred; `restBeats` after the last one. */
export function phraseTones(
  text: string,
  restBeats: number,
  toneOf: (midi: number, index: number) => Pick<Tone, 'note' | 'dynamics' | 'partial' | 'octaveKey'>,
): Tone[] {
  const tones: Tone[] = [];
  for (const { midi, beats } of parsePhrase(text)) {
    const before = tones.at(-1);
    if (midi === null) {
      if (before) tones[tones.length - 1] = { ...before, rest: beatsOf(before.rest) + beats };
      continue;
    }
    const attack = before && beatsOf(before.rest) === 0 ? 'slurred' : 'breath';
    tones.push({ ...toneOf(midi, tones.length), beats, attack });
  }
  const last = tones.at(-1)!;
  return [...tones.slice(0, -1), { ...last, rest: Math.max(restBeats, beatsOf(last.rest)) }];
}
