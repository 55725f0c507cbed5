import { Box } from '@chakra-ui/react';
import { scoreToAbc, type ExerciseParameters, type Score } from '@inner-hum/core/exercise';
import type { NoteTimingEvent } from 'abcjs';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../../store';
import { useNoteName } from '../../text/useNoteName';
import { usePartWords } from '../../text/usePartWords';
import { drawDynamics } from './drawDynamics';
import { drawMarks } from './drawMarks';
import { systemsOf, type System } from './systems';

/** Where a beat of the written part stands as it is drawn, pixels in its box; undefined after its end. */
export type PartPlaces = (beat: number) =>
  | {
      readonly x: number;
      readonly top: number;
      readonly height: number;
      /** end of its dynamics */
      readonly bottom: number;
    }
  | undefined;

/** At this tempo a beat is a second. */
const BEAT_IS_SECOND_BPM = 60;

/** A part is set for this width, in pixels, and drawn smaller or larger; where there is much less, in shorter lines. */
const STAFF_PX = 720;
const NARROW_PX = 520;
/** Room between two systems, for the words over the one and the dynamics under the other. */
const SYSTEMS_APART = 96;
const SET = `%%staffsep ${SYSTEMS_APART}\n%%stretchlast 1\n`;
/** Room for the dynamics under the last system. */
const UNDER_PX = 34;

/** The written part of a score, drawn by the notation package, which is loaded when first needed; the dynamics are our own. */
export function Part({
  score,
  exercise,
  withTempo = true,
  marks,
  onPlaces,
}: {
  readonly score: Score;
  readonly exercise: ExerciseParameters;
  /** whether the tempo stands over it */
  readonly withTempo?: boolean;
  /** notes of which something is said beside it, by their place from 0: its number */
  readonly marks?: ReadonlyMap<number, number> | undefined;
  readonly onPlaces?: (places: () => PartPlaces) => void;
}) {
  const { t } = useTranslation();
  const spelling = useAppSelector((state) => state.settings.spelling);
  const nameOf = useNoteName();
  const words = usePartWords(score, exercise);
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    void import('abcjs').then(({ default: abc }) => {
      if (gone || !place.current) return;
      const width = place.current.clientWidth;
      const narrow = width > 0 && width < NARROW_PX;
      const text = scoreToAbc(score, spelling, words);
      const [tune] = abc.renderAbc(
        place.current,
        SET + (withTempo && score.clearS === undefined ? text : text.replace(/^Q:.*\n/m, '')),
        {
          add_classes: true,
          staffwidth: narrow ? width : STAFF_PX,
          ...(narrow && { wrap: { minSpacing: 1.5, maxSpacing: 2.6, preferredMeasuresPerLine: 2 } }),
          paddingtop: 4,
          paddingbottom: 0,
          paddingleft: 0,
          paddingright: 0,
          foregroundColor: 'currentColor',
          ariaLabel: t('exercise.scoreOf', { notes: notesOf(score, nameOf, words.step) }),
        },
      );
      const drawn = place.current.querySelector('svg');
      if (!drawn) return;
      // As wide as its place: the package sets a size, and what is drawn under the last system needs room besides.
      const setWidth = Number.parseFloat(drawn.getAttribute('width') ?? '');
      const { y, height } = drawn.getBBox();
      drawn.setAttribute('viewBox', `0 0 ${setWidth} ${y + height + UNDER_PX}`);
      drawn.setAttribute('width', '100%');
      drawn.removeAttribute('height');
      place.current.style.height = '';
      place.current.style.overflow = '';
      const timings = new abc.TimingCallbacks(tune, { qpm: BEAT_IS_SECOND_BPM }).noteTimings;
      const systems = systemsOf(timings, drawn);
      drawDynamics(drawn, score, systems);
      if (marks && marks.size > 0) drawMarks(drawn, score, systems, marks);
      onPlaces?.(() => placesIn(systems, timings, drawn));
    });
    return () => void (gone = true);
  }, [score, spelling, t, nameOf, words, withTempo, marks, onPlaces]);
  return <Box ref={place} color="ink" width="100%" data-testid="part" />;
}

/** Notes that are read out of a part before it is cut. */
const READ_NOTES = 16;

/** The notes as they are read aloud, each with what is said over it. */
function notesOf(
  { steps }: Score,
  nameOf: (midi: number) => string,
  wordsOf: (index: number) => string | undefined,
): string {
  const notes = steps
    .slice(0, READ_NOTES)
    .map((step, i) => [nameOf(step.soundedMidi), wordsOf(i)].filter(Boolean).join(' '));
  return [...notes, ...(steps.length > READ_NOTES ? ['…'] : [])].join(', ');
}

function placesIn(systems: readonly System[], timings: readonly NoteTimingEvent[], drawn: SVGSVGElement): PartPlaces {
  const endBeat = (timings.at(-1)?.milliseconds ?? Infinity) / 1000;
  return (beat) => {
    const system = beat > endBeat ? undefined : systems.findLast(({ fromBeat }) => fromBeat <= beat + 1e-6);
    if (!system) return undefined;
    const scale = drawn.clientWidth / drawn.viewBox.baseVal.width;
    return {
      x: scale * system.xAt(beat),
      top: scale * system.top,
      height: scale * system.height,
      bottom: scale * (system.notesBottom + UNDER_PX),
    };
  };
}
