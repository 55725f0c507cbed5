import { chakra } from '@chakra-ui/react';
import { ALTISSIMO_REACH_SEMITONES, instrumentById, spellMidi, zoneOf, type Zone } from '@inner-hum/core/theory';
import { familyById, usualExercise } from '@inner-hum/core/exercise';
import { DEMAND_CENTS, valueOf } from '@inner-hum/core/measure';
import { subDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { database } from '../db/database';
import { store, useAppDispatch, useAppSelector } from '../store';
import { mainNote, settingsChanged } from '../store/settings';
import { phaseChanged } from '../store/stand';
import { liveNote, onLiveNote } from './liveNote';
import { useNoteName } from './useNoteName';

const LATELY_DAYS = 14;
type NoteState = 'unmeasured' | 'measured' | 'steady';

/** State of each written note from the takes of the last fortnight on this horn. */
function useNoteStates(): ReadonlyMap<number, NoteState> {
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const states = useLiveQuery(async () => {
    const since = subDays(new Date(), LATELY_DAYS).toISOString();
    const found = new Map<number, NoteState>();
    await database.takes
      .where('startedAt')
      .above(since)
      .each((take) => {
        if (take.setup.instrumentId !== instrumentId) return;
        take.measures.forEach((measures, i) => {
          const written = take.score.steps[i]!.soundedMidi;
          if (measures.kind !== 'sounded') return;
          const centre = valueOf(measures.pitchCentreCents);
          const spread = valueOf(measures.pitchSteadinessCents);
          const steady =
            centre !== undefined &&
            spread !== undefined &&
            Math.abs(centre) <= DEMAND_CENTS.firm &&
            spread <= 5 &&
            measures.jumps.length === 0;
          found.set(written, steady ? 'steady' : 'measured');
        });
      });
    return found;
  }, [instrumentId]);
  return states ?? new Map<number, NoteState>();
}

/** Marks: an open ring when not measured lately, a half disc when measured, a full disc when steady too. */
function Mark({ state, lit }: { readonly state: NoteState; readonly lit: boolean }) {
  const fill = lit ? 'var(--chakra-colors-accent)' : 'var(--chakra-colors-ink)';
  return (
    <svg width="16" height="14" viewBox="-8 -7 16 14" aria-hidden>
      {lit && <rect x="-8" y="-6" width="16" height="12" rx="6" fill={fill} />}
      {!lit && (
        <circle
          r="4.2"
          fill={state === 'steady' ? fill : 'none'}
          stroke={fill}
          strokeWidth="1.4"
          opacity={state === 'unmeasured' ? 0.4 : 1}
        />
      )}
      {!lit && state === 'measured' && <path d="M0-4.2A4.2 4.2 0 0 0 0 4.2z" fill={fill} />}
    </svg>
  );
}

/** The horn as a vertical rail, lowest note at the bottom: where a tone sounds, and the way to each note. */
export function Rail() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const nameOf = useNoteName();
  const chosen = useAppSelector((state) => mainNote(state.settings.exercise));
  const horn = instrumentById(useAppSelector((state) => state.settings.instrumentId));
  const states = useNoteStates();
  const lit = useSyncExternalStore(onLiveNote, liveNote);
  const top = horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
  const notes = Array.from({ length: top - horn.lowestWrittenMidi + 1 }, (_, i) => top - i);
  const open = (written: number) => {
    const { exercise, instrumentId } = store.getState().settings;
    // A note opens the present exercise there, or its swell when the exercise has no note of its own.
    const base = 'writtenMidi' in exercise ? exercise : usualExercise(familyById('swell'), instrumentId);
    dispatch(settingsChanged({ exercise: { ...base, writtenMidi: written } }));
    dispatch(phaseChanged('idle'));
    void navigate('/stand');
  };
  const naturals = notes.filter((written) => spellMidi(written).alter === 0);
  return (
    <chakra.nav
      aria-label={t('rail.label')}
      position="sticky"
      top={0}
      height="100dvh"
      width="84px"
      flexShrink={0}
      borderRightWidth="1.5px"
      borderColor="line"
      display="grid"
      gridTemplateColumns="52px 1fr"
      gridTemplateRows={`repeat(${2 * naturals.length + 1}, minmax(12px, 1fr))`}
      overflowY="auto"
      _print={{ display: 'none' }}
      py="6px"
      hideBelow="sm"
    >
      {(['palm', 'low'] as const).map((zone) => {
        const inZone = naturals.filter((written) => zoneOf(written) === zone);
        const above = naturals.indexOf(inZone[0]!);
        return (
          <chakra.div
            key={zone}
            aria-hidden
            bg="channel"
            style={{ gridColumn: '1 / -1', gridRow: `${2 * above + 2} / span ${2 * inZone.length}` }}
          />
        );
      })}
      {notes.map((written) => {
        const zone: Zone = zoneOf(written);
        const natural = spellMidi(written).alter === 0;
        const chosenOrLit = written === chosen || written === lit;
        const above = naturals.filter((one) => one > written).length;
        return (
          <chakra.button
            key={written}
            onClick={() => open(written)}
            aria-label={`${t('rail.note', { note: nameOf(written), zone: t(`zones.${zone}`) })}, ${t(`rail.${states.get(written) ?? 'unmeasured'}`)}`}
            aria-current={written === chosen}
            style={{ gridRow: `${2 * above + (natural ? 2 : 1)} / span 2`, gridColumn: natural ? 1 : 2 }}
            display="flex"
            alignItems="center"
            gap="6px"
            pl={natural ? '10px' : '4px'}
            cursor="pointer"
            fontSize="12px"
            lineHeight={1}
            fontWeight={chosenOrLit ? 700 : 400}
            color={chosenOrLit ? 'accent' : 'inkSoft'}
            _hover={{ color: 'accent' }}
          >
            <Mark state={states.get(written) ?? 'unmeasured'} lit={written === lit} />
            {natural ? nameOf(written) : ''}
          </chakra.button>
        );
      })}
    </chakra.nav>
  );
}
