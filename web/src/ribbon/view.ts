import { askedHz, beatSeconds, plannedPosition, type Score } from '@inner-hum/core/exercise';
import type { LostSound } from '@inner-hum/core/measure';
import { HOP_S } from '@inner-hum/core/signal';
import {
  centsBetweenHz,
  dynamicPosition,
  levelPosition,
  soundingPartial,
  type LevelRuler,
} from '@inner-hum/core/theory';
import { type Palette } from '../ui/palette';

/** Cents that fill half of the drawing's height. */
export const FULL_CENTS = 30;

/** Farther from its target than this the ribbon is another partial or note and is drawn at the edge. */
const OTHER_CENTS = 150;

/** Share of the height that the loudest tone takes, and the least thickness that still shows, px. */
const LOUDEST_SHARE = 0.44;

const LEAST_PX = 4;

/** Lettering where nothing else is said, px. */
export const TEXT_PX = 15;

export const FACE = '"Atkinson Hyperlegible Next Variable", sans-serif';

/** Frames to each side over which loudness is taken together: 90 ms in all. */
const SMOOTH = 4;
/** And pitch: what an ear takes for one pitch, 210 ms in all. */
const SMOOTH_PITCH = 10;
/** The band lies where the tone lies on the whole, 910 ms: its edges then show loudness, and the line within it the pitch. */
const SMOOTH_BAND = 90;
/** Loudness spreads towards the loud end, so that a hairpin is seen for one. Chosen by looking. */
const SPREAD = 1.4;
/** Columns farther apart than this, frames, are not of one tone. */
const ONE_TONE = 4;
/** A frame this wide is looked at closely, px: then each of them is shown as it was heard. */
const CLOSE_PX = 4;

/** One planned tone as the ribbon needs it. Times are in the drawing's own seconds. */
export interface RibbonStep {
  readonly startS: number;
  readonly endS: number;
  readonly targetHz: number;
  readonly fingeredHz: number;
  /** planned place on the ruler, 0 (pp) to 1 (ff) */
  readonly positionAt: (timeS: number) => number;
  /** the dynamics that are written, each where it is reached */
  readonly dynamics: readonly { readonly atS: number; readonly dynamic: string }[];
}

export interface RibbonFrames {
  readonly count: number;
  /** time of frame 0 */
  readonly startS: number;
  readonly f0Hz: Float32Array;
  readonly levelDb: Float32Array;
  readonly breathDb: Float32Array;
}

export interface RibbonView {
  readonly width: number;
  readonly height: number;
  readonly palette: Palette;
  readonly ruler: LevelRuler;
  readonly windowCents: number;
  /** the pitch is not shown: the ribbon stays on the axis */
  readonly hidden: boolean;
  readonly fromS: number;
  readonly toS: number;
  readonly steps: readonly RibbonStep[];
  readonly beats?: { readonly firstS: number; readonly beatS: number; readonly perBar: number };
  readonly frames: RibbonFrames;
  /** target of a tone outside all steps (free play); without it such a tone takes its nearest step's */
  readonly targetOf?: (hz: number) => number;
  readonly playheadS?: number;
  /** drawn over what is there: the tone alone */
  readonly over?: boolean;
  /** small drawings leave out the lettering */
  readonly plain?: boolean;
  /** height of the lettering, px; {@link TEXT_PX} when left out */
  readonly textPx?: number;
  /** places that sentences are about, each with what is to be read there */
  readonly marks?: readonly RibbonMark[];
  /** where one plays what one likes: each tone is drawn about the nearest note */
  readonly open?: readonly Pick<RibbonMark, 'fromS' | 'toS'>[];
  /** where the device lost sound */
  readonly lost?: readonly LostSound[];
}

/** A place on the ribbon, in the drawing's own seconds. */
export interface RibbonMark {
  readonly fromS: number;
  readonly toS: number;
  readonly label: string;
}

/** A column of the tone: one frame as it is drawn. */
export interface Column {
  readonly index: number;
  readonly x: number;
  readonly centre: number;
  readonly thick: number;
  /** how thick the plan is here; undefined where nothing was planned */
  readonly planned: number | undefined;
  readonly partial: number;
  readonly other: boolean;
  readonly spineY: number;
  /** the step that it belongs to */
  readonly step: RibbonStep | undefined;
}

/** Steps of a score whose first beat falls at `firstBeatS`. */
export function ribbonSteps(score: Score, firstBeatS: number, a4Hz: number): RibbonStep[] {
  const beatS = beatSeconds(score);
  return score.steps.map((step) => {
    const startS = firstBeatS + step.startBeat * beatS;
    return {
      startS,
      endS: startS + step.beats * beatS,
      ...askedHz(score, step, a4Hz),
      positionAt: (timeS) => plannedPosition(step, (timeS - startS) / beatS, dynamicPosition),
      dynamics: step.dynamics.map(({ beat, dynamic }) => ({ atS: startS + beat * beatS, dynamic })),
    };
  });
}

