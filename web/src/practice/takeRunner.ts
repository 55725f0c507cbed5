import { ownExerciseKey } from '@inner-hum/core/families';
import { beatSeconds, isOpenEnded, longestRestBeats, scoreBeats, type Score } from '@inner-hum/core/exercise';
import { instrumentById, soundingRangeHz, writtenToHz } from '@inner-hum/core/theory';
import { VERDICT_S } from '@inner-hum/core/plan';
import type { TakeSource, WholeTake } from '@inner-hum/core/take';
import { beginDraft, forgetDraft, leftDraft, planDraft } from '../db/drafts';
import type { DraftPlan } from '../db/database';
import { backUpWhenDue } from '../db/autoBackup';
import { keepWithinBudget } from '../db/soundBudget';
import { keepTake, type Kept } from '../db/takes';
import { lookBack } from '../db/past';
import { exerciseOf, mainNote, scoreOf, settingsChanged } from '../store/settings';
import { blockMoved, goingOn, nextExercise, pausedFor, phaseChanged, problemMet, takeJudged } from '../store/stand';
import { store } from '../store';
import { noticed } from '../store/notices';
import { AudioInput, SoundProblem, type ProblemId } from '../input/audioInput';
import { Metronome } from './metronome';
import { takeOf } from '@inner-hum/core/take';
import { assignmentFor, recorderSettingsFor, planNow } from './planNow';
import type { Queue } from './queue';
import { holdInMemory, isHeld, recoverDraft, unkept } from './recoverDrafts';
import { playDrone, playReference } from './reference';
import { openSource, pathOf, standInBuffer } from './source';
import { detailOf } from '../base/detailOf';
import { dayOf } from '../base/days';
import type { Settings } from '../db/settings/settings';
import { earAnswers, earService, replaceEar } from '../input/ear';

/** Sound that is heard after the last beat before the take is judged, seconds. */
const TAIL_S = 0.35;
/** Silence of the stand-in player before the first beat, seconds. */
const LEAD_S = 0.5;
/** A tone must have lasted this long to set the beat, seconds. */
const FIRST_TONE_S = 0.1;
/** An audio clock that stands still for this long has been stopped by the device or the browser, milliseconds. */
const STALLED_MS = 2500;
/** A plugged-in microphone from which nothing is heard for this long has stopped, or the ear has, seconds. */
const UNHEARD_S = 2.5;
/** An ear that does not answer within this is dead, milliseconds. */
const ANSWER_MS = 1500;
const POLL_MS = 15;
const FREE_RETAIN_S = 30;
/** Silence that halts a take, beyond the rests that are written, seconds. */
const SILENCE_S = 8;
/** A tone without a set end is over when it has been silent for so long, seconds. */
const OPEN_END_S = 1.5;
/** A stopped take shorter than this is not kept, seconds. */
const LEAST_KEPT_S = 1;

/** Where the running score stands on the context's clock, for drawing. */
export interface Timing {
  readonly beatS: number;
  readonly countInFromS: number;
  /** undefined while a first tone is waited for */
  readonly firstBeatAtS: number | undefined;
}

/** What follows a kept take in the background: sound within its budget, a promise of storage, the day's backup. */
async function tidyUp(settings: Settings): Promise<void> {
  await keepWithinBudget(1e6 * settings.soundBudgetMb, settings.pinned);
  await navigator.storage?.persist();
  await backUpWhenDue(settings);
}

type Ending = 'score' | 'stopped' | 'silence' | 'left' | 'trouble';

/** Runs takes one after the other, from the opened sound to the kept record. One for the whole page. */
class TakeRunner {
  input: AudioInput | undefined;
  timing: Timing | undefined;
  private metronome: Metronome | undefined;
  private ending: Ending | undefined;
  /** aborted when the player stops while something is waited for that may never come */
  private givenUp = new AbortController();
  private earDied = false;
  /** the input on its way, so that two callers share one */
  private opening: Promise<AudioInput> | undefined;
  private pausing: ((goesOn: boolean) => void) | undefined;

