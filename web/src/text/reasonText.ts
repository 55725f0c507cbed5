import type { Reason, Theme } from '@inner-hum/core/lesson';
import type { TFunction } from 'i18next';
import { insideText, needText } from './needText';

/** Why something is in a session, in a sentence. */
export function reasonText(t: TFunction, nameOf: (midi: number) => string, reason: Reason): string {
  const note = nameOf(reason.midi);
  switch (reason.kind) {
    case 'goal':
      return t(`reasons.goal.${reason.goal}`, { note, count: reason.daysLeft });
    case 'seam':
      return t('reasons.seam', { lower: note, upper: nameOf(reason.upper) });
    case 'overtone': {
      const { partial, got = 0, of = 0, growing } = reason;
      if (of === 0) return t('reasons.untried', { note, partial });
      return t(growing ? 'reasons.growing' : 'reasons.overtone', { note, partial, got, count: of });
    }
    case 'round':
      return reason.days === undefined ? t('reasons.never') : t('reasons.round', { count: reason.days });
    case 'pillar':
      return t(`reasons.pillar.${reason.pillar}`);
    case 'back':
      return t('reasons.back', { count: reason.days });
    case 'settles':
      return t('reasons.settles', { count: reason.days });
    case 'keeps':
      return reason.about ? t('reasons.keeps', { theme: themeText(t, reason.about, nameOf) }) : t('reasons.keep');
    case 'music':
      return reason.about ? t('reasons.music', { theme: themeText(t, reason.about, nameOf) }) : t('reasons.toMusic');
    case 'tune':
      if (reason.cents === undefined) return t('reasons.tuneUp');
      return t(reason.cents > 0 ? 'reasons.tuneFirst.sharp' : 'reasons.tuneFirst.flat');
    case 'anchor':
    case 'break':
      return t('reasons.round', { count: 0 });
    case 'routine':
      return t('reasons.routine', { name: reason.name });
    case 'kept':
    case 'stale':
    case 'unmeasured':
      return t('reasons.kept', { note });
    case 'failing':
    case 'response':
    case 'pitch':
    case 'slope':
    case 'steadiness': {
      const need = { ...reason, reason: reason.kind };
      const why = reason.target?.isIn ? insideText(t, note, need) : needText(t, nameOf, need);
      const about = reason.theme ? t('reasons.theme', { why }) : why;
      // On its first day a target has no days to tell of.
      if (!reason.target || reason.target.day < 2) return about;
      return t('reasons.target', { why: about, day: reason.target.day, count: reason.target.inside });
    }
    default:
      return t(`reasons.${reason.kind}`, { note });
  }
}

/** Whether a reason is told once for all exercises of its target. */
export const isOfTarget = (reason: Reason): boolean => 'target' in reason && Boolean(reason.target);

/** Why something is in a session, where its target's sentence stands above. */
export function shortReasonText(t: TFunction, nameOf: (midi: number) => string, reason: Reason): string {
  return isOfTarget(reason) ? t('reasons.forTarget', { note: nameOf(reason.midi) }) : reasonText(t, nameOf, reason);
}

/** What a week is about, to stand in a sentence. */
export function themeText(t: TFunction, theme: Theme, nameOf: (midi: number) => string): string {
  switch (theme.kind) {
    case 'start':
    case 'measure':
      return t(`theme.${theme.kind}`);
    case 'goal':
      return t(theme.goal === 'passage' ? 'theme.passage' : 'theme.goal', { note: nameOf(theme.midi) });
    case 'zone':
      return t('theme.zone', { zone: t(`theme.zones.${theme.zone}`) });
    case 'need': {
      const zone = t(`theme.zones.${theme.zone}`);
      if (theme.reason !== 'pitch') return t(`theme.${theme.reason}`, { zone });
      return t(theme.sign > 0 ? 'theme.sharp' : 'theme.flat', { zone, ...(theme.band && { context: theme.band }) });
    }
  }
}
