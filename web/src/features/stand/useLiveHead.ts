import { useEffect, useMemo, useRef, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import { usePageSound } from '../../practice/usePageSound';
import { useAppSelector } from '../../store';
import { exerciseOf, rulerOf, scoreOf } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { useEdges } from '../../shared/stored/useEdges';
import { useNoteName } from '../../text/useNoteName';
import { breathe } from '../../ui/motion';
import { usePartialName } from '../../text/usePartialName';
import { centsText, freeTexts, placeByEar, placeIn, soundingText, stepTexts, type HeadOf } from './headWords';

/** The early sign of a break stays to be read for so long after it, frames. */
const SHOWN_FRAMES = 50;

/**
 * Writes note, dynamics, cents and beat from frame to frame into places of the head: the page's own state would be too
 * slow for that. `onStep` is told the place of the step that sounds or comes next.
 */
export function useLiveHead(running: boolean, onStep: (index: number) => void) {
  const page = usePageSound();
  const phase = useAppSelector((state) => state.practice.phase);
  const of = useHeadOf();
  const places = usePlaces();
  useEffect(() => {
    const { t, score } = of;
    let shown = -1;
    /** Once for each step: its words are made from the catalogue, which is too much for every frame. */
    const showStep = (index: number) => {
      if (index === shown) return;
      shown = index;
      const texts = stepTexts(of, index);
      show(places.note, texts.note);
      onStep(index);
      show(places.dynamics, phase === 'free' ? '' : texts.dynamics);
      show(places.next, phase === 'free' ? '' : texts.next);
      show(places.start, phase === 'free' ? '' : texts.start);
    };
    showStep(0);
    show(places.cents, '');
    show(places.number, '');
    show(places.sounding, '');
    if (!running) return;
    const heardNow = () => {
      const trace = page.input?.trace;
      const last = (trace?.count ?? 0) - 1;
      const upperMixes = trace !== undefined && trace.upperMixedAt >= Math.max(0, last - SHOWN_FRAMES);
      return { hz: trace?.f0Hz[last] ?? 0, levelDb: trace?.levelDb[last] ?? -Infinity, upperMixes };
    };
    const showFree = () => {
      const { hz } = heardNow();
      if (hz === 0) return;
      const texts = freeTexts(of, hz);
      show(places.note, texts.note);
      show(places.cents, texts.cents);
      show(places.sounding, texts.sounding);
    };
    const showScore = (nowS: number) => {
      if (!page.timing) return;
      const { step: index, number, gap } = page.led ? placeByEar(page.led, score) : placeIn(score, page.timing, nowS);
      const step = score.steps[index]!;
      showStep(index);
      // Nothing is counted while a first tone is waited for.
      const changed = show(places.number, phase === 'waiting' ? '' : number);
      // Before the first tone a beat is felt; during a tone nothing moves that need not.
      if (changed && phase === 'countIn') breathe(changed);
      const gapText = gap === 'set' ? t('stand.set') : gap && t(`part.gap.${gap}`);
      if (phase === 'running' && !gap) show(places.cents, centsText(of, step, heardNow()));
      else show(places.cents, phase === 'waiting' ? '' : (gapText ?? ''));
      if (phase === 'running') show(places.sounding, gap ? '' : soundingText(of, step, heardNow()));
    };
    let request = requestAnimationFrame(function tick() {
      request = requestAnimationFrame(tick);
      if (!page.input) return;
      if (phase === 'free') showFree();
      else showScore(page.input.context.currentTime);
    });
    return () => cancelAnimationFrame(request);
  }, [page, phase, running, of, places, onStep]);
  return places;
}

/** The places of the head that are written into. */
function usePlaces() {
  const number = useRef<HTMLSpanElement>(null);
  const sounding = useRef<HTMLSpanElement>(null);
  const note = useRef<HTMLSpanElement>(null);
  const dynamics = useRef<HTMLSpanElement>(null);
  const cents = useRef<HTMLSpanElement>(null);
  const next = useRef<HTMLSpanElement>(null);
  const start = useRef<HTMLSpanElement>(null);
  return useMemo(() => ({ number, sounding, note, dynamics, cents, next, start }), []);
}

function useHeadOf(): HeadOf {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const partialName = usePartialName();
  const settings = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const edges = useEdges();
  const { a4Hz } = settings;
  const exercise = exerciseOf(settings);
  const score = scoreOf(settings);
  const ruler = rulerOf(settings);
  return useMemo(
    () => ({
      ...{ t, nameOf, partialName, score, exercise, horn, a4Hz, ruler, edges },
      overtones: score.steps.some(({ partialNumber, hum }) => partialNumber > 1 || hum),
    }),
    [t, nameOf, partialName, score, exercise, horn, a4Hz, ruler, edges],
  );
}

/** Writes a text only when it changed: each writing lays the page out anew. Gives the place then. */
function show({ current }: RefObject<HTMLElement | null>, text: string): HTMLElement | undefined {
  if (!current || current.textContent === text) return undefined;
  current.textContent = text;
  return current;
}