  /** Runs a take of the present exercise to its verdict. Problems go to the store, never to the caller. */
  async start(): Promise<void> {
    if (isBusy()) return;
    const { settings, stand } = store.getState();
    store.dispatch(problemMet(null));
    store.dispatch(phaseChanged('opening'));
    this.ending = undefined;
    this.earDied = false;
    this.givenUp = new AbortController();
    const takeId = crypto.randomUUID();
    try {
      const input = await this.orGivenUp(this.openInput());
      const { source, buffer } = await this.orGivenUp(openSource(input, settings, this.givenUp.signal));
      const awake = keepAwake();
      try {
        await navigator.locks.request(`take ${takeId}`, () => this.run(takeId, input, settings, stand, source, buffer));
      } finally {
        void awake.then((lock) => lock?.release()); // keepAwake never rejects
      }
    } catch (error) {
      await this.endBadly(takeId, error);
    } finally {
      this.metronome?.stop();
      this.timing = undefined;
    }
  }

  /**
   * What is left of a take that failed: a draft that came past its first beat stays and is made a take as soon as that
   * works, of any other there is nothing to keep. The ear and the microphone are closed, and the message says what is true.
   */
  private async endBadly(takeId: string, error: unknown): Promise<void> {
    const left = await leftDraft(takeId).catch(() => undefined);
    const started = isHeld(takeId) || (left !== undefined && left.draft.plan.firstBeatS !== null);
    const byPlayer = error instanceof GivenUp && !this.earDied;
    // What the ear was at is not waited for.
    await this.letGo(this.earDied || (byPlayer && started));
    if (error instanceof SoundProblem) store.dispatch(problemMet(error.id));
    // What is left of the take is offered, with why it is none.
    else if (!started && !byPlayer && !this.earDied) store.dispatch(problemMet('failed'));
    store.dispatch(phaseChanged('idle'));
    if (started) unkept(takeId, left, error, byPlayer ? 'stopped' : undefined);
    else await forgetDraft(takeId).catch(() => undefined); // without a database there is none
    if (this.earDied) await recoverDraft(takeId);
  }

  /** Ends listening and closes the microphone; with `anew` the ear's worker is ended too, and the next take has another. */
  private async letGo(anew: boolean): Promise<void> {
    const { input } = this;
    if (!anew) {
      input?.unplug();
      await Promise.race([earService().stop(), wait(500)]).catch(() => undefined); // a dead worker needs no stop
      return;
    }
    this.input = undefined;
    await input?.close().catch(() => undefined); // a context that can't be closed is closed by the browser
    replaceEar();
  }

  /** What was asked for, or the end of waiting for it when the player stops. @throws GivenUp */
  private orGivenUp<T>(asked: Promise<T>): Promise<T> {
    const { signal } = this.givenUp;
    return Promise.race([
      asked,
      new Promise<never>((_, reject) => {
        if (signal.aborted) reject(new GivenUp());
        signal.addEventListener('abort', () => reject(new GivenUp()), { once: true });
      }),
    ]);
  }

  /**
   * Plays the present exercise; when the player wants it so, the proposed next step follows each verdict by itself, until
   * the judge says leave it, nothing is heard, or `stop`.
   */
  async startFlow(): Promise<void> {
    for (;;) {
      await this.start();
      if (this.ending === 'silence' && (await this.waitsForPlayer())) continue;
      const { stand, settings } = store.getState();
      const verdict = stand.phase === 'verdict' && this.ending === 'score' ? stand.last?.verdict : undefined;
      const silent = verdict?.findings.some((one) => one.id === 'nothingHeard');
      if (!settings.goesOn || !verdict || silent || verdict.decision === 'leave') return;
      store.dispatch(goingOn(true));
      const goesOn = await this.verdictStands();
      store.dispatch(goingOn(false));
      if (!goesOn) return;
      store.dispatch(settingsChanged({ exercise: nextExercise(stand.last!) }));
    }
  }

  /** Plays a block or a session, one exercise after the other, each verdict standing for a while; `stop` ends it. */
  async startQueue(queue: Queue): Promise<void> {
    if (isBusy() || store.getState().stand.block) return;
    this.pausing = undefined;
    const today = dayOf(new Date());
    for (let now = queue.now(); now; now = queue.now()) {
      if (store.getState().settings.left[ownExerciseKey(now.exercise)] === today) {
        queue.after({ decision: 'leave', next: {} });
        continue;
      }
      store.dispatch(settingsChanged({ exercise: now.exercise }));
      store.dispatch(blockMoved(now.place));
      await this.start();
      if (this.ending === 'silence' && (await this.waitsForPlayer())) continue;
      const left = this.ending === 'left';
      const verdict = store.getState().stand.last?.verdict;
      if (!left && (this.ending !== 'score' || store.getState().stand.phase !== 'verdict' || !verdict)) break;
      const outcome = left
        ? ({ decision: 'leave', next: {} } as const)
        : { decision: verdict!.decision, next: verdict!.next.parameters };
      const pauseS = queue.after(outcome);
      if (!left && queue.now() && !(await this.verdictStands(pauseS))) break;
    }
    store.dispatch(blockMoved(null));
  }

