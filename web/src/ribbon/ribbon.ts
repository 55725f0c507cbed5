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
/** Lettering where nothing else is said, px. */
const TEXT_PX = 15;
const FACE = '"Atkinson Hyperlegible Next Variable", sans-serif';
/** A hole in the tone up to this long does not break its plan, frames. */
const SHORT_HOLE = 12;
/** Frames to each side over which the ribbon's place is taken together: 90 ms in all. */
const SMOOTH = 4;

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
  /** height of the lettering, px; {@link TEXT_PX} when left out */
  readonly textPx?: number;
  /** places that sentences are about, each with what is to be read there */
  readonly marks?: readonly RibbonMark[];
}

/** A place on the ribbon, in the drawing's own seconds. */
export interface RibbonMark {
  readonly fromS: number;
  readonly toS: number;
  readonly label: string;
}

/** A column of the tone: one frame as it is drawn. */
interface Column {
  readonly index: number;
  readonly x: number;
  readonly centre: number;
  readonly thick: number;
  /** how thick the plan is here; undefined where nothing was planned */
  readonly planned: number | undefined;
  readonly partial: number;
  readonly other: boolean;
  readonly spineY: number;
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
 * hue and numeral are the sounding partial. What is planned lies on the axis until it is played; where a tone is, its
 * planned edges lie around the tone, so that pitch and loudness are read apart. Clears the canvas first.
 */
export function drawRibbon(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { width, height, palette } = view;
  const columns = columnsOf(view);
  if (view.over) return drawTone(context, view, columns);
  context.clearRect(0, 0, width, height);
  drawBeats(context, view);
  for (const step of view.steps) drawChannel(context, view, step, columns);
  drawWindow(context, view);
  drawTone(context, view, columns);
  drawPlannedEdges(context, view, columns);
  for (const mark of view.marks ?? []) drawMark(context, view, mark);
  if (!view.plain && !view.hidden) drawScale(context, view);
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
  const { beats, palette, height, plain, textPx = TEXT_PX } = view;
  if (!beats) return;
  context.font = `600 ${textPx}px ${FACE}`;
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

/** The plan on the axis, where no tone has been played yet. */
function drawChannel(
  context: CanvasRenderingContext2D,
  view: RibbonView,
  step: RibbonStep,
  columns: readonly Column[],
): void {
  const axis = view.height / 2;
  const from = Math.max(step.startS, view.fromS);
  const to = Math.min(step.endS, view.toS);
  if (to <= from) return;
  const points = Math.max(2, Math.ceil(xOf(view, to) - xOf(view, from)) >> 2);
  const { startS } = view.frames;
  const played = new Set(columns.map(({ index }) => index));
  context.fillStyle = view.palette.channel;
  let edge: { readonly x: number; readonly half: number }[] = [];
  const fill = () => {
    if (edge.length > 1) {
      context.beginPath();
      for (const { x, half } of edge) context.lineTo(x, axis - half);
      for (const { x, half } of edge.toReversed()) context.lineTo(x, axis + half);
      context.closePath();
      context.fill();
    }
    edge = [];
  };
  for (let i = 0; i <= points; i++) {
    const t = from + ((to - from) * i) / points;
    if (played.has(Math.round((t - startS) / HOP_S))) fill();
    else edge.push({ x: xOf(view, t), half: thickness(view, step.positionAt(t)) / 2 });
  }
  fill();
}

/** The plan around the tone: pale where the tone is thinner, and its two edges over it where it is thicker. */
function drawPlannedEdges(context: CanvasRenderingContext2D, view: RibbonView, columns: readonly Column[]): void {
  const edges = new Path2D();
  let before: Column | undefined;
  for (const side of [-1, 1] as const)
    for (const column of columns) {
      const { x, centre, planned, index, other } = column;
      if (planned === undefined || other) {
        before = undefined;
        continue;
      }
      const y = centre + (side * planned) / 2;
      if (before && index > before.index && index - before.index <= SHORT_HOLE) edges.lineTo(x, y);
      else edges.moveTo(x, y);
      before = column;
    }
  context.lineJoin = 'round';
  context.strokeStyle = view.palette.paper;
  context.lineWidth = view.plain ? 2.5 : 5;
  context.stroke(edges);
  context.strokeStyle = view.palette.inkSoft;
  context.lineWidth = view.plain ? 1 : 2;
  context.stroke(edges);
}

/** A bracket over a place, with what is to be read there. */
function drawMark(context: CanvasRenderingContext2D, view: RibbonView, { fromS, toS, label }: RibbonMark): void {
  const { palette, height, width, textPx = TEXT_PX } = view;
  const left = Math.max(1, xOf(view, fromS));
  const right = Math.min(width - 1, Math.max(left + 6, xOf(view, toS)));
  const y = textPx + 8;
  context.strokeStyle = palette.accent;
  context.lineWidth = 3;
  context.beginPath();
  context.moveTo(left, height - textPx - 14);
  context.lineTo(left, y);
  context.lineTo(right, y);
  context.lineTo(right, height - textPx - 14);
  context.stroke();
  context.fillStyle = palette.accent;
  context.font = `700 ${textPx}px ${FACE}`;
  const room = context.measureText(label).width;
  context.textAlign = 'left';
  context.fillText(label, Math.max(2, Math.min(width - room - 2, (left + right - room) / 2)), textPx);
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
}

/** What the window's lines stand for, at the right edge where the tone comes last, on paper of its own. */
function drawScale(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { width, height, palette, windowCents, textPx = TEXT_PX } = view;
  const axis = height / 2;
  const off = (windowCents / FULL_CENTS) * axis;
  context.font = `${textPx}px ${FACE}`;
  context.textAlign = 'right';
  for (const [text, y] of [
    [`+${windowCents}`, axis - off - 5],
    [`−${windowCents}`, axis + off + textPx + 2],
  ] as const) {
    const room = context.measureText(text).width;
    context.fillStyle = palette.paper;
    context.fillRect(width - room - 7, y - textPx + 2, room + 6, textPx + 2);
    context.fillStyle = palette.inkSoft;
    context.fillText(text, width - 4, y);
  }
}

function line(context: CanvasRenderingContext2D, x: number, y: number, width: number): void {
  context.beginPath();
  context.moveTo(x, Math.round(y) + 0.5);
  context.lineTo(x + width, Math.round(y) + 0.5);
  context.stroke();
}

/** The frames that are shown and hold a tone, as columns of the drawing. */
function columnsOf(view: RibbonView): Column[] {
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
    const target = step?.targetHz ?? view.targetOf?.(hz) ?? hz;
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
      partial: step ? soundingPartial(hz, step.fingeredHz) : 1,
      other,
      spineY: axis - (shown / FULL_CENTS) * axis,
    });
  }
  return columns.map((column, i) => ({ ...column, centre: smoothed(columns, i) }));
}

