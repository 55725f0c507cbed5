import { Box } from '@chakra-ui/react';
import { scoreToAbc, type Score } from '@inner-hum/core/exercise';
import type { NoteTimingEvent } from 'abcjs';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../../store';
import { useNoteName } from '../../text/useNoteName';

/** Where a beat stands in a drawn part, pixels in its box; undefined after its end. */
export type PartPlaces = (
  beat: number,
) => { readonly x: number; readonly top: number; readonly height: number } | undefined;

/** At this tempo a beat is a second. */
const BEAT_IS_SECOND_BPM = 60;

/** A part is set for this width, in pixels, and drawn smaller or larger; where there is much less, in shorter lines. */
const STAFF_PX = 720;
const NARROW_PX = 520;

/** The written part of a score, drawn by the notation package, which is loaded when first needed. */
export function Part({
  score,
  onPlaces,
}: {
  readonly score: Score;
  readonly onPlaces?: (places: () => PartPlaces) => void;
}) {
  const { t } = useTranslation();
  const spelling = useAppSelector((state) => state.settings.spelling);
  const nameOf = useNoteName();
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    void import('abcjs').then(({ default: abc }) => {
      if (gone || !place.current) return;
      const width = place.current.clientWidth;
      const narrow = width > 0 && width < NARROW_PX;
      const [tune] = abc.renderAbc(place.current, scoreToAbc(score, spelling), {
        responsive: 'resize',
        staffwidth: narrow ? width : STAFF_PX,
        ...(narrow && { wrap: { minSpacing: 1.5, maxSpacing: 2.6, preferredMeasuresPerLine: 2 } }),
        paddingtop: 4,
        paddingbottom: 4,
        paddingleft: 0,
        paddingright: 0,
        foregroundColor: 'currentColor',
        ariaLabel: t('exercise.scoreOf', { notes: notesOf(score, nameOf) }),
      });
      const drawn = place.current.querySelector('svg');
      if (drawn)
        onPlaces?.(() => placesIn(new abc.TimingCallbacks(tune, { qpm: BEAT_IS_SECOND_BPM }).noteTimings, drawn));
    });
    return () => void (gone = true);
  }, [score, spelling, t, nameOf, onPlaces]);
  return <Box ref={place} color="ink" width="100%" data-testid="part" />;
}

/** Notes that are read out of a part before it is cut. */
const READ_NOTES = 16;

function notesOf({ steps }: Score, nameOf: (midi: number) => string): string {
  const notes = steps.map((step) => nameOf(step.soundedMidi));
  return [...notes.slice(0, READ_NOTES), ...(notes.length > READ_NOTES ? ['…'] : [])].join(', ');
}

function placesIn(timings: readonly NoteTimingEvent[], drawn: SVGSVGElement): PartPlaces {
  const events = timings.filter((timing) => timing.type === 'event');
  const end = timings.at(-1);
  return (beat) => {
    const at = events.findLastIndex((event) => event.milliseconds / 1000 <= beat + 1e-6);
    const here = events[at];
    if (!here || (end && beat * 1000 > end.milliseconds)) return undefined;
    const next = events[at + 1];
    const scale = drawn.clientWidth / drawn.viewBox.baseVal.width;
    const left = here.left ?? 0;
    const until = next && next.top === here.top ? (next.left ?? left) : (here.endX ?? left);
    const untilS = (next ?? end)?.milliseconds ?? here.milliseconds;
    const share = untilS > here.milliseconds ? (1000 * beat - here.milliseconds) / (untilS - here.milliseconds) : 0;
    return {
      x: scale * (left + share * (until - left)),
      top: scale * (here.top ?? 0),
      height: scale * (here.height ?? 0),
    };
  };
}