  /** Leaves the present exercise for today: what runs ends, and a block goes on with its next. */
  leave(): void {
    const { settings } = store.getState();
    const left = { ...settings.left, [ownExerciseKey(exerciseOf(settings))]: dayOf(new Date()) };
    store.dispatch(settingsChanged({ left }));
    if (isBusy()) this.ending = 'left';
    else this.pausing?.(store.getState().stand.block !== null);
  }

  /** Cuts the pause between two exercises of a block short. */
  goOn(): void {
    this.pausing?.(true);
  }

  /** Ends what runs: a take is kept up to here, free play and blocks stop. */
  stop(): void {
    this.ending = 'stopped';
    this.pausing?.(false);
    if (['opening', 'judging'].includes(store.getState().stand.phase)) this.givenUp.abort();
  }

  /** After a long silence nothing plays until the player says so. */
  private async waitsForPlayer(): Promise<boolean> {
    store.dispatch(pausedFor(true));
    const goesOn = await this.verdictStands(Infinity);
    store.dispatch(pausedFor(false));
    return goesOn;
  }

  private verdictStands(forS = VERDICT_S): Promise<boolean> {
    return new Promise((resolve) => {
      const timer = forS < Infinity ? setTimeout(() => this.pausing?.(true), 1000 * forS) : undefined;
      this.pausing = (goesOn) => {
        clearTimeout(timer);
        this.pausing = undefined;
        resolve(goesOn);
      };
    });
  }

  /** Listens without a score until stopped. */
  async listen(): Promise<void> {
    if (isBusy()) return;
    const { settings } = store.getState();
    store.dispatch(problemMet(null));
    store.dispatch(phaseChanged('opening'));
    this.ending = undefined;
    this.givenUp = new AbortController();
    try {
      const input = await this.orGivenUp(this.openInput());
      await this.orGivenUp(this.hearFreely(input, settings));
      store.dispatch(phaseChanged('free'));
      await this.until(() => false);
      await this.letGo(false);
      store.dispatch(phaseChanged('idle'));
    } catch (error) {
      await this.letGo(error instanceof GivenUp);
      if (error instanceof GivenUp) store.dispatch(phaseChanged('idle'));
      else this.meet(error);
    }
  }

  /** Plugs the chosen source in for listening alone; the caller ends it by the ear's `stop` or `finishFrames`. */
  async hearFreely(input: AudioInput, settings: Settings, retainS: number | undefined = FREE_RETAIN_S): Promise<void> {
    const { source, buffer } = await openSource(input, settings, this.givenUp.signal);
    const range = soundingRangeHz(instrumentById(settings.instrumentId), settings.a4Hz);
    input.trace.reset();
    await earService().begin({
      sampleRateHz: input.context.sampleRate,
      ...range,
      ...(retainS !== undefined && { retainS }),
      zerosAreLoss: source.kind === 'microphone',
    });
    if (source.kind === 'microphone') return;
    const samples = buffer ?? (await standInBuffer(input, settings, source, 0.2));
    input.plugSamples(samples, input.context.currentTime + 0.1);
  }

  async openInput(): Promise<AudioInput> {
    if (!this.input) {
      this.opening ??= AudioInput.open().finally(() => (this.opening = undefined));
      this.input = await this.opening;
    }
    const { input } = this;
    input.onTrouble = (problem) => this.trouble(problem);
    await input.wake();
    return input;
  }

  /** Plays the target note of the present swell. */
  async reference(): Promise<void> {
    if (isBusy()) return;
    const { settings } = store.getState();
    try {
      const input = await this.openInput();
      const horn = instrumentById(settings.instrumentId);
      playReference(input.context, writtenToHz(horn, mainNote(settings.exercise), settings.a4Hz));
    } catch (error) {
      this.meet(error);
    }
  }

