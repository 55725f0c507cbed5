import { notated, type Score } from '@inner-hum/core/exercise';
import type { System } from './systems';

const SVG = 'http://www.w3.org/2000/svg';
/** In the units of a part that is set 720 wide. */
const BAND_PX = 24;
const LEFT_PX = 6;
const NUMBER_PX = 13;
const TALLEST_PX = 84;

/** Marked notes of a drawn part: a band behind each with the number of what is said of it, readable in black and white. */
export function drawMarks(
  drawn: SVGSVGElement,
  played: Score,
  systems: readonly System[],
  marks: ReadonlyMap<number, number>,
): void {
  const group = document.createElementNS(SVG, 'g');
  group.dataset['testid'] = 'marks';
  for (const [i, { startBeat }] of notated(played).steps.entries()) {
    const number = marks.get(i);
    const system = systems.findLast(({ fromBeat }) => fromBeat <= startBeat + 1e-6);
    if (number === undefined || !system) continue;
    const x = system.xAt(startBeat) - LEFT_PX;
    const top = Math.max(system.top, system.notesBottom - TALLEST_PX);
    group.append(
      made('rect', {
        ...{ x, y: top, width: BAND_PX, height: system.notesBottom - top, rx: 4 },
        ...{ fill: 'currentColor', 'fill-opacity': 0.1, stroke: 'currentColor', 'stroke-dasharray': '3 2' },
      }),
      made('text', { x: x + BAND_PX + 2, y: top + NUMBER_PX, fill: 'currentColor', stroke: 'none' }, String(number)),
    );
  }
  drawn.prepend(group);
}

function made(tag: 'rect' | 'text', about: Readonly<Record<string, string | number>>, text = ''): SVGElement {
  const element = document.createElementNS(SVG, tag);
  for (const [name, value] of Object.entries(about)) element.setAttribute(name, String(value));
  if (tag === 'text') {
    element.textContent = text;
    element.style.font = `700 ${NUMBER_PX}px sans-serif`;
  }
  return element;
}