/** Open bars of a score whose first beat falls at `firstBeatS`. */
export function openBars(score: Score, firstBeatS: number): NonNullable<RibbonView['open']> {
  const beatS = beatSeconds(score);
  return (score.gaps ?? [])
    .filter(({ kind }) => kind === 'open')
    .map(({ startBeat, beats }) => ({
      fromS: firstBeatS + startBeat * beatS,
      toS: firstBeatS + (startBeat + beats) * beatS,
    }));
}

/** The note nearest to a tone, in semitones from another. */
function nearestNoteHz(fromHz: number, hz: number): number {
  return fromHz * 2 ** (Math.round(12 * Math.log2(hz / fromHz)) / 12);
}

export function xOf(view: RibbonView, timeS: number): number {
  return ((timeS - view.fromS) / (view.toS - view.fromS)) * view.width;
}

export function thickness(view: RibbonView, position: number): number {
  const share = 0.04 + 0.96 * Math.min(1.15, Math.max(0, position)) ** SPREAD;
  return Math.max(LEAST_PX, share * LOUDEST_SHARE * view.height);
}

/** The frames that are shown and hold a tone, as columns of the drawing. */
export function columnsOf(view: RibbonView): Column[] {
  const { frames, height, hidden } = view;
  const axis = height / 2;
  const first = Math.max(0, Math.floor((view.fromS - frames.startS) / HOP_S));
  const last = Math.min(frames.count, Math.ceil((view.toS - frames.startS) / HOP_S));
  const columns: Column[] = [];
  for (let index = first; index < last; index++) {
    const hz = frames.f0Hz[index]!;
    if (!(hz > 0)) continue;
    const timeS = frames.startS + index * HOP_S;
    const step = stepAt(view, timeS);
    const free = view.open?.some(({ fromS, toS }) => timeS >= fromS && timeS <= toS);
    const asked = step?.targetHz ?? view.targetOf?.(hz) ?? hz;
    const target = free ? nearestNoteHz(asked, hz) : asked;
    const cents = centsBetweenHz(target, hz);
    const other = Math.abs(cents) > OTHER_CENTS;
    const shown = hidden && !other ? 0 : Math.max(-FULL_CENTS, Math.min(FULL_CENTS, cents));
    const thick = thickness(view, levelPosition(frames.levelDb[index]!, view.ruler));
    const edge = Math.max(0, axis - thick / 2);
    const inStep = step && timeS >= step.startS && timeS <= step.endS;
    columns.push({
      index,
      x: xOf(view, timeS),
      centre: axis - Math.max(-edge, Math.min(edge, (shown / FULL_CENTS) * axis)),
      thick,
      planned: inStep ? thickness(view, step.positionAt(timeS)) : undefined,
      partial: step && !free ? soundingPartial(hz, step.fingeredHz) : 1,
      other,
      step,
      spineY: axis - (shown / FULL_CENTS) * axis,
    });
  }
  if (xOf(view, HOP_S) - xOf(view, 0) >= CLOSE_PX) return columns;
  const [centre, spineY, thick] = [
    smoothed(columns, SMOOTH_BAND, 'centre'),
    smoothed(columns, SMOOTH_PITCH, 'spineY'),
    smoothed(columns, SMOOTH, 'thick'),
  ];
  return columns.map((column, i) => ({ ...column, centre: centre[i]!, spineY: spineY[i]!, thick: thick[i]! }));
}

/** A place of each column over a moment, within its own tone: so many columns to each side. */
function smoothed(columns: readonly Column[], reach: number, place: 'centre' | 'spineY' | 'thick'): Float64Array {
  const means = new Float64Array(columns.length);
  const sums = new Float64Array(columns.length + 1);
  columns.forEach((column, i) => (sums[i + 1] = sums[i]! + column[place]));
  for (let from = 0, to = 0; from < columns.length; from = to) {
    for (to = from + 1; to < columns.length && sameTone(columns[to - 1]!, columns[to]!); to++);
    for (let i = from; i < to; i++) {
      const [first, end] = [Math.max(from, i - reach), Math.min(to, i + reach + 1)];
      means[i] = (sums[end]! - sums[first]!) / (end - first);
    }
  }
  return means;
}

function sameTone(a: Column, b: Column): boolean {
  return a.other === b.other && a.step === b.step && b.index - a.index <= ONE_TONE;
}

/** The step a time belongs to: the one it lies in, else the nearest. */
function stepAt(view: RibbonView, timeS: number): RibbonStep | undefined {
  let best: RibbonStep | undefined;
  let bestDistance = Infinity;
  for (const step of view.steps) {
    const distance = Math.max(step.startS - timeS, timeS - step.endS, 0);
    if (distance < bestDistance) [best, bestDistance] = [step, distance];
  }
  return best;
}