  private async run(
    takeId: string,
    input: AudioInput,
    settings: Settings,
    stand: { readonly decisions: DraftDecisions; readonly decisionsAbout: string },
    source: TakeSource,
    buffer: AudioBuffer | undefined,
  ): Promise<void> {
    const score = scoreOf(settings);
    const beatS = beatSeconds(score);
    const { context } = input;
    const samples = source.kind === 'standIn' ? await standInBuffer(input, settings, source, LEAD_S) : buffer;
    const countInFromS = context.currentTime + 0.12;
    const beatAtS = countInFromS + score.countInBeats * beatS;
    // Only the microphone is on the far side of speakers and air; samples enter where they start.
    const plan = planNow(settings, source, pathOf(context, settings));
    const { onBeat, parameters } = plan;
    input.trace.reset();
    await earService().begin({ ...recorderSettingsFor(plan, context.sampleRate), draftTakeId: takeId });
    await beginDraft({ takeId, sampleRateHz: context.sampleRate, plan }).catch(tellDraftLost);
    if (samples) input.plugSamples(samples, source.kind === 'standIn' ? beatAtS - LEAD_S : beatAtS);
    this.metronome = new Metronome(context);
    const { clickOn: audible, silentBarEvery } = settings;
    const clicks = { beatS, beatsPerBar: score.beatsPerBar, audible, silentBarEvery };
    const lastBeat = onBeat ? scoreBeats(score) : 0;
    this.metronome.start({ ...clicks, firstBeatAtS: beatAtS, fromBeat: -score.countInBeats, toBeat: lastBeat });
    this.timing = { beatS, countInFromS, firstBeatAtS: onBeat ? beatAtS : undefined };
    store.dispatch(phaseChanged('countIn'));
    await this.until(() => context.currentTime >= beatAtS);
    let firstBeatAtS = beatAtS;
    if (!onBeat) {
      store.dispatch(phaseChanged('waiting'));
      const heard = () => {
        const tone = input.trace.toneSince(FIRST_TONE_S);
        return tone !== undefined && tone > beatAtS - beatS / 2 ? tone : undefined;
      };
      await this.until(() => heard() !== undefined);
      firstBeatAtS = heard() ?? Infinity;
      const nextBeat = Math.ceil((context.currentTime - firstBeatAtS) / beatS);
      this.metronome.start({ ...clicks, firstBeatAtS, fromBeat: nextBeat, toBeat: scoreBeats(score) });
    }
    if (firstBeatAtS < Infinity) await this.play(takeId, input, plan, firstBeatAtS, beatS);
    this.metronome.stop();
    if (this.earDied) throw new GivenUp();
    if (context.currentTime < firstBeatAtS + LEAST_KEPT_S) {
      await earService().stop();
      await forgetDraft(takeId);
      store.dispatch(phaseChanged('idle'));
      return;
    }
    store.dispatch(phaseChanged('judging'));
    const before = stand.decisionsAbout === ownExerciseKey(parameters) ? stand.decisions : [];
    // A tone without a set end is whole when the player ends it.
    const ownEnd = this.ending === 'stopped' && isOpenEnded(score);
    const cut = this.ending !== 'score' && !ownEnd;
    this.givenUp = new AbortController();
    const earlier = await lookBack(plan.score);
    const heard = await this.orGivenUp(earService().finishTake(assignmentFor(plan, earlier, before), firstBeatAtS));
    if (!heard) throw new Error('no sound came');
    const take = takeOf(plan, heard, { id: takeId, cut, keepSound: plan.keepSound ?? true });
    try {
      tellKept(take, await keepTake(take, settings.pinned));
    } catch (error) {
      holdInMemory(take);
      throw error;
    }
    void tidyUp(settings).catch(tellUntidy);
    store.dispatch(takeJudged(take.record));
  }

  private async play(
    takeId: string,
    input: AudioInput,
    plan: DraftPlan,
    firstBeatAtS: number,
    beatS: number,
  ): Promise<void> {
    this.timing = { beatS, countInFromS: firstBeatAtS, firstBeatAtS };
    store.dispatch(phaseChanged('running'));
    const startS = input.trace.startS ?? firstBeatAtS;
    await planDraft(takeId, { ...plan, firstBeatS: firstBeatAtS - startS }).catch(tellDraftLost);
    const { score } = plan;
    const endS = firstBeatAtS + scoreBeats(score) * beatS + TAIL_S + plan.audioPath.delayS;
    const endDrone = this.drone(input.context, score, plan.setup.a4Hz, firstBeatAtS);
    const silenceS = SILENCE_S + longestRestBeats(score) * beatS;
    const open = isOpenEnded(score);
    await this.until(() => {
      const nowS = input.context.currentTime;
      const lastToneS = input.trace.lastToneAtS() ?? 0;
      if (open && lastToneS > firstBeatAtS + beatS / 2 && nowS - lastToneS > OPEN_END_S) this.ending ??= 'score';
      if (nowS - Math.max(firstBeatAtS, lastToneS) > silenceS) this.ending ??= 'silence';
      return nowS >= endS;
    });
    endDrone();
    this.ending ??= 'score';
  }