/** Where the ribbon lies, over a moment: its spine tells every movement, its edges only the line. */
function smoothed(columns: readonly Column[], i: number): number {
  const { index, other } = columns[i]!;
  let sum = 0;
  let count = 0;
  for (let k = Math.max(0, i - SMOOTH); k <= Math.min(columns.length - 1, i + SMOOTH); k++) {
    const near = columns[k]!;
    if (Math.abs(near.index - index) > SMOOTH || near.other !== other) continue;
    sum += near.centre;
    count++;
  }
  return sum / count;
}

function drawTone(context: CanvasRenderingContext2D, view: RibbonView, columns: readonly Column[]): void {
  const { frames, palette, hidden } = view;
  /** Left edge of a frame's column, in whole pixels: columns that share one would show as stripes. */
  const edgeOf = (frame: number) => Math.round(xOf(view, frames.startS + (frame - 0.5) * HOP_S));
  const spine = new Path2D();
  // One path for each fill: hundreds of single rectangles a frame would not hold sixty frames a second.
  const paths = new Map<string | CanvasPattern, Path2D>();
  const pathOf = (fill: string | CanvasPattern) => {
    const known = paths.get(fill) ?? new Path2D();
    paths.set(fill, known);
    return known;
  };
  let before = -2;
  let lastPartial = 1;
  for (const { index, x, centre, thick, planned, partial, other, spineY } of columns) {
    const left = edgeOf(index);
    const columnWidth = Math.max(1, edgeOf(index + 1) - left);
    // Under the tone, the plan as far as it is wider.
    if (planned !== undefined && planned > thick && !other)
      pathOf(palette.channel).rect(left, centre - planned / 2, columnWidth, planned);
    const grain = (frames.breathDb[index]! - GRAIN_FROM_DB) / (GRAIN_FULL_DB - GRAIN_FROM_DB);
    const fill = grainFill(context, partialColour(palette, partial), Math.max(0, Math.min(1, grain)));
    pathOf(fill).rect(left, centre - thick / 2, columnWidth, thick);
    if (other && partial !== lastPartial && !view.plain) numeral(context, view, x, centre + thick / 2, partial);
    lastPartial = other ? partial : 1;
    if (other || hidden) continue;
    if (before === index - 1) spine.lineTo(x, spineY);
    else spine.moveTo(x, spineY);
    before = index;
  }
  const channel = paths.get(palette.channel);
  if (channel) paths.delete(palette.channel);
  for (const [fill, path] of [...(channel ? [[palette.channel, channel] as const] : []), ...paths]) {
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
  context.font = `700 24px ${FACE}`;
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
