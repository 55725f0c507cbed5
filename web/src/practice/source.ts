import type { TakeSource } from '@inner-hum/core/take';
import type { AudioPath } from '@inner-hum/core/measure';
import { withFault } from '@inner-hum/core/simulate';
import { rulerKey, rulerOf, scoreOf, type Settings } from '../store/settings';
import { chosenFile } from '../input/chosenFile';
import { earService, SoundProblem, type Desk } from '../input/audioInput';

/** Sound of the stand-in player after the last beat, seconds. */
const TAIL_S = 0.35;

/** What is known of the delay of an audio path that was not measured: its standard error, seconds. */
const UNMEASURED_DELAY_ERROR_S = 0.03;

/** What is listened to, opened: the microphone plugged in, the file decoded, or the stand-in player with a seed. */
export interface OpenSource {
  readonly source: TakeSource;
  readonly buffer?: AudioBuffer;
}

/**
 * Opens what the player chose to be listened to.
 * @throws SoundProblem when there is no microphone, no file, or a file that is no sound
 */
export async function openSource(desk: Desk, settings: Settings, given?: AbortSignal): Promise<OpenSource> {
  if (settings.source === 'microphone')
    return { source: { kind: 'microphone', label: await desk.plugMicrophone(settings.deviceId, given) } };
  desk.unplug();
  if (settings.source === 'standIn') {
    const seed = Math.floor(Math.random() * 2 ** 31);
    return {
      source: { kind: 'standIn', seed, habits: withFault(settings.habit === 'clean' ? undefined : settings.habit) },
    };
  }
  const file = chosenFile();
  if (!file) throw new SoundProblem('noFile');
  try {
    const buffer = await desk.context.decodeAudioData(await file.arrayBuffer());
    return { source: { kind: 'file', name: file.name }, buffer };
  } catch {
    throw new SoundProblem('badFile');
  }
}

/** The present exercise as the stand-in player plays it, `leadS` of silence before it. */
export async function standInBuffer(
  desk: Desk,
  settings: Settings,
  source: TakeSource,
  leadS: number,
): Promise<AudioBuffer> {
  if (source.kind !== 'standIn') throw new SoundProblem('failed');
  const { sampleRate } = desk.context;
  const samples = await earService().playStandIn(scoreOf(settings), {
    sampleRateHz: sampleRate,
    a4Hz: settings.a4Hz,
    ruler: rulerOf(settings),
    habits: source.habits,
    seed: source.seed,
    leadS,
    tailS: TAIL_S,
  });
  const buffer = desk.context.createBuffer(1, samples.length, sampleRate);
  buffer.copyToChannel(samples, 0);
  return buffer;
}

/** The way round as measured, or what the browser reports of it: how far off that is, is not known. */
export function pathOf(context: AudioContext, settings: Settings): AudioPath {
  const loop = settings.loops[rulerKey(settings)];
  if (loop) return loop;
  const delayS = context.baseLatency + (context.outputLatency || 0);
  return { delayS, delayErrorS: UNMEASURED_DELAY_ERROR_S };
}
