import { HOP_S } from '@inner-hum/core/signal';
import { partialColour } from '../ui/palette';
import { FACE, type RibbonView, type Column, xOf } from './view';

/** Breath ratio at which grain begins and at which only grain is left, dB. */
const GRAIN_FROM_DB = -26;

const GRAIN_FULL_DB = -4;

const GRAIN_LEVELS = 6;
/** Side of the scatter of dots, px, and how many cover it. */
const TILE_PX = 24;
const DOTS = 210;

export function drawTone(context: CanvasRenderingContext2D, view: RibbonView, columns: readonly Column[]): void {
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

const fills = new Map<string, CanvasPattern>();

/** Solid for tone, ever sparser dots the more breath there is. */
function grainFill(context: CanvasRenderingContext2D, colour: string, grain: number): string | CanvasPattern {
  const level = Math.round(grain * GRAIN_LEVELS);
  if (level === 0) return colour;
  const key = `${colour} ${level}`;
  const known = fills.get(key);
  if (known) return known;
  const tile = document.createElement('canvas');
  tile.width = tile.height = TILE_PX;
  const dots = tile.getContext('2d')!;
  dots.fillStyle = colour;
  // A fixed scatter: a low-discrepancy walk covers the tile evenly without looking like a grid.
  const count = Math.round(DOTS * (1 - (0.85 * level) / GRAIN_LEVELS));
  for (let i = 1; i <= count; i++) {
    const size = 1.4 + (i % 3) * 0.5;
    const [x, y] = [(i * 0.7548776662 * TILE_PX) % TILE_PX, (i * 0.569840291 * TILE_PX) % TILE_PX];
    // What reaches over an edge of the tile comes in at the other: no seams.
    for (const over of [0, TILE_PX]) for (const under of [0, TILE_PX]) dots.fillRect(x - over, y - under, size, size);
  }
  const pattern = context.createPattern(tile, 'repeat')!;
  fills.set(key, pattern);
  return pattern;
}
