import { LOOP_CLICK } from '@inner-hum/core/measure';

/** How far ahead clicks are handed to the audio clock, and how often, seconds. */
const AHEAD_S = 0.25;
const EVERY_S = 0.05;

export interface MetronomePlan {
  /** context time of beat 0; count-in beats lie before it */
  readonly firstBeatAtS: number;
  readonly beatS: number;
  readonly beatsPerBar: number;
  readonly fromBeat: number;
  readonly toBeat: number;
  readonly audible: boolean;
  /** every so many bars of the score one is silent, so that the player keeps the beat; 0 none */
  readonly silentBarEvery: number;
}

/** How loud a click and an accented one are. */
const GAIN = { plain: 0.32, accent: 0.5 } as const;
const ACCENT_HZ = 3136;

/** Clicks scheduled ahead on the audio clock, the first of each bar accented. */
export class Metronome {
  private timer: ReturnType<typeof setInterval> | undefined;
  private nextBeat = 0;

  constructor(private readonly context: AudioContext) {}

  start(plan: MetronomePlan): void {
    this.stop();
    this.nextBeat = plan.fromBeat;
    if (!plan.audible) return;
    const schedule = () => {
      for (; this.nextBeat < plan.toBeat; this.nextBeat++) {
        const atS = plan.firstBeatAtS + this.nextBeat * plan.beatS;
        if (atS > this.context.currentTime + AHEAD_S) return;
        const accent = ((this.nextBeat % plan.beatsPerBar) + plan.beatsPerBar) % plan.beatsPerBar === 0;
        if (atS >= this.context.currentTime && !isSilent(this.nextBeat, plan)) click(this.context, atS, accent);
      }
      this.stop();
    };
    schedule();
    this.timer = setInterval(schedule, 1000 * EVERY_S);
  }

  stop(): void {
    clearInterval(this.timer);
    this.timer = undefined;
  }
}

/** Whether a beat lies in a bar without clicks; count-ins never do. */
export function isSilent(beat: number, plan: Pick<MetronomePlan, 'beatsPerBar' | 'silentBarEvery'>): boolean {
  const bar = Math.floor(beat / plan.beatsPerBar);
  return plan.silentBarEvery > 0 && bar > 0 && bar % plan.silentBarEvery === plan.silentBarEvery - 1;
}

/** Two soft clicks: the take is judged. */
export function endClicks(context: AudioContext): void {
  for (const afterS of END_CLICKS_S) click(context, context.currentTime + afterS, false);
}
const END_CLICKS_S = [0.02, 0.15] as const;

/** One soft tick, now: what was held is no longer good. */
export function softTick(context: AudioContext): void {
  click(context, context.currentTime, false, TICK_GAIN);
}
const TICK_GAIN = 0.12;

/** A short sine high above the horn's fundamentals, gone in 30 ms: too short to be a tone for the ear. */
export function click(
  context: AudioContext,
  atS: number,
  accent: boolean,
  loudness: number = accent ? GAIN.accent : GAIN.plain,
): void {
  const oscillator = context.createOscillator();
  const gain = context.createGain();
  oscillator.frequency.value = accent ? ACCENT_HZ : LOOP_CLICK.hz;
  gain.gain.setValueAtTime(loudness, atS);
  gain.gain.exponentialRampToValueAtTime(loudness / LOOP_CLICK.fall, atS + LOOP_CLICK.lengthS);
  oscillator.connect(gain).connect(context.destination);
  oscillator.start(atS);
  oscillator.stop(atS + LOOP_CLICK.lengthS);
}
