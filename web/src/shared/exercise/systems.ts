import type { NoteTimingEvent } from 'abcjs';

/** One line of a drawn part, in the units of its drawing. */
export interface System {
  readonly fromBeat: number;
  readonly toBeat: number;
  readonly top: number;
  readonly height: number;
  /** lowest place that a note or its stem takes */
  readonly notesBottom: number;
  /** where a beat of it stands, from the left; straight between two notes */
  readonly xAt: (beat: number) => number;
  /** where a tone that ends at a beat ends: at its bar line, when there is one, not at the rest in the middle of the next bar */
  readonly endXAt: (beat: number) => number;
}

/** The lines of a part that was drawn with one beat a second. */
export function systemsOf(timings: readonly NoteTimingEvent[], drawn: SVGSVGElement): System[] {
  const events = timings.filter((timing) => timing.type === 'event' && timing.left !== undefined);
  const endBeat = (timings.at(-1)?.milliseconds ?? 0) / 1000;
  const starts = events.flatMap((event, i) => (event.top === events[i - 1]?.top ? [] : [i]));
  return starts.map((from, line) => {
    const until = starts[line + 1] ?? events.length;
    const own = events.slice(from, until);
    const toBeat = until < events.length ? beatOf(events[until]!) : endBeat;
    const last = own.at(-1)!;
    const ends = [...own.map(beatOf), toBeat];
    const xs = [...own.map(({ left }) => left ?? 0), last.endX ?? last.left ?? 0];
    const { top = 0, height = 0 } = own[0]!;
    const bars = [...drawn.querySelectorAll<SVGGraphicsElement>(`.abcjs-bar.abcjs-l${line}`)].map(
      (bar) => bar.getBBox().x,
    );
    const xAt = (beat: number) => {
      const at = Math.max(
        0,
        ends.findLastIndex((start) => start <= beat + 1e-6),
      );
      if (at >= own.length) return xs.at(-1)!;
      const share = (beat - ends[at]!) / (ends[at + 1]! - ends[at]!);
      return xs[at]! + Math.max(0, share) * (xs[at + 1]! - xs[at]!);
    };
    return {
      fromBeat: beatOf(own[0]!),
      toBeat,
      top,
      height,
      notesBottom: Math.max(top + height, ...bottoms(drawn, line)),
      xAt,
      endXAt: (beat) => {
        const from = xs[ends.findLastIndex((start) => start < beat - 1e-6)] ?? 0;
        return bars.find((bar) => bar > from && bar <= xAt(beat)) ?? xAt(beat);
      },
    };
  });
}

function beatOf({ milliseconds }: NoteTimingEvent): number {
  return milliseconds / 1000;
}

/** How low the notes of a line reach. */
function bottoms(drawn: SVGSVGElement, line: number): number[] {
  return [...drawn.querySelectorAll<SVGGraphicsElement>(`.abcjs-note.abcjs-l${line}`)].map((note) => {
    const { y, height } = note.getBBox();
    return y + height;
  });
}
