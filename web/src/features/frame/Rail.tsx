import { chakra } from '@chakra-ui/react';
import { ALTISSIMO_REACH_SEMITONES, spellMidi, zoneOf, type Zone } from '@inner-hum/core/theory';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { DEMAND_CENTS } from '@inner-hum/core/measure';
import { ofNote, seams, type NoteOnMap } from '@inner-hum/core/map';
import { useMemo, useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import { store, useAppSelector } from '../../store';
import { mainNote } from '../../store/settings';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { mapOf, useCells } from '../../shared/stored/useCells';
import { usePageSound } from '../../practice/usePageSound';
import { useNoteName } from '../../text/useNoteName';
import { useHorn } from '../../store/useHorn';

const LATELY_MS = 14 * 86_400_000;
const STEADY_CENTS = 5;
type NoteState = 'unmeasured' | 'measured' | 'steady';

/** State of each written note from the map of this horn, and the notes with a seam to the one above. */
function useNoteStates(): { readonly states: ReadonlyMap<number, NoteState>; readonly parted: ReadonlySet<number> } {
  const cells = useCells();
  return useMemo(() => {
    const notes = cells ? mapOf(cells) : [];
    const states = new Map(notes.map((note) => [note.midi, stateOf(note)]));
    return { states, parted: new Set(seams(notes).map((seam) => seam.lower)) };
  }, [cells]);
}

function stateOf(note: NoteOnMap): NoteState {
  if (note.newestMs < Date.now() - LATELY_MS) return 'unmeasured';
  const centre = ofNote(note, 'pitchCentreCents');
  const spread = ofNote(note, 'pitchSteadinessCents');
  const known = centre.kind === 'known' && spread.kind === 'known';
  const steady = known && Math.abs(centre.value) <= DEMAND_CENTS.firm && spread.value <= STEADY_CENTS;
  return steady && note.all.at(-1)!.spoke ? 'steady' : 'measured';
}

/** Marks: an open ring when not measured lately, a half disc when measured, a full disc when steady too; a notch for a seam. */
function Mark({ state, lit, seam }: { readonly state: NoteState; readonly lit: boolean; readonly seam: boolean }) {
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
      {seam && <path d="M-8 -6h3l2 2l2-4l2 2h5" fill="none" stroke="var(--chakra-colors-accent)" strokeWidth="1.4" />}
      {!lit && state === 'measured' && <path d="M0-4.2A4.2 4.2 0 0 0 0 4.2z" fill={fill} />}
    </svg>
  );
}

/** The horn as a vertical rail, lowest note at the bottom: where a tone sounds, and the way to each note. */
export function Rail() {
  const { t } = useTranslation();
  const openExercise = useOpenExercise();
  const nameOf = useNoteName();
  const chosen = useAppSelector((state) => mainNote(state.settings.exercise));
  const horn = useHorn();
  const { states, parted } = useNoteStates();
  const { liveNote } = usePageSound();
  const lit = useSyncExternalStore(liveNote.subscribe, liveNote.get);
  const top = horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
  const notes = Array.from({ length: top - horn.lowestWrittenMidi + 1 }, (_, i) => top - i);
  const open = (written: number) => {
    const { exercise } = store.getState().settings;
    // A note opens the present exercise there, or its swell when the exercise has no note of its own.
    const base = 'writtenMidi' in exercise ? exercise : usualExercise(familyById('swell'), horn.hornId);
    openExercise({ ...base, writtenMidi: written });
  };
  const naturals = notes.filter((written) => spellMidi(written).alter === 0);
  return (
    <chakra.nav
      aria-label={t('rail.label')}
      order={-1}
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
        const above = naturals.filter((value) => value > written).length;
        return (
          <chakra.button
            key={written}
            onClick={() => open(written)}
            aria-label={`${t('rail.note', { note: nameOf(written), zone: t(`zones.${zone}`) })}, ${t(`rail.${states.get(written) ?? 'unmeasured'}`)}${parted.has(written) ? `, ${t('rail.seam')}` : ''}`}
            aria-current={written === chosen}
            style={{ gridRow: `${2 * above + (natural ? 2 : 1)} / span 2`, gridColumn: natural ? 1 : 2 }}
            display="flex"
            alignItems="center"
            gap="6px"
            pl={natural ? '10px' : '4px'}
            cursor="pointer"
            fontSize="tiny"
            lineHeight={1}
            fontWeight={chosenOrLit ? 700 : 400}
            color={chosenOrLit ? 'accent' : 'inkSoft'}
            _hover={{ color: 'accent' }}
          >
            <Mark state={states.get(written) ?? 'unmeasured'} lit={written === lit} seam={parted.has(written)} />
            {natural ? nameOf(written) : ''}
          </chakra.button>
        );
      })}
    </chakra.nav>
  );
}
