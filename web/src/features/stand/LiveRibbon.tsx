import { askedHz, beatSeconds, scoreBeats } from '@inner-hum/core/exercise';
import { DEMAND_CENTS } from '@inner-hum/core/measure';
import { hzToMidi, instrumentById, midiToHz, writtenMidi } from '@inner-hum/core/theory';
import { useCallback, useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { DrawnRibbon } from '../../ribbon/DrawnRibbon';
import { drawRibbon } from '../../ribbon/ribbon';
import { usePalette } from '../../ui/useColourMode';
import { useAppSelector } from '../../store';
import { exerciseOf, rulerOf, scoreOf } from '../../store/settings';
import { exerciseTitle } from '../../text/exerciseText';
import { useNoteName } from '../../text/useNoteName';
import { usePageSound } from '../../practice/usePageSound';
import { openBars, ribbonSteps, type RibbonFrames } from '../../ribbon/view';

/** Longest stretch shown at once, seconds; longer scores scroll. */
const SHOWN_S = 16;
const FREE_SHOWN_S = 8;
/** Lettering in play, where it is read from two metres, and at rest, px. */
const PLAY_TEXT_PX = 30;
const REST_TEXT_PX = 15;
/** Where the present stands in a scrolling view. */
const NOW_SHARE = 0.6;

/** Channel and live ribbon of the present swell, or the free ribbon against the nearest note. */
export function LiveRibbon({ live }: { readonly live: boolean }) {
  const page = usePageSound();
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const palette = usePalette();
  const settings = useAppSelector((state) => state.settings);
  const phase = useAppSelector((state) => state.practice.phase);
  const free = phase === 'free';
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, height: number) => {
      const { a4Hz, demand, instrumentId, exercise: chosen } = settings;
      const { input, timing } = page;
      const trace = input?.trace;
      const frames: RibbonFrames = {
        count: live ? (trace?.count ?? 0) : 0,
        startS: trace?.startS ?? 0,
        f0Hz: trace?.f0Hz ?? new Float32Array(),
        levelDb: trace?.levelDb ?? new Float32Array(),
        breathDb: trace?.breathDb ?? new Float32Array(),
      };
      const nowS = live && input ? input.context.currentTime : undefined;
      const common = {
        width,
        height,
        palette,
        ruler: rulerOf(settings),
        windowCents: DEMAND_CENTS[demand],
        frames,
        // The places are told from frame 0 on.
        lost: live && trace ? trace.lost.map((hole) => ({ ...hole, atS: hole.atS + frames.startS })) : [],
        textPx: live ? PLAY_TEXT_PX : REST_TEXT_PX,
      };
      if (free || page.led) {
        const toS = (nowS ?? 0) + 0.2;
        const asked = page.led?.step;
        const askedHzNow = asked && askedHz(scoreOf(settings), asked, a4Hz).targetHz;
        // Led by ear, it is set against the tone that is asked for, else against the nearest note.
        const targetOf = (hz: number) => askedHzNow ?? midiToHz(Math.round(hzToMidi(hz, a4Hz)), a4Hz);
        drawRibbon(context, {
          ...common,
          hidden: !free && chosen.tunerHidden,
          fromS: toS - FREE_SHOWN_S,
          toS,
          steps: [],
          targetOf,
        });
      } else {
        const score = scoreOf(settings);
        const beatS = beatSeconds(score);
        const firstS = timing?.firstBeatAtS ?? (timing && nowS !== undefined ? nowS : 0);
        const totalS = scoreBeats(score) * beatS;
        const shownS = Math.min(totalS, SHOWN_S);
        const followS = nowS === undefined ? 0 : nowS - firstS - NOW_SHARE * SHOWN_S;
        const fromS = firstS - 0.25 + Math.min(Math.max(0, followS), totalS - shownS);
        drawRibbon(context, {
          ...common,
          hidden: chosen.tunerHidden,
          fromS,
          toS: fromS + shownS + 0.45,
          steps: ribbonSteps(score, firstS, a4Hz),
          open: openBars(score, firstS),
          beats: { firstS, beatS, perBar: score.beatsPerBar },
          ...(nowS !== undefined && timing?.firstBeatAtS !== undefined && { playheadS: nowS }),
        });
      }
      page.liveNote.set(live && trace ? soundingNow(trace, instrumentId, a4Hz) : null);
    },
    [page, live, free, palette, settings],
  );
  useEffect(() => () => page.liveNote.set(null), [page, live]);
  const exercise = exerciseTitle(t, exerciseOf(settings), nameOf);
  const label = t(free ? 'stand.ribbonFree' : 'stand.ribbonLabel', { exercise });
  return <DrawnRibbon draw={draw} live={live} label={label} height="100%" />;
}

function soundingNow(
  trace: { readonly count: number; readonly f0Hz: Float32Array },
  instrumentId: Parameters<typeof instrumentById>[0],
  a4Hz: number,
): number | null {
  const hz = trace.f0Hz[trace.count - 1] ?? 0;
  return hz > 0 ? writtenMidi(instrumentById(instrumentId), Math.round(hzToMidi(hz, a4Hz))) : null;
}
