import { hzToMidi } from '@inner-hum/core/theory';
import { ALL_OF_IT, rule, wrongPartial, type AnyRule, type Sounded } from './rule';
import { BREAK_S, EARLY_END, beatOf, slips } from './toneRuleParts';

/** An upper tone that mixed in tells of the break that comes so soon after it, seconds. */
const EDGE_REACH_S = 0.3;
/** A tone that lasted for less than this share of its plan broke off before anything could be told of it. */
const FRAGMENT_SHARE = 0.25;
/** Written notes that are fingered without and with the octave key; below them lie the lowest notes, which have no other fingering. */
const WITHOUT_OCTAVE_KEY = { from: 62, to: 73 } as const;
const WITH_OCTAVE_KEY = { from: 74, to: 90 } as const;

export const withoutOctaveKey = (midi: number) => midi >= WITHOUT_OCTAVE_KEY.from && midi <= WITHOUT_OCTAVE_KEY.to;
const withOctaveKey = (midi: number) => midi >= WITH_OCTAVE_KEY.from && midi <= WITH_OCTAVE_KEY.to;

/** Whether the octave under its target sounded instead of a tone. */
function soundsOctaveBelow({ otherSoundingMidi, targetHz }: Sounded): boolean {
  return otherSoundingMidi !== undefined && Math.round(hzToMidi(targetHz, 440)) - otherSoundingMidi === 12;
}

/** Whether a tone ended so long before its plan that it is worth telling. */
function endsEarly({ plannedEndS, endS }: Sounded, beatS: number): boolean {
  return plannedEndS - endS > Math.max(EARLY_END.s, EARLY_END.beats * beatS);
}

/** Whether of a tone only a beginning was played. */
function isFragment({ onsetS, endS, plannedStartS, plannedEndS }: Sounded): boolean {
  return endS - onsetS < FRAGMENT_SHARE * (plannedEndS - plannedStartS);
}

/** Rules of a tone that broke, or was never itself. */
export const BREAK_RULES: readonly AnyRule[] = [
  rule({
    id: 'otherNote',
    when: (m) =>
      m.otherSoundingMidi === undefined
        ? undefined
        : { values: { soundingMidi: m.otherSoundingMidi }, severity: ALL_OF_IT },
  }),
  rule({
    id: 'octaveAbove',
    when: (m, { regular, step }) =>
      regular && step && withoutOctaveKey(step.fingeredMidi) && wrongPartial(m) === 2
        ? { values: {}, severity: ALL_OF_IT }
        : undefined,
  }),
  rule({
    id: 'octaveBelow',
    when: (m, { regular, step }) =>
      regular && step && withOctaveKey(step.fingeredMidi) && soundsOctaveBelow(m)
        ? { values: {}, severity: ALL_OF_IT }
        : undefined,
  }),
  rule({
    id: 'jump',
    when: (m, context) => (wrongPartial(m) === undefined ? slips('jump', m, context) : undefined),
  }),
  rule({
    id: 'dropOut',
    when: (m, context) => {
      const gap = m.dropOuts[0];
      return (
        gap && {
          values: {
            beat: beatOf(gap.atS, m, context),
            atS: gap.atS,
            lastsMs: 1000 * gap.lastsS,
            count: m.dropOuts.length,
          },
          severity: 1 + gap.lastsS / BREAK_S,
        }
      );
    },
  }),
  rule({
    id: 'brokeOff',
    when: (m, { beatS }) => (endsEarly(m, beatS) && isFragment(m) ? { values: {}, severity: ALL_OF_IT } : undefined),
  }),
  rule({
    id: 'stoppedEarly',
    when: (m, { beatS }) => {
      if (!endsEarly(m, beatS) || isFragment(m)) return undefined;
      const beats = (m.plannedEndS - m.endS) / beatS;
      return { values: { beats }, severity: beats / EARLY_END.beats };
    },
  }),
  rule({
    id: 'crack',
    when: (m, context) => slips('crack', m, context),
  }),
  rule({
    id: 'onEdge',
    // By itself it tells little: of a tone that held, its colour may only have changed.
    when: (m, context) => {
      const broke = ({ atS, lastsS }: { readonly atS: number; readonly lastsS: number }) =>
        m.jumps.some((jump) => jump.atS >= atS && jump.atS - (atS + lastsS) < EDGE_REACH_S);
      const sign = m.upperMixed?.find(broke);
      return (
        sign && {
          values: { beat: beatOf(sign.atS, m, context), atS: sign.atS, lastsMs: 1000 * sign.lastsS },
          severity: 1,
        }
      );
    },
  }),
  rule({
    id: 'squeak',
    when: (m, context) => slips('squeak', m, context),
  }),
];
