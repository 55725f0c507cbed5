import { Box, chakra } from '@chakra-ui/react';
import { beatSeconds, writtenLeadBeats } from '@inner-hum/core/exercise';
import { useEffect, useRef, useState } from 'react';
import { Part, type PartPlaces } from '../../shared/exercise/Part';
import { useAppSelector } from '../../store';
import { exerciseOf, scoreOf } from '../../store/settings';
import { usePageSound } from '../../practice/usePageSound';

/** The page turns when the mark comes this far, and then so much of what was played is still seen. */
const AHEAD_SHARE = 0.75;
const BEHIND_PX = 60;

/** The written part of the exercise: one system at a time, with a mark that moves with the beat. */
export function StandPart({ running }: { readonly running: boolean }) {
  const page = usePageSound();
  const settings = useAppSelector((state) => state.settings);
  const score = scoreOf(settings);
  const [places, setPlaces] = useState<PartPlaces>();
  const view = useRef<HTMLDivElement>(null);
  const mark = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!places) return;
    const leadBeats = writtenLeadBeats(score);
    const show = (beat: number) => {
      const place = places(leadBeats + beat);
      if (!place || !view.current || !mark.current) return;
      mark.current.style.transform = `translate(${place.x}px, ${place.top}px)`;
      mark.current.style.height = `${place.height}px`;
      const top = Math.max(0, place.bottom - view.current.clientHeight);
      if (Math.abs(view.current.scrollTop - top) > 2) view.current.scrollTop = top;
      // It pages by itself, sideways too where the screen is narrow.
      const { clientWidth, scrollLeft } = view.current;
      const seen = place.x >= scrollLeft && place.x < scrollLeft + AHEAD_SHARE * clientWidth;
      if (!seen) view.current.scrollLeft = Math.max(0, place.x - BEHIND_PX);
    };
    show(0);
    if (!running) return;
    let request = requestAnimationFrame(function follow() {
      request = requestAnimationFrame(follow);
      const { timing, input, led } = page;
      if (led) return show((led.step ?? score.steps.at(-1)!).startBeat);
      const firstBeatAtS = timing?.firstBeatAtS;
      if (!input || firstBeatAtS === undefined) return;
      show(Math.max(0, (input.context.currentTime - firstBeatAtS) / beatSeconds(score)));
    });
    return () => cancelAnimationFrame(request);
  }, [page, places, running, score]);
  return (
    <Box
      ref={view}
      position="relative"
      height={{ base: '136px', md: '172px' }}
      overflow="hidden"
      data-testid="stand-part"
    >
      <Box minWidth="740px" maxWidth="880px">
        <Part score={score} exercise={exerciseOf(settings)} withTempo={false} onPlaces={setPlaces} />
      </Box>
      <chakra.div
        ref={mark}
        position="absolute"
        left="0"
        top="0"
        width="3px"
        bg="accent"
        opacity={running ? 0.85 : 0}
        data-testid="part-mark"
      />
    </Box>
  );
}
