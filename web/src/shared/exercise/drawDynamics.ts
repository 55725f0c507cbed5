import { dynamicsLine, notated, type Score } from '@inner-hum/core/exercise';
import { SERIF } from '../../ui/theme';
import type { System } from './systems';

const SVG = 'http://www.w3.org/2000/svg';
/** Sizes in the units of a part that is set 720 wide. */
const LETTER_PX = 19;
/** Half of what a letter takes of the line for each of its characters, and the air around it. */
const HALF_LETTER_PX = 6.5;
const AIR_PX = 4;
const OPEN_PX = 5;
const STROKE_PX = 1.1;
/** Between the lowest note and the middle of the line. */
const UNDER_NOTES_PX = 15;
/** A hairpin shorter than this says nothing. */
const SHORTEST_PX = 8;

interface Letter {
  readonly x: number;
  readonly text: string;
}

/**
 * The dynamics of a score under its drawn part: letters and hairpins on one line in each system, a hairpin from letter to
 * letter without touching either; over a line break it goes on.
 */
export function drawDynamics(drawn: SVGSVGElement, played: Score, systems: readonly System[]): void {
  const score = notated(played);
  const line = dynamicsLine(score);
  /** Whether a tone ends at a beat and none begins there. */
  const ends = (at: number) =>
    score.steps.some(({ startBeat, beats }) => startBeat + beats === at) &&
    !score.steps.some(({ startBeat }) => startBeat === at);
  /** Letters stand under the middle of their notehead; where a tone ends without another, before its end. */
  const xOf = (beat: number, system: System) =>
    beat >= system.toBeat || ends(beat) ? system.endXAt(beat) - 2 * AIR_PX : system.xAt(beat) + HALF_LETTER_PX;
  const group = document.createElementNS(SVG, 'g');
  group.dataset['testid'] = 'dynamics';
  for (const [i, system] of systems.entries()) {
    const y = system.notesBottom + UNDER_NOTES_PX;
    const last = i === systems.length - 1;
    const here = (beat: number) => beat >= system.fromBeat && (beat < system.toBeat || (last && beat <= system.toBeat));
    const letters = line.letters
      // What is reached just at a line break stands at the end of the line, where its hairpin ends.
      .filter(({ beat }) => here(beat) || endsHere(beat, system))
      .map(({ beat, dynamic }): Letter & { readonly beat: number } => ({ beat, text: dynamic, x: xOf(beat, system) }));
    for (const { x, text } of letters) group.append(letterAt(x, y, text));
    for (const { fromBeat, toBeat, grows } of line.hairpins) {
      if (fromBeat >= system.toBeat || toBeat <= system.fromBeat) continue;
      const share = (beat: number) => {
        const way = (Math.min(Math.max(beat, system.fromBeat), system.toBeat) - fromBeat) / (toBeat - fromBeat);
        return grows ? way : 1 - way;
      };
      const half = (beat: number) => {
        const letter = letters.find((one) => one.beat === beat);
        return letter ? HALF_LETTER_PX * letter.text.length + AIR_PX : AIR_PX;
      };
      const x1 = xOf(Math.max(fromBeat, system.fromBeat), system) + half(fromBeat);
      const x2 = xOf(Math.min(toBeat, system.toBeat), system) - half(toBeat);
      if (x2 - x1 < SHORTEST_PX) continue;
      const [open1, open2] = [OPEN_PX * share(fromBeat), OPEN_PX * share(toBeat)];
      group.append(pathOf(`M${x1} ${y - open1}L${x2} ${y - open2}M${x1} ${y + open1}L${x2} ${y + open2}`));
    }
  }
  drawn.append(group);

  function endsHere(beat: number, system: System): boolean {
    return beat === system.toBeat && line.hairpins.some((hairpin) => hairpin.toBeat === beat);
  }
}

function letterAt(x: number, y: number, text: string): SVGTextElement {
  const letter = document.createElementNS(SVG, 'text');
  letter.textContent = text;
  for (const [name, value] of Object.entries({
    x,
    y: y + LETTER_PX / 4,
    fill: 'currentColor',
    stroke: 'none',
    'text-anchor': 'middle',
  }))
    letter.setAttribute(name, String(value));
  // As a style: the page's own would win over attributes.
  letter.style.font = `italic 700 ${LETTER_PX}px ${SERIF}`;
  return letter;
}

function pathOf(d: string): SVGPathElement {
  const path = document.createElementNS(SVG, 'path');
  for (const [name, value] of Object.entries({ d, stroke: 'currentColor', 'stroke-width': STROKE_PX, fill: 'none' }))
    path.setAttribute(name, String(value));
  return path;
}
