import { type RibbonView, xOf, columnsOf } from './view';
import { drawBeats, drawChannel, drawDynamics, drawPlannedEdges, drawLost, drawWindow, drawScale } from './plan';
import { drawMarks } from './marks';
import { drawTone } from './tone';

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
  for (const lost of view.lost ?? []) drawLost(context, view, lost);
  drawMarks(context, view);
  if (!view.plain) drawDynamics(context, view);
  if (!view.plain && !view.hidden) drawScale(context, view);
  if (view.playheadS !== undefined) {
    context.fillStyle = palette.accent;
    context.fillRect(xOf(view, view.playheadS) - 1, 0, 2, height);
  }
}