  /** The target as a drone, for those whose school it is and who wear headphones; gives what ends it. */
  private drone(context: AudioContext, score: Score, a4Hz: number, firstBeatAtS: number): () => void {
    const { schools, headphones } = store.getState().settings;
    if (schools.tuner !== 'drone' || !headphones) return () => undefined;
    const horn = instrumentById(score.instrumentId);
    const pitches = score.steps.map(({ startBeat, soundedMidi }) => ({
      atS: firstBeatAtS + startBeat * beatSeconds(score),
      hz: writtenToHz(horn, soundedMidi, a4Hz),
    }));
    return playDrone(context, pitches);
  }

  private trouble(problem: ProblemId): void {
    if (!isBusy() && store.getState().stand.phase !== 'free') return;
    if (problem === 'earDead') this.earDied = true;
    this.ending ??= 'trouble';
    store.dispatch(problemMet(problem));
    if (problem === 'earDead' && store.getState().stand.phase === 'judging') this.givenUp.abort();
  }

  private meet(error: unknown): void {
    store.dispatch(problemMet(error instanceof SoundProblem ? error.id : 'failed'));
    store.dispatch(phaseChanged('idle'));
  }

  private async until(done: () => boolean): Promise<void> {
    let clockS = -1;
    let movedAtMs = performance.now();
    let frames = -1;
    let heardAtS = 0;
    let asking = false;
    let told = false;
    while (!done() && this.ending === undefined) {
      await wait(POLL_MS);
      const { input } = this;
      const nowS = input?.context.currentTime ?? 0;
      if (nowS !== clockS) movedAtMs = performance.now();
      clockS = nowS;
      if (performance.now() - movedAtMs > STALLED_MS) this.trouble('suspended');
      if (input?.microphone === 'ended') this.trouble('unplugged');
      if (input && input.trace.count !== frames) [frames, heardAtS] = [input.trace.count, nowS];
      if (input?.microphone === 'live' && nowS - heardAtS > UNHEARD_S && !asking) {
        asking = true;
        void earAnswers(ANSWER_MS).then((answers) => this.trouble(answers ? 'unplugged' : 'earDead')); // never rejects
      }
      if (input?.trace.draftLost !== undefined && !told) {
        told = true;
        tellDraftLost(input.trace.draftLost);
      }
    }
  }
}

/** The player did not want to wait any longer. */
class GivenUp extends Error {}

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** Tells where a take could not be kept with all its sound, or cost another's. */
function tellKept({ sound }: WholeTake, { soundKept, dropped }: Kept): void {
  const lost = sound !== undefined && !soundKept;
  if (dropped === 0 && !lost) return;
  const what = lost ? (dropped > 0 ? 'both' : 'own') : 'older';
  store.dispatch(noticed({ key: `stand.noRoom.${what}`, values: { count: dropped } }));
}

/** The take goes on without its draft; at the end it is kept all the same, if that works. */
function tellDraftLost(error: unknown): void {
  store.dispatch(noticed({ key: 'stand.draftLost', values: { detail: detailOf(error) } }));
}

function tellUntidy(error: unknown): void {
  store.dispatch(noticed({ key: 'stand.untidy', values: { detail: detailOf(error) } }));
}

type DraftDecisions = ReturnType<typeof store.getState>['stand']['decisions'];

export const runner = new TakeRunner();

function isBusy(): boolean {
  return !['idle', 'verdict'].includes(store.getState().stand.phase);
}

/** Keeps the screen from going dark during a take, where the browser can; a refusal is no trouble. */
async function keepAwake(): Promise<WakeLockSentinel | undefined> {
  try {
    return await navigator.wakeLock?.request('screen');
  } catch {
    return undefined;
  }
}
