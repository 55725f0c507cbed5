import type { LostSound } from '@inner-hum/core/measure';
import { HOP_S } from '@inner-hum/core/signal';
import { SERIF } from '../ui/theme';
import { FULL_CENTS, TEXT_PX, FACE, type RibbonStep, type RibbonView, type Column, xOf, thickness } from './view';

/** Width that the number of a beat takes with its gap, in heights of the lettering. */
const NUMBER_ROOM = 2.2;

/** Width of the numbers at the window's lines, in heights of the lettering. */
export const SCALE_ROOM = 2.4;
/** Strokes and gaps of the planned edges, px. */
const DASHES = [7, 5];

/** A hole in the tone up to this long does not break its plan, frames. */
const SHORT_HOLE = 12;

export function drawBeats(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { beats, palette, height, plain, textPx = TEXT_PX } = view;
  if (!beats) return;
  context.font = `600 ${textPx}px ${FACE}`;
  context.textAlign = 'left';
  const first = Math.max(0, Math.ceil((view.fromS - beats.firstS) / beats.beatS - 1e-6));
  const beatPx = xOf(view, beats.beatS) - xOf(view, 0);
  const each = numberedEach(beatPx, beats.perBar, textPx);
  for (let beat = first; beats.firstS + beat * beats.beatS <= view.toS + 1e-6; beat++) {
    const x = Math.round(xOf(view, beats.firstS + beat * beats.beatS));
    const bar = beat % beats.perBar === 0;
    context.fillStyle = palette.line;
    context.fillRect(x, 0, bar ? 2 : 1, height);
    if (plain || beat % each !== 0) continue;
    context.fillStyle = palette.inkSoft;
    const number = String(beat + 1);
    // The last one stands before its line where there is no room behind it.
    const room = context.measureText(number).width;
    const behind = x + 7 + room <= view.width;
    // Nor before it, where the number before that stands.
    if (!behind && beatPx < 2 * room + 16) continue;
    context.textAlign = behind ? 'left' : 'right';
    context.fillText(number, behind ? x + 7 : x - 5, height - 8);
  }
}

/** Every how many beats one is numbered, so that numbers stay apart: each, else the first of each bar or of several. */
function numberedEach(beatPx: number, perBar: number, textPx: number): number {
  const room = NUMBER_ROOM * textPx;
  if (beatPx >= room) return 1;
  return perBar * Math.max(1, Math.ceil(room / (perBar * beatPx)));
}

/** The plan on the axis, where no tone has been played yet. */
export function drawChannel(
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

/** A tone this near to its plan has one edge, not two that flicker around each other, px. */
const ON_PLAN_PX = 2.5;

/** The plan around the tone: pale where the tone is thinner, and its two edges over it where it is thicker. */
export function drawPlannedEdges(
  context: CanvasRenderingContext2D,
  view: RibbonView,
  columns: readonly Column[],
): void {
  // On the tone where it is louder than planned, around it where it is softer: never taken for its own edge.
  const [onTone, around] = [new Path2D(), new Path2D()];
  for (const side of [-1, 1] as const) {
    let before: Column | undefined;
    for (const column of columns) {
      const { x, centre, planned, index, other, thick } = column;
      if (planned === undefined || other || Math.abs(planned - thick) < ON_PLAN_PX) {
        before = undefined;
        continue;
      }
      const edges = planned < thick ? onTone : around;
      const y = centre + (side * planned) / 2;
      const joins = before && index > before.index && index - before.index <= SHORT_HOLE;
      if (joins && before!.planned! < before!.thick === planned < thick) edges.lineTo(x, y);
      else edges.moveTo(x, y);
      before = column;
    }
  }
  context.lineJoin = 'round';
  context.strokeStyle = view.palette.inkSoft;
  context.lineWidth = view.plain ? 1 : 1.5;
  context.stroke(around);
  context.setLineDash(view.plain ? [] : DASHES);
  context.strokeStyle = view.palette.paper;
  context.lineWidth = view.plain ? 1.5 : 2.5;
  context.stroke(onTone);
  context.setLineDash([]);
}

/** The dynamics that are planned, under the tone where each is reached; what stays is not said again. */
export function drawDynamics(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { palette, height, textPx = TEXT_PX } = view;
  context.font = `italic 500 ${textPx + 4}px ${SERIF}`;
  context.textAlign = 'left';
  context.lineJoin = 'round';
  let last: { readonly x: number; readonly dynamic: string } | undefined;
  for (const { atS, dynamic } of view.steps.flatMap(({ dynamics }) => dynamics)) {
    const room = context.measureText(dynamic).width;
    // One that is reached with the tone's end stands before its line: behind it the window is told.
    const lineX = xOf(view, atS);
    const x = lineX + 7 + room > view.width - SCALE_ROOM * textPx ? lineX - room - 6 : Math.max(3, lineX + 7);
    const crowded = last && x - last.x < NUMBER_ROOM * textPx;
    if (atS < view.fromS - 1e-6 || atS > view.toS || last?.dynamic === dynamic || crowded) continue;
    last = { x, dynamic };
    const y = height - textPx - 16;
    context.strokeStyle = palette.paper;
    context.lineWidth = 5;
    context.strokeText(dynamic, x, y);
    context.fillStyle = palette.ink;
    context.fillText(dynamic, x, y);
  }
}

/** Lines of a hatching lie so far apart, px; the narrowest hole is drawn so wide. */
const HATCH_PX = 7;
const LEAST_HOLE_PX = 6;

/** A stretch that the device lost: hatched from top to bottom, so that nobody takes it for the player's. */
export function drawLost(context: CanvasRenderingContext2D, view: RibbonView, { atS, lastsS, how }: LostSound): void {
  const { palette, height } = view;
  const left = xOf(view, atS) - (how === 'clock' ? LEAST_HOLE_PX / 2 : 0);
  const width = how === 'clock' ? LEAST_HOLE_PX : Math.max(LEAST_HOLE_PX, xOf(view, atS + lastsS) - xOf(view, atS));
  context.save();
  context.beginPath();
  context.rect(left, 0, width, height);
  context.clip();
  context.fillStyle = palette.paper;
  context.fillRect(left, 0, width, height);
  context.strokeStyle = palette.inkSoft;
  context.lineWidth = 1.5;
  for (let y = -width; y < height; y += HATCH_PX) {
    context.beginPath();
    context.moveTo(left, y + width);
    context.lineTo(left + width, y);
    context.stroke();
  }
  context.restore();
}

export function drawWindow(context: CanvasRenderingContext2D, view: RibbonView): void {
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
export function drawScale(context: CanvasRenderingContext2D, view: RibbonView): void {
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
