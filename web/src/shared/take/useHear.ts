import { bestTake, type Digest } from '@inner-hum/core/history';
import type { TakeRecord, WholeTake } from '@inner-hum/core/take';
import type { Evidence } from '@inner-hum/core/judge';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { detailOf } from '../../base/detailOf';
import { rivalsOf } from '../../db/rivals';
import { wholeTake } from '../../db/takes';
import type { EvenedSound } from '../../practice/evened';
import type * as Playback from '../../practice/playback';
import type { Player } from '../../practice/playback';
import type { soundsOf } from '../../practice/sounds';
import { usePageSound } from '../../practice/usePageSound';
import { store } from '../../store';
import { noticed } from '../../store/notices';

/** Heard before and after a place, seconds, and at most so much of it. */
const BEFORE_S = 1;
const AFTER_S = 0.3;
const MOST_S = 4;

export interface Hearing {
  /**
   * a place of the take as it was played, from a second before it; then the same beats of the best other take of the
   * exercise, as loud, where there is one with its sound
   */
  readonly hear: (place: Evidence) => void;
  /** all of the take as it was played */
  readonly hearWhole: () => void;
  /** all of the take, evened; a vibrato that was played is kept */
  readonly hearEvened: () => void;
  /** what sounds now */
  readonly sounding: 'own' | 'best' | undefined;
}

/** What of a take can be heard, made when it is first asked for. */
interface Sounds {
  readonly get: ReturnType<typeof soundsOf>;
  readonly evened: 'evened' | 'evenedVibrato';
  readonly hasBest: boolean;
  readonly modules: typeof Playback;
}

/** Where takes are kept that are heard, and those that they are set against. */
interface TakesToHear {
  readonly take: (id: string) => Promise<WholeTake | undefined>;
  readonly rivals: (take: TakeRecord) => Promise<readonly Digest[]>;
}
const OWN_TAKES: TakesToHear = { take: wholeTake, rivals: rivalsOf };

/** Plays a part of a sound to its end; gives whether it is still wanted then. */
type PlayPart = (which: Hearing['sounding'], sound: EvenedSound, fromS: number, toS: number) => Promise<boolean>;

/** Plays from a kept take. What can't be played is told. */
export function useHear(takeId: string, takes = OWN_TAKES): Hearing {
  const { speaker } = usePageSound();
  const sounds = useRef<Promise<Sounds | undefined>>(undefined);
  const player = useRef<Player>(undefined);
  /** which press is the newest: what was asked for before it does not sound any more; a page that is left wants none */
  const newest = useRef(0);
  const [sounding, setSounding] = useState<Hearing['sounding']>();
  useEffect(() => {
    const stop = () => {
      newest.current++;
      player.current?.close();
      player.current = undefined;
      sounds.current = undefined;
      setSounding(undefined);
    };
    return stop;
  }, [takeId, takes]);
  const play = useCallback(
    async (ask: (of: Sounds, part: PlayPart) => Promise<void>) => {
      const now = ++newest.current;
      player.current?.close();
      player.current = undefined;
      setSounding(undefined);
      sounds.current ??= soundsToHear(takeId, takes);
      const of = await sounds.current;
      if (now !== newest.current) return;
      if (!of) return void store.dispatch(noticed({ key: 'take.noSound' }));
      const part: PlayPart = async (which, sound, fromS, toS) => {
        if (now !== newest.current) return false;
        setSounding(which);
        player.current?.close();
        const gaveWay = await new Promise<boolean>((resolve, reject) => {
          player.current = new of.modules.Player(speaker, sound, resolve);
          player.current.play(fromS, toS).catch(reject);
        });
        return now === newest.current && !gaveWay;
      };
      try {
        await ask(of, part);
      } finally {
        if (now === newest.current) setSounding(undefined);
      }
    },
    [speaker, takeId, takes],
  );
  const told = useCallback((playing: Promise<void>) => {
    playing.catch((error: unknown) => {
      sounds.current = undefined; // it is tried again when it is asked for again
      store.dispatch(noticed({ key: 'take.notHeard', values: { detail: detailOf(error) } }));
    });
  }, []);
  return useMemo(
    () => ({
      sounding,
      hear: ({ fromS, toS }) => told(play((of, part) => playBesideBest(of, part, fromS, toS))),
      hearWhole: () => told(play((of, part) => playWhole(of, part, 'played'))),
      hearEvened: () => told(play((of, part) => playWhole(of, part, of.evened))),
    }),
    [play, told, sounding],
  );
}

async function playWhole(of: Sounds, part: PlayPart, kind: 'played' | Sounds['evened']): Promise<void> {
  const sound = await of.get(kind);
  if (!sound) return void store.dispatch(noticed({ key: 'take.noSound' }));
  await part(undefined, sound, 0, Infinity);
}

/** A place of the take, then the same of the best one where there is one. */
async function playBesideBest(of: Sounds, part: PlayPart, fromS: number, toS: number): Promise<void> {
  const [from, to] = [Math.max(0, fromS - BEFORE_S), Math.min(toS + AFTER_S, fromS + MOST_S)];
  const own = await of.get('played');
  if (!own) return void store.dispatch(noticed({ key: 'take.noSound' }));
  if (!(await part('own', own, from, to)) || !of.hasBest) return;
  const best = await of.get('best');
  if (!best) return;
  await part('best', of.modules.asLoudAs(best, own, from, to), from, to);
}

async function soundsToHear(takeId: string, takes: TakesToHear): Promise<Sounds | undefined> {
  const [modules, { soundsOf: make }, { hasVibrato }, whole] = await Promise.all([
    import('../../practice/playback'),
    import('../../practice/sounds'),
    import('../../practice/evened'),
    takes.take(takeId),
  ]);
  if (!whole) return undefined;
  const best = bestTake(await takes.rivals(whole.record));
  return {
    get: make(whole, best?.takeId),
    evened: hasVibrato(whole.record) ? 'evenedVibrato' : 'evened',
    hasBest: best !== undefined,
    modules,
  };
}
