import type { TakeSource } from '@inner-hum/core/take';
import type { AudioPath } from '@inner-hum/core/measure';
import { withFault } from '@inner-hum/core/simulate';
import { loopKey, rulerOf, scoreOf } from '../store/settings';
import { SoundProblem, type AudioInput } from '../input/audioInput';
import type { PageSound } from './pageSound';
import type { Settings } from '../db/settings/settings';

/** Sound of the stand-in player after the last beat, seconds. */
const TAIL_S = 0.35;

/** What is known of the delay of an audio path that was not measured: its standard error, seconds. */
const UNMEASURED_DELAY_ERROR_S = 0.03;
/** The same where the browser is not asked for its output, and what that is taken for, seconds. Our choice. */
const UNASKED = { delayS: 0.04, errorS: 0.05 } as const;

/** What is listened to, opened: the microphone plugged in, the file decoded, or the stand-in player with a seed. */
export interface OpenSource {
  readonly source: TakeSource;
  readonly buffer?: AudioBuffer;
}

/**
 * Opens what the player chose to be listened to.
 * @throws SoundProblem when there is no microphone, no file, or a file that is no sound
 */
export async function openSource(
  page: PageSound,
  input: AudioInput,
  settings: Settings,
  given?: AbortSignal,
): Promise<OpenSource> {
  if (settings.source === 'microphone')
    return { source: { kind: 'microphone', label: await input.plugMicrophone(settings.deviceId, given) } };
  input.unplug();
  if (settings.source === 'standIn') {
    const seed = Math.floor(Math.random() * 2 ** 31);
    return {
      source: {
        kind: 'standIn',
        seed,
        habits: withFault(settings.habit === 'clean' ? undefined : settings.habit),
        sampleRateHz: input.context.sampleRate,
      },
    };
  }
  const { file } = page;
  if (!file) throw new SoundProblem('noFile');
  try {
    const buffer = await input.context.decodeAudioData(await file.arrayBuffer());
    return { source: { kind: 'file', name: file.name }, buffer };
  } catch {
    throw new SoundProblem('badFile');
  }
}

/** The present exercise as the stand-in player plays it, `leadS` of silence before it. */
export async function standInBuffer(
  { ear }: PageSound,
  input: AudioInput,
  settings: Settings,
  source: TakeSource,
  leadS: number,
): Promise<AudioBuffer> {
  if (source.kind !== 'standIn') throw new SoundProblem('failed');
  const { sampleRate } = input.context;
  const samples = await ear.ask.playStandIn(scoreOf(settings), {
    sampleRateHz: sampleRate,
    a4Hz: settings.a4Hz,
    ruler: rulerOf(settings),
    habits: source.habits,
    seed: source.seed,
    leadS,
    tailS: TAIL_S,
  });
  const buffer = input.context.createBuffer(1, samples.length, sampleRate);
  buffer.copyToChannel(samples, 0);
  return buffer;
}

/** The way round as measured, or what the browser reports of it: how far off that is, is not known. */
export function pathOf(context: AudioContext, settings: Settings): AudioPath {
  const loop = settings.loops[loopKey(settings)];
  if (loop) return loop;
  if (locksUpWhenAsked()) return { delayS: context.baseLatency + UNASKED.delayS, delayErrorS: UNASKED.errorS };
  const delayS = context.baseLatency + (context.outputLatency || 0);
  return { delayS, delayErrorS: UNMEASURED_DELAY_ERROR_S };
}

/**
 * Whether a page that asks a running context for its output latency can stand still for good: in Firefox 153 the question
 * waits for the sound server while the sound server waits for the page (about one take in thirty; its output timestamp
 * asks the same). No feature tells, so the engine is asked for by name.
 */
function locksUpWhenAsked(): boolean {
  return navigator.userAgent.includes('Firefox/');
}
