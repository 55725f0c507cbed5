import type { WholeTake } from '@inner-hum/core/take';
import { wholeTake } from '../db/takes';
import { evenedSound, type EvenedSound } from './evened';
import { rms, soundOf } from './playback';

/** What of a take can be heard. */
export type SoundKind = 'played' | 'evened' | 'evenedVibrato' | 'asBest' | 'best';

/**
 * The sounds of a take, each made once: as played, evened without and with its vibrato, drawn to the pitch and loudness of
 * the best take of the exercise, and that take moved so that its first beat falls on this one's and as loud as this one.
 * Undefined where none was kept.
 */
export function soundsOf(take: WholeTake, bestId: string | undefined) {
  const made = new Map<SoundKind, Promise<EvenedSound | undefined>>();
  const bestOf = async () => (bestId === undefined ? undefined : wholeTake(bestId));
  const make: Record<SoundKind, () => Promise<EvenedSound | undefined>> = {
    played: () => Promise.resolve(whole(soundOf(take))),
    evened: () => evenedSound(take, 'evened'),
    evenedVibrato: () => evenedSound(take, 'kept'),
    asBest: async () => {
      const best = await bestOf();
      return best && evenedSound(take, 'kept', best);
    },
    best: async () => {
      const best = await bestOf();
      const sound = best && soundOf(best);
      const own = soundOf(take);
      if (!best || !sound || !own) return undefined;
      const later = Math.round((take.record.firstBeatS - best.record.firstBeatS) * sound.sampleRateHz);
      const gain = rms(own.samples) / Math.max(1e-6, rms(sound.samples));
      const samples = new Float32Array(Math.max(0, sound.samples.length + later));
      for (let i = Math.max(0, later); i < samples.length; i++) samples[i] = gain * sound.samples[i - later]!;
      return whole({ sampleRateHz: sound.sampleRateHz, samples });
    },
  };
  return (kind: SoundKind) => {
    const ready = made.get(kind) ?? make[kind]();
    made.set(kind, ready);
    ready.catch(() => made.delete(kind)); // it is tried again when it is asked for again
    return ready;
  };
}

const whole = (sound: Omit<EvenedSound, 'leftS'> | undefined) => sound && { ...sound, leftS: 0 };
