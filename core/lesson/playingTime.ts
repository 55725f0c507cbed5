import { beatSeconds } from '@inner-hum/core/exercise';
import { playable } from '@inner-hum/core/families';
import type { Digest } from '../history/digest';
import { BREAK_MIDI } from './made';

type Played = Pick<Digest, 'startedAtMs' | 'parameters' | 'seen'>;

/** For how long a note was asked for in takes in which it sounded, on whichever fingering, seconds. */
export function secondsOn(midi: number, digests: readonly Played[]): number {
  return digests.reduce((sum, digest) => {
    const own = digest.seen.filter((one) => one.midi === midi);
    if (own.length === 0) return sum;
    // What an older take does not say was as usual.
    const { score } = playable(digest.parameters);
    const beats = [...stepsOf(digest, own).keys()].reduce((total, i) => total + (score.steps[i]?.beats ?? 0), 0);
    return sum + beats * beatSeconds(score);
  }, 0);
}

/** How many slurs went over the break between regular notes, and how many of them broke. */
export function slursOverBreak(digests: readonly Played[]): { readonly of: number; readonly broke: number } {
  let of = 0;
  let broke = 0;
  for (const digest of digests) {
    const steps = stepsOf(digest, digest.seen);
    for (const [i, { attack, midi, partial, spoke }] of steps) {
      const before = steps.get(i - 1);
      if (attack !== 'slurred' || !before || partial > 1 || before.partial > 1) continue;
      if (Math.min(midi, before.midi) > BREAK_MIDI.under || Math.max(midi, before.midi) < BREAK_MIDI.over) continue;
      of++;
      if (!spoke) broke++;
    }
  }
  return { of, broke };
}

/** What was seen of each step: a step is told once for each loudness that it touched. */
function stepsOf({ startedAtMs }: Played, seen: Played['seen']): ReadonlyMap<number, Played['seen'][number]> {
  return new Map(seen.map((one) => [one.atMs - startedAtMs, one]));
}
