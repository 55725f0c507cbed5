import { SCALE_ROOM } from './plan';
import { FACE, TEXT_PX, xOf, type RibbonMark, type RibbonView } from './view';

/** Brackets over places, each with what is to be read there; labels that would lie on one another stand in rows. */
export function drawMarks(context: CanvasRenderingContext2D, view: RibbonView): void {
  const { width, textPx = TEXT_PX } = view;
  context.font = `700 ${textPx}px ${FACE}`;
  context.textAlign = 'left';
  const taken: { readonly row: number; readonly from: number; readonly to: number }[] = [];
  for (const mark of view.marks ?? []) {
    const left = Math.max(1, xOf(view, mark.fromS));
    // Where the window's lines are told there is no room for it.
    const scalePx = view.plain || view.hidden ? 1 : SCALE_ROOM * textPx;
    const right = Math.min(width - scalePx, Math.max(left + 6, xOf(view, mark.toS)));
    const room = context.measureText(mark.label).width;
    const from = Math.max(2, Math.min(width - room - 2, (left + right - room) / 2));
    const place = { from, to: from + room };
    let row = 0;
    while (taken.some((one) => one.row === row && one.from < place.to + APART_PX && place.from < one.to + APART_PX))
      row++;
    taken.push({ row, ...place });
    drawMark(context, view, { ...mark, left, right, labelX: from, labelY: textPx + row * (textPx + 10) });
  }
}

/** Labels in a row lie at least so far apart, px. */
const APART_PX = 6;

function drawMark(
  context: CanvasRenderingContext2D,
  { palette, height, textPx = TEXT_PX }: RibbonView,
  { label, left, right, labelX, labelY }: PlacedMark,
): void {
  const y = labelY + 8;
  context.strokeStyle = palette.accent;
  context.lineWidth = 3;
  context.beginPath();
  // It ends over the dynamics.
  const foot = height - 2 * textPx - 22;
  context.moveTo(left, foot);
  context.lineTo(left, y);
  context.lineTo(right, y);
  context.lineTo(right, foot);
  context.stroke();
  context.fillStyle = palette.accent;
  // On paper of its own: a tone far up lies there too.
  context.strokeStyle = palette.paper;
  context.lineWidth = 5;
  context.strokeText(label, labelX, labelY);
  context.fillText(label, labelX, labelY);
}

interface PlacedMark extends RibbonMark {
  readonly left: number;
  readonly right: number;
  readonly labelX: number;
  readonly labelY: number;
}
