import { beatSeconds, plannedPosition, type Score } from '@inner-hum/core/exercise';
import { HOP_S } from '@inner-hum/core/signal';
import {
  centsBetweenHz,
  dynamicPosition,
  instrumentById,
  levelPosition,
  partialTargetHz,
  soundingPartial,
  writtenToHz,
  type LevelRuler,
} from '@inner-hum/core/theory';
import { partialColour, type Palette } from '../ui/palette';

/** Cents that fill half of the drawing's height. */
const FULL_CENTS = 30;
/** Farther from its target than this the ribbon is another partial or note and is drawn at the edge. */
const OTHER_CENTS = 150;
/** Share of the height that the loudest tone takes, and the least thickness that still shows, px. */
const LOUDEST_SHARE = 0.44;
const LEAST_PX = 4;
/** Breath ratio at which grain begins and at which only grain is left, dB. */
const GRAIN_FROM_DB = -26;
const GRAIN_FULL_DB = -4;
const GRAIN_LEVELS = 6;

/** One planned tone as the ribbon needs it. Times are in the drawing's own seconds. */
export interface RibbonStep {
  readonly startS: number;
  readonly endS: number;
  readonly targetHz: number;
  readonly fingeredHz: number;
  /** planned place on the ruler, 0 (pp) to 1 (ff) */
  readonly positionAt: (timeS: number) => number;
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
}

/** Steps of a score whose first beat falls at `firstBeatS`. */
export function ribbonSteps(score: Score, firstBeatS: number, a4Hz: number): RibbonStep[] {
  const beatS = beatSeconds(score);
  const horn = instrumentById(score.instrumentId);
  return score.steps.map((step) => {
    const startS = firstBeatS + step.startBeat * beatS;
    const fingeredHz = writtenToHz(horn, step.fingeredMidi, a4Hz);
    return {
      startS,
      endS: startS + step.beats * beatS,
      fingeredHz,
      targetHz: partialTargetHz(fingeredHz, step.partialNumber, score.partialTuning),
      positionAt: (timeS) => plannedPosition(step, (timeS - startS) / beatS, dynamicPosition),
    };
  });
}

/**
 * Draws channel and ribbon: height off the axis is cents, thickness is loudness on the ruler, grain is breath noise,
 * hue and numeral are the sounding partial. Clears the canvas first.
 */
export function drawRibbon(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { width, height, palette } = view;
  if (view.over) return drawTone(context, view);
  context.clearRect(0, 0, width, height);
  drawBeats(context, view);
  for (const step of view.steps) drawChannel(context, view, step);
  drawWindow(context, view);
  drawTone(context, view);
  if (view.playheadS !== undefined) {
    context.fillStyle = palette.accent;
    context.fillRect(xOf(view, view.playheadS) - 1, 0, 2, height);
  }
}

function xOf(view: RibbonView, timeS: number): number {
  return ((timeS - view.fromS) / (view.toS - view.fromS)) * view.width;
}

function thickness(view: RibbonView, position: number): number {
  const share = 0.05 + 0.95 * Math.min(1.15, Math.max(0, position));
  return Math.max(LEAST_PX, share * LOUDEST_SHARE * view.height);
}

function drawBeats(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { beats, palette, height, plain } = view;
  if (!beats) return;
  context.font = '600 15px "Atkinson Hyperlegible Next Variable", sans-serif';
  context.textAlign = 'left';
  const first = Math.max(0, Math.ceil((view.fromS - beats.firstS) / beats.beatS - 1e-6));
  for (let beat = first; beats.firstS + beat * beats.beatS <= view.toS + 1e-6; beat++) {
    const x = Math.round(xOf(view, beats.firstS + beat * beats.beatS));
    const bar = beat % beats.perBar === 0;
    context.fillStyle = palette.line;
    context.fillRect(x, 0, bar ? 2 : 1, height);
    if (plain) continue;
    context.fillStyle = palette.inkSoft;
    context.fillText(String(beat + 1), x + 7, height - 8);
  }
}

function drawChannel(context: CanvasRenderingContext2D, view: RibbonView, step: RibbonStep): void {
  const axis = view.height / 2;
  const from = Math.max(step.startS, view.fromS);
  const to = Math.min(step.endS, view.toS);
  if (to <= from) return;
  const points = Math.max(2, Math.ceil(xOf(view, to) - xOf(view, from)) >> 2);
  const edge = (side: 1 | -1, i: number): [number, number] => {
    const t = from + ((to - from) * i) / points;
    return [xOf(view, t), axis + (side * thickness(view, step.positionAt(t))) / 2];
  };
  context.beginPath();
  for (let i = 0; i <= points; i++) context.lineTo(...edge(-1, i));
  for (let i = points; i >= 0; i--) context.lineTo(...edge(1, i));
  context.closePath();
  context.fillStyle = view.palette.channel;
  context.fill();
}

