import { breathBudget } from '@inner-hum/core/exercise';
import {
  breathLimitS,
  exerciseKey,
  exerciseScore,
  familyById,
  FAMILIES,
  LEVELS,
  STAGES,
} from '@inner-hum/core/families';
import { limitOf } from '@inner-hum/core/measure';
import { heldFor, longestHolds } from '@inner-hum/core/history';
import { blockS, themeOf } from '@inner-hum/core/lesson';
import { DYNAMICS, dynamicPosition, zoneOf, type Dynamic } from '@inner-hum/core/theory';
import { thingOf, type PlayedSession } from './season';
import {
  type Objections,
  perBlock,
  perSession,
  isCheck,
  stageOf,
  isHigh,
  isLip,
  before,
  newIn,
  partials,
} from './ruleParts';

/** Every rule that sessions must keep, each with what a teacher would object to. */
export const RULES: Readonly<Record<string, Objections>> = {
  'a first day has at most five families, two of them new': (player, [first]) => {
    if (!first) return [];
    // Tuning, waking, the survey and a tune aside.
    const learnt = first.planned.filter(
      ({ exercise, reason }) => reason.kind !== 'warmUp' && !isCheck(exercise) && exercise.family !== 'ownPassage',
    );
    const all = new Set(learnt.map(({ exercise }) => exercise.family));
    const fresh = newIn(first, player);
    return [
      ...(all.size > 5 ? [`${all.size} families`] : []),
      ...(fresh.length > 2 ? [`new: ${fresh.join(', ')}`] : []),
    ];
  },
  'later one new family, two from half an hour on, none on the day after one failed': perSession(
    (session, player, i, all) => {
      if (i === 0) return undefined;
      const fresh = newIn(session, player);
      const most = session.plan.minutes < 30 ? 1 : 2;
      const last = all.slice(0, i).findLast((one) => one.planned.length > 0 && one.dayText < session.dayText);
      const failed =
        last &&
        newIn(last, player).some((id) => {
          const own = last.takes.filter(({ family }) => family === id);
          return own.filter(({ decision }) => decision === 'easier' || decision === 'leave').length > own.length / 2;
        });
      if (failed && fresh.length > 0) return `${fresh.join(', ')} after one that failed`;
      return fresh.length > most && fresh.join(', ');
    },
  ),
  'a new family comes back twice in its first ten days, and before another of its stage': (player, sessions) =>
    sessions.flatMap((session, i) =>
      newIn(session, player).flatMap((id) => {
        const later = sessions.slice(i + 1).filter(({ day, planned }) => planned.length > 0 && day <= session.day + 14);
        if (later.length < 5) return [];
        const back = later.filter(({ planned }) => planned.some(({ exercise }) => exercise.family === id)).length;
        return back < 2 ? [`day ${session.day}: ${id} came back ${back} times`] : [];
      }),
    ),
  'from ten minutes on it tunes first, then warms up': perSession(
    ({ planned, load }) => load.minutes >= 10 && planned[0]?.exercise.family !== 'tuneUp' && 'it does not tune',
  ),
  'a beginner stays from D4 to C6 for two weeks, with at most five families': (player, sessions) => {
    if (player.level !== 'new') return [];
    const early = sessions.filter(({ day }) => day <= 14);
    const families = new Set(early.flatMap(({ planned }) => planned.map(({ exercise }) => exercise.family)));
    families.delete('tuneUp');
    const out = early.flatMap(({ day, planned }) =>
      planned.flatMap(({ exercise }) =>
        exerciseScore(exercise).steps.some(({ soundedMidi, hum }) => !hum && (soundedMidi < 62 || soundedMidi > 84))
          ? [`day ${day}, ${exercise.family}`]
          : [],
      ),
    );
    return [...out, ...(families.size > 5 ? [`${families.size} families`] : [])];
  },
  'a first survey is five notes at mf, soft and loud come later': (_, sessions) => {
    const surveys = sessions.flatMap(({ day, planned }) =>
      planned.flatMap(({ exercise }) =>
        exercise.family === 'survey' ? [{ day, loudness: exercise['loudness'] }] : [],
      ),
    );
    return surveys[0] && surveys[0].loudness !== 'mf' && sessions[0]!.load.minutes > 7
      ? [`day ${surveys[0].day}: ${String(surveys[0].loudness)}`]
      : [];
  },
  'a breath is no longer than 85 % of what was held, or the first limit': perBlock(({ exercise }, session) => {
    const score = exerciseScore(exercise);
    const held = heldFor(score, longestHolds(session.plan.recent.flatMap((digest) => digest.holds)));
    const limitS = breathLimitS(familyById(exercise.family), score, held, session.plan.level);
    const { longestBreathS } = breathBudget(score);
    return longestBreathS > limitS + 0.1 ? `${longestBreathS.toFixed(1)} s of ${limitS.toFixed(1)}` : undefined;
  }),
  'a breath of overtones or altissimo is no longer than six seconds': perBlock(({ exercise }) => {
    const { longestBreathS } = breathBudget(exerciseScore(exercise));
    const high = familyById(exercise.family).stage === 'overtones' || isHigh(exercise);
    return high && longestBreathS > 6.1 ? `${longestBreathS.toFixed(1)} s` : undefined;
  }),
  'tempo, beats and dynamics stay within what the family calls sensible': perBlock(({ exercise }) => {
    const within = Object.entries(familyById(exercise.family).teaching.within ?? {});
    return (
      within
        .flatMap(([field, [from, to]]) => {
          const value = exercise[field];
          if (typeof from === 'number') {
            const number = Number(value);
            return number < from || number > Number(to) ? [`${field} ${number}`] : [];
          }
          const place = DYNAMICS.indexOf(value as Dynamic);
          return place < DYNAMICS.indexOf(from) || place > DYNAMICS.indexOf(to as Dynamic)
            ? [`${field} ${String(value)}`]
            : [];
        })
        .join(', ') || undefined
    );
  }),
  'harder only when it is secure, by one small step a day': (_, sessions) =>
    sessions.flatMap(({ day, dayText, takes, plan }) => {
      const steps = new Map<string, number>();
      const earlier = [...plan.recent];
      return takes.flatMap((take) => {
        const key = exerciseKey(take.parameters);
        earlier.push(take);
        if (take.decision !== 'harder' || Object.keys(take.next).length === 0) return [];
        steps.set(key, (steps.get(key) ?? 0) + 1);
        const same = earlier.filter((one) => exerciseKey(one.parameters) === key).slice(-4);
        const held = same.filter(({ decision }) => decision === 'harder');
        const secure = held.length >= 3 && new Set(held.map((one) => one.day)).size >= 2;
        return steps.get(key)! > 1 || !secure ? [`day ${day} (${dayText}), ${key}`] : [];
      });
    }),
  'a note that a goal names is not moved': (player, sessions) =>
    sessions.flatMap(({ day, takes }) =>
      takes.flatMap((take) => {
        const note = thingOf({ exercise: take.parameters });
        const moved = thingOf({ exercise: { ...take.parameters, ...take.next } });
        return player.goals.some((goal) => note.endsWith(` ${goal.midi}`)) && moved !== note
          ? [`day ${day}, ${take.family}`]
          : [];
      }),
    ),
  'overtones grow: no partial before the one under it was right': perBlock(({ exercise }, { plan }) => {
    if (familyById(exercise.family).stage !== 'overtones') return undefined;
    const partial = Number(exercise['top'] ?? (exercise.family === 'shortTwelfths' ? 2 : exercise['partial']) ?? 2);
    const tried = [58, 59, 60, 61].some((tube) => (plan.sources.get(`${tube}/${partial - 1}`)?.tries.got ?? 0) > 0);
    return partial > 2 && !tried ? `partial ${partial}` : undefined;
  }),
  'no altissimo before partial 4 is learnt on two tubes, and a bend in that session': perSession(
    ({ planned, plan }) => {
      const high = planned.some(({ exercise }) => isHigh(exercise));
      if (!high) return undefined;
      if (partials(plan.sources, 4).length < 2) return 'partial 4 is not there';
      return !planned.some(({ exercise }) => ['bend', 'bendToPitch'].includes(exercise.family)) && 'no bend';
    },
  ),
  'altissimo comes after overtones, late, not more than 90 s in twenty minutes': perSession(({ planned, load }) => {
    const first = planned.findIndex(({ exercise }) => isHigh(exercise));
    if (first < 0) return undefined;
    const soundsS = planned.reduce((sum, { exercise, tries }) => {
      const score = exerciseScore(exercise);
      const high = score.steps.filter((step) => zoneOf(step.soundedMidi) === 'altissimo');
      return sum + tries * high.reduce((all, step) => all + (step.openEnd ? 4 : (step.beats * 60) / score.tempoBpm), 0);
    }, 0);
    if (!planned.slice(0, first + 1).some(({ exercise }) => familyById(exercise.family).stage === 'overtones'))
      return 'not prepared';
    return soundsS > (90 * load.minutes) / 20 + 1 && `${Math.round(soundsS)} s`;
  }),
  'at least eight seconds between tries, as long as the tone after loud or high ones': perBlock((block) => {
    const score = exerciseScore(block.exercise);
    const hard = score.steps.filter(
      (step) =>
        !step.openEnd &&
        (['palm', 'altissimo'].includes(zoneOf(step.soundedMidi)) ||
          step.dynamics.some((point) => (point.position ?? dynamicPosition(point.dynamic)) >= 0.7)),
    );
    const toneS = Math.max(0, ...hard.map((step) => (step.beats * 60) / score.tempoBpm));
    const leastS = Math.max(8, Math.round(toneS));
    return (block.betweenS ?? 0) < leastS ? `${block.betweenS} s of ${leastS}` : undefined;
  }),
  'the lip rests for thirty seconds after overtones and altissimo': perBlock((block, { planned }, i) =>
    i < planned.length - 1 && isLip(block.exercise) && block.restS < 30 ? `${block.restS} s` : undefined,
  ),
  'a block has four tries at most': perBlock(({ tries }) => (tries > 4 ? `${tries} tries` : undefined)),
  'the order is that of a practice; who tires has overtones earlier, and what is easy last': perSession(
    ({ planned }) => {
      const stages = planned
        .filter(({ exercise, reason }) => !isCheck(exercise) && reason.kind !== 'easy')
        .map(stageOf);
      const places = stages.map((stage) => STAGES.indexOf(stage));
      const music = places.findIndex((place) => place === STAGES.indexOf('wholeHorn'));
      return (
        music >= 0 && places.slice(music).some((place) => place < STAGES.indexOf('wholeHorn')) && stages.join(', ')
      );
    },
  ),
  'no exercise twice in a session': perSession(({ planned }) => {
    const keys = planned.map(({ exercise }) => exerciseKey(exercise));
    return new Set(keys).size < keys.length && keys.filter((key, i) => keys.indexOf(key) < i).join(', ');
  }),
  'from fifteen minutes on something musical, and overtones at least every second session': perSession(
    (session, player, i, all) => {
      const { load, day } = session;
      // Who is tired before the first overtone is given nothing new.
      const met = session.plan.recent.some(({ family }) => familyById(family).stage === 'overtones');
      if (
        load.minutes < 15 ||
        load.kind === 'goalDay' ||
        (player.level === 'new' && day <= 14) ||
        (!met && load.nothingNew)
      )
        return undefined;
      const has = (one: PlayedSession, stage: string) => one.planned.some((block) => stageOf(block) === stage);
      const last = all.slice(0, i).findLast((one) => one.planned.length > 0);
      if (!has(session, 'wholeHorn')) return 'no music';
      return (
        last !== undefined && !has(session, 'overtones') && !has(last, 'overtones') && 'no overtones in two sessions'
      );
    },
  ),
  'the exercise meets the need at its loudness': perBlock(({ exercise, reason }) => {
    if (reason.kind !== 'pitch' || !reason.band || !('dynamic' in exercise)) return undefined;
    const asked = { soft: ['pp', 'p'], medium: ['mp', 'mf'], loud: ['f', 'ff'] }[reason.band];
    // One step louder is how a soft one is made easier for a while.
    const near = asked.some(
      (text) => Math.abs(DYNAMICS.indexOf(text as Dynamic) - DYNAMICS.indexOf(exercise['dynamic'] as Dynamic)) <= 1,
    );
    return near ? undefined : `${String(exercise['dynamic'])} for a note that leans when ${reason.band}`;
  }),
  'a need is outside its limit': perBlock(({ reason }) => {
    switch (reason.kind) {
      case 'pitch':
        return Math.abs(reason.value) < limitOf('pitchCentreCents', 'firm')
          ? `${reason.value.toFixed(1)} cents`
          : undefined;
      case 'slope':
        return Math.abs(reason.value) < limitOf('pitchAgainstLevelCents', 'firm')
          ? `${reason.value.toFixed(1)} cents`
          : undefined;
      case 'response':
        return reason.value < limitOf('responseS', 'firm') ? `${reason.value.toFixed(2)} s` : undefined;
      default:
        return undefined;
    }
  }),
  'while the horn is out of tune, no note is': perSession(
    ({ planned }) =>
      planned[0]?.reason.kind === 'tune' &&
      planned[0].reason.cents !== undefined &&
      planned.some(({ reason }) => reason.kind === 'pitch') &&
      'a note is to be mended',
  ),
  'a reason names what is asked': perBlock(({ exercise, reason }) =>
    reason.kind === 'overtone' && reason.partial !== Number(exercise['top'] ?? exercise['partial'])
      ? `partial ${reason.partial}`
      : undefined,
  ),
  'dates are true': perBlock(({ exercise, reason }, session) => {
    if (!('days' in reason) || reason.days === undefined) return undefined;
    // What is secure comes back after three days at the earliest; its days are not those of an exercise.
    if (reason.kind === 'back') return reason.days < 3 ? `back after ${reason.days} days` : undefined;
    const last = before(session)
      .filter(({ family }) => family === exercise.family)
      .at(-1);
    const days = last ? Math.round((Date.parse(session.dayText) - Date.parse(last.day)) / 86_400_000) : undefined;
    return days === reason.days ? undefined : `${reason.days} days, really ${days}`;
  }),
  'one theme a week': (_, sessions) => {
    const byWeek = new Map<number, Set<string>>();
    for (const { plan, day } of sessions) {
      const week = Math.floor((day - 1) / 7);
      // The first week has its theme from its second day on.
      if (week > 0) byWeek.set(week, (byWeek.get(week) ?? new Set()).add(JSON.stringify(themeOf(plan))));
    }
    return [...byWeek].flatMap(([week, themes]) =>
      themes.size > 1 ? [`week ${week + 1}: ${themes.size} themes`] : [],
    );
  },
  'a rest in seven days, and a second session is half as long with nothing new': (player, sessions) => {
    const played = new Set(sessions.filter(({ planned }) => planned.length > 0).map(({ day }) => day));
    const rests = sessions.flatMap(({ day }) =>
      Array.from({ length: 7 }, (_, i) => day - i).every((one) => played.has(one))
        ? [`day ${day}: seven days in a row`]
        : [],
    );
    const second = sessions.flatMap((session, i) => {
      if (session.planned.length === 0 || sessions[i - 1]?.day !== session.day) return [];
      const long = session.planned.reduce((sum, block) => sum + blockS(block), 0) / 60 > 0.55 * player.minutes;
      return long || newIn(session, player).length > 0 ? [`day ${session.day}: second session`] : [];
    });
    return [...new Set(rests), ...second];
  },
  'weeks 4 and 8 are light, 12 tapers: less to do, nothing new': perSession((session, player) => {
    const week = Math.ceil(session.day / 7);
    if (![4, 8, 12].includes(week)) return undefined;
    const minutes = session.planned.reduce((sum, block) => sum + blockS(block), 0) / 60;
    if (player.minutes > 8 && minutes > 0.75 * player.minutes) return `${minutes.toFixed(0)} minutes`;
    return newIn(session, player).length > 0 && 'something new';
  }),
  'range and partials are those of the level': perBlock(({ exercise }, _, __, player) => {
    const top = { new: 84, home: 90, advanced: 102 }[player.level];
    const most = { new: 3, home: 5, advanced: 8 }[player.level];
    const { steps } = exerciseScore(exercise);
    if (steps.some((step) => step.soundedMidi > top && step.partialNumber === 1)) return 'too high';
    return steps.some((step) => step.partialNumber > most) ? 'too many partials' : undefined;
  }),
  'over a season every family that fits comes round': (player, sessions) => {
    if (player.minutes < 30 || sessions.at(-1)!.day < 84) return [];
    const played = new Set(sessions.flatMap(({ planned }) => planned.map(({ exercise }) => exercise.family)));
    const known = LEVELS.indexOf(player.level);
    return FAMILIES.filter(
      ({ id, stage, teaching: { planned } }) =>
        planned &&
        LEVELS.indexOf(planned.from) <= known &&
        !played.has(id) &&
        !['overtones', 'altissimo'].includes(stage),
    ).map(({ id }) => id);
  },
  'what was left comes back easier, another day': perBlock(({ exercise }, session) => {
    const last = before(session).findLast((digest) => exerciseKey(digest.parameters) === exerciseKey(exercise));
    return last?.decision === 'leave' && JSON.stringify(last.parameters) === JSON.stringify(exercise)
      ? 'as it was'
      : undefined;
  }),
  'the minutes are kept within a twentieth': perSession(({ planned, load }) => {
    const s = planned.reduce((sum, block) => sum + blockS(block), 0);
    return (
      load.kind !== 'goalDay' &&
      Math.abs(s / (60 * load.minutes) - 1) > 0.05 &&
      `${(s / 60).toFixed(1)} of ${load.minutes} min`
    );
  }),
};
