import type { Step } from '@inner-hum/core/exercise';
import { HOP_S, PARTIALS_KEPT, UpperMix, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz, soundingPartial } from '@inner-hum/core/theory';
import { OWN_NOTE_CENTS, type ToneSpan } from './tone';

const LEAST_JUMP_FRAMES = 3;
const LEAST_DROP_OUT_FRAMES = 6;
/** A reed that starts sounds another partial, often the octave below, for up to so long in recorded good tones, frames. */
const STARTING_FRAMES = 6;

/** A wrong pitch this short is a crack; up to the second and this far above, a squeak. */
const CRACK_S = 0.12;
const SQUEAK_S = 0.25;
const FAR_ABOVE_CENTS = 1850;

/** A stretch in which another partial (or pitch) sounded than the intended one. */
export interface PartialJump {
  readonly kind: 'jump' | 'crack' | 'squeak';
  readonly atS: number;
  readonly lastsS: number;
  readonly fromPartial: number;
  readonly toPartial: number;
  /** whether the intended partial came back within the tone */
  readonly cameBack: boolean;
}

/** A stretch of at least 60 ms without tone inside a tone. */
export interface DropOut {
  readonly atS: number;
  readonly lastsS: number;
}

/** Partial jumps of 30 ms or longer inside a tone; `partial` is the one intended over `fingeredHz`. */
export function partialJumps(
  frames: Frames,
  span: ToneSpan,
  targetHz: number,
  fingeredHz: number,
  partial: number,
): PartialJump[] {
  const elsewhere = (i: number) =>
    frames.f0Hz[i]! > 0 && Math.abs(centsBetweenHz(targetHz, frames.f0Hz[i]!)) > OWN_NOTE_CENTS;
  const starting = ({ from, to }: { from: number; to: number }) =>
    from - span.start < LEAST_JUMP_FRAMES && to - from <= STARTING_FRAMES && to < span.end;
  const jumps = runs(span, elsewhere, LEAST_JUMP_FRAMES).filter((run) => !starting(run));
  return jumps.map(({ from, to }) => {
    const hz = frames.f0Hz[(from + to) >> 1]!;
    const lastsS = (to - from) * HOP_S;
    const cameBack = to < span.end;
    const squeaked = lastsS <= SQUEAK_S && centsBetweenHz(targetHz, hz) > FAR_ABOVE_CENTS;
    return {
      kind: squeaked ? 'squeak' : cameBack && lastsS <= CRACK_S ? 'crack' : 'jump',
      atS: from * HOP_S,
      lastsS,
      fromPartial: partial,
      toPartial: soundingPartial(hz, fingeredHz),
      cameBack,
    };
  });
}

/**
 * Whether an upper tone that mixes in tells of a break: not where a step bends, hums or changes its colour on purpose, nor
 * over a tube that sounds along.
 */
export function mayMix({ partialNumber, hum, bendCents, freePitch, vowels }: Step): boolean {
  return partialNumber === 1 && !hum && !bendCents && !freePitch && !vowels;
}

/** A stretch in which the octave or the twelfth mixed into a tone that went on. */
export interface UpperMixed {
  readonly atS: number;
  readonly lastsS: number;
}

/** Stretches in which an upper tone mixed into a tone: see `UpperMix` of the ear. */
export function upperMixed(frames: Frames, span: ToneSpan): UpperMixed[] {
  const mix = new UpperMix();
  const mixes = Array.from({ length: span.end - span.start }, (_, k) =>
    mix.next(frames.f0Hz[span.start + k]!, frames.partialsDb, (span.start + k) * PARTIALS_KEPT),
  );
  return runs(span, (i) => mixes[i - span.start]!, 1).map(({ from, to }) => ({
    atS: from * HOP_S,
    lastsS: (to - from) * HOP_S,
  }));
}

/** Drop-outs of 60 ms or longer inside a tone. */
export function dropOuts(frames: Frames, span: ToneSpan): DropOut[] {
  return runs(span, (i) => frames.f0Hz[i] === 0, LEAST_DROP_OUT_FRAMES).map(({ from, to }) => ({
    atS: from * HOP_S,
    lastsS: (to - from) * HOP_S,
  }));
}

function runs(span: ToneSpan, belongs: (frame: number) => boolean, least: number): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  let from = -1;
  for (let i = span.start; i <= span.end; i++) {
    const inside = i < span.end && belongs(i);
    if (inside && from < 0) from = i;
    if (!inside && from >= 0) {
      if (i - from >= least) found.push({ from, to: i });
      from = -1;
    }
  }
  return found;
}