function drawWindow(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { width, height, palette, windowCents, plain } = view;
  const axis = height / 2;
  context.strokeStyle = palette.inkSoft;
  context.lineWidth = 1;
  context.setLineDash([]);
  line(context, 0, axis, width);
  if (plain || view.hidden) return;
  context.setLineDash([3, 6]);
  for (const cents of [-windowCents, windowCents]) line(context, 0, axis - (cents / FULL_CENTS) * axis, width);
  context.setLineDash([]);
  context.fillStyle = palette.inkSoft;
  context.font = '14px "Atkinson Hyperlegible Next Variable", sans-serif';
  context.textAlign = 'left';
  context.fillText(`+${windowCents}`, 2, axis - (windowCents / FULL_CENTS) * axis - 5);
  context.fillText(`−${windowCents}`, 2, axis + (windowCents / FULL_CENTS) * axis + 16);
}

function line(context: CanvasRenderingContext2D, x: number, y: number, width: number): void {
  context.beginPath();
  context.moveTo(x, Math.round(y) + 0.5);
  context.lineTo(x + width, Math.round(y) + 0.5);
  context.stroke();
}

function drawTone(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { frames, height, palette } = view;
  const axis = height / 2;
  const first = Math.max(0, Math.floor((view.fromS - frames.startS) / HOP_S));
  const last = Math.min(frames.count, Math.ceil((view.toS - frames.startS) / HOP_S));
  /** Left edge of a frame's column, in whole pixels: columns that share one would show as stripes. */
  const edgeOf = (frame: number) => Math.round(xOf(view, frames.startS + (frame - 0.5) * HOP_S));
  const spine = new Path2D();
  // One path for each fill: hundreds of single rectangles a frame would not hold sixty frames a second.
  const paths = new Map<string | CanvasPattern, Path2D>();
  const columns = (fill: string | CanvasPattern) => {
    const known = paths.get(fill) ?? new Path2D();
    paths.set(fill, known);
    return known;
  };
  let spineOn = false;
  let lastPartial = 1;
  for (let i = first; i < last; i++) {
    const hz = frames.f0Hz[i]!;
    if (!(hz > 0)) {
      spineOn = false;
      continue;
    }
    const timeS = frames.startS + i * HOP_S;
    const step = stepAt(view, timeS);
    const target = step?.targetHz ?? view.targetOf?.(hz) ?? hz;
    const cents = centsBetweenHz(target, hz);
    const other = Math.abs(cents) > OTHER_CENTS;
    const partial = step ? soundingPartial(hz, step.fingeredHz) : 1;
    const shown = view.hidden && !other ? 0 : Math.max(-FULL_CENTS, Math.min(FULL_CENTS, cents));
    const thick = thickness(view, levelPosition(frames.levelDb[i]!, view.ruler));
    const edge = Math.max(0, axis - thick / 2);
    const centre = axis - Math.max(-edge, Math.min(edge, (shown / FULL_CENTS) * axis));
    const x = xOf(view, timeS);
    const grain = (frames.breathDb[i]! - GRAIN_FROM_DB) / (GRAIN_FULL_DB - GRAIN_FROM_DB);
    const fill = grainFill(context, partialColour(palette, partial), Math.max(0, Math.min(1, grain)));
    const left = edgeOf(i);
    columns(fill).rect(left, centre - thick / 2, Math.max(1, edgeOf(i + 1) - left), thick);
    if (other && partial !== lastPartial && !view.plain) numeral(context, view, x, centre + thick / 2, partial);
    lastPartial = other ? partial : 1;
    if (other || view.hidden) {
      spineOn = false;
      continue;
    }
    const spineY = axis - (shown / FULL_CENTS) * axis;
    if (spineOn) spine.lineTo(x, spineY);
    else spine.moveTo(x, spineY);
    spineOn = true;
  }
  for (const [fill, path] of paths) {
    context.fillStyle = fill;
    context.fill(path);
  }
  context.lineJoin = 'bevel';
  context.strokeStyle = palette.paper;
  context.lineWidth = view.plain ? 1.5 : 5;
  context.stroke(spine);
  if (view.plain) return;
  context.strokeStyle = palette.accent;
  context.lineWidth = 2.5;
  context.stroke(spine);
}

function numeral(context: CanvasRenderingContext2D, view: RibbonView, x: number, y: number, partial: number): void {
  context.fillStyle = partialColour(view.palette, partial);
  context.font = '700 24px "Atkinson Hyperlegible Next Variable", sans-serif';
  context.textAlign = 'left';
  context.fillText(String(partial), x, Math.min(view.height - 30, y + 24));
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

const fills = new Map<string, CanvasPattern>();

/** Solid for tone, ever sparser dots the more breath there is. */
function grainFill(context: CanvasRenderingContext2D, colour: string, grain: number): string | CanvasPattern {
  const level = Math.round(grain * GRAIN_LEVELS);
  if (level === 0) return colour;
  const key = `${colour} ${level}`;
  const known = fills.get(key);
  if (known) return known;
  const tile = document.createElement('canvas');
  tile.width = tile.height = 24;
  const dots = tile.getContext('2d')!;
  dots.fillStyle = colour;
  // A fixed scatter: a low-discrepancy walk covers the tile evenly without looking like a grid.
  const count = Math.round(210 * (1 - (0.85 * level) / GRAIN_LEVELS));
  for (let i = 1; i <= count; i++) {
    const size = 1.4 + (i % 3) * 0.5;
    dots.fillRect((i * 0.7548776662 * 24) % 24, (i * 0.569840291 * 24) % 24, size, size);
  }
  const pattern = context.createPattern(tile, 'repeat')!;
  fills.set(key, pattern);
  return pattern;
}
