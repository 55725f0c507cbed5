import { Box, chakra, Flex } from '@chakra-ui/react';
import { firstNote, gainControl, type FirstNote, type GainControl } from '@inner-hum/core/measure';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { INSTRUMENTS, instrumentById, NOTE_NAME_SYSTEMS, type InstrumentId } from '@inner-hum/core/theory';
import { LANGUAGE_IDS, LANGUAGES } from '../../base/languages';
import { usePageSound } from '../../practice/usePageSound';
import { ProblemNote } from '../../shared/page/ProblemNote';
import { useListening } from '../../shared/page/useListening';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { hornChosen, languageChosen, rulerKey, settingsChanged } from '../../store/settings';
import { formatNumber, formatSigned } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button, Choice, Key, Tick } from '../../ui/controls';
import { useKeyDown } from '../../ui/useKeyDown';

const LOOK_MS = 300;
/** Where people tune, Hz. A note that would ask for another A is sharp or flat: one cold note is no tuning. */
const TUNED_TO_HZ = { min: 438.5, max: 444 } as const;
const NOISY_ROOM_DB = -45;
const FAINT_DB = -50;
const CLIPPED_PEAK = 0.985;
const WORTH_TELLING_MS = 20;

type Found = Extract<FirstNote, { kind: 'heard' }>;

/** The horn, its tuning, the room and the dynamics, from one note that the player plays; each is shown before it is taken. */
export default function HearOneNote({
  askedMidi,
  onTaken,
}: {
  readonly askedMidi: number;
  readonly onTaken: () => void;
}) {
  const page = usePageSound();
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const problem = useAppSelector((state) => state.practice.problem);
  const { on, toggle } = useListening(true);
  const [heard, setHeard] = useState<FirstNote>({ kind: 'listening' });
  const [clipped, setClipped] = useState(false);
  const [device, setDevice] = useState<GainControl>({});
  const [lostMs, setLost] = useState(0);
  const [size, setSize] = useState<InstrumentId>();
  useEffect(() => {
    if (!on) return undefined;
    const timer = setInterval(() => {
      const trace = page.input?.trace;
      if (!trace) return;
      if (trace.peak >= CLIPPED_PEAK) setClipped(true);
      setHeard(firstNote(trace, askedMidi));
      setDevice(gainControl(trace));
      setLost(trace.lostMs);
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [page, on, askedMidi]);
  const listen = () => {
    setHeard({ kind: 'listening' });
    setClipped(false);
    void toggle();
  };
  // Whoever opened it pressed for it: it listens at once.
  const begin = useRef(listen);
  useEffect(() => begin.current(), []);
  const note = nameOf(askedMidi);
  // What is wrong has its own way to try again.
  if (!on && heard.kind !== 'heard')
    return problem ? (
      <ProblemNote onRetry={listen} />
    ) : (
      <Button tone="strong" onClick={listen} alignSelf="flex-start" fontSize="lead">
        {t('welcome.hearNote', { note })}
      </Button>
    );
  return (
    <chakra.section borderWidth="1.5px" borderColor="ink" borderRadius="card" p="14px" data-testid="one-note">
      {on && (
        <chakra.p fontFamily="heading" fontSize="title" lineHeight={1.25} role="status" mb="8px">
          {t(heard.kind === 'heard' ? 'welcome.nowSoftAndLoud' : `welcome.${heard.kind}`, { note })}
        </chakra.p>
      )}
      {lostMs > WORTH_TELLING_MS && <p>{t('stand.lost', { ms: lostMs })}</p>}
      {heard.kind === 'heard' && (
        <>
          <UnderstoodWords size={size ?? heard.instrumentId} onSize={setSize} />
          <FoundList found={heard} clipped={clipped} device={device} />
        </>
      )}
      <Flex gap="10px" mt="10px" align="flex-end" wrap="wrap">
        {heard.kind === 'heard' && (
          <Take
            found={{ ...heard, instrumentId: size ?? heard.instrumentId }}
            onTaken={() => {
              if (on) void toggle();
              onTaken();
            }}
          />
        )}
        <Button tone="quiet" onClick={listen}>
          {t(on ? 'setUp.checkStop' : 'welcome.hearAgain')}
        </Button>
      </Flex>
    </chakra.section>
  );
}

/** What was understood without being said, each a word to correct: the horn, how notes are called, the language. */
function UnderstoodWords({
  size,
  onSize,
}: {
  readonly size: InstrumentId;
  readonly onSize: (size: InstrumentId) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { noteNames, language } = useAppSelector((state) => state.settings);
  return (
    <Flex gap="12px" wrap="wrap" mb="8px">
      <Choice
        label={t('welcome.understood.horn')}
        value={size}
        options={INSTRUMENTS.map(({ id }) => id)}
        textOf={(id) => t(`instruments.${id}`)}
        onChange={onSize}
      />
      <Choice
        label={t('welcome.understood.names')}
        value={noteNames}
        options={NOTE_NAME_SYSTEMS}
        textOf={(system) => t(`namesSystem.${system}`)}
        onChange={(system) => dispatch(settingsChanged({ noteNames: system }))}
      />
      <Choice
        label={t('welcome.language')}
        value={language}
        options={LANGUAGE_IDS}
        textOf={(id) => LANGUAGES[id].name}
        onChange={(id) => dispatch(languageChosen(id))}
      />
    </Flex>
  );
}

/** What was heard, a line each. */
function FoundList({
  found,
  clipped,
  device,
}: {
  readonly found: Found;
  readonly clipped: boolean;
  readonly device: GainControl;
}) {
  const { t } = useTranslation();
  const { cents, roomDb, levelDb, ruler } = found;
  return (
    <chakra.ul listStyleType="none" fontSize="lead">
      <li>
        {t(tuningOf(found) === undefined ? 'welcome.farOff' : 'welcome.sitsAt', { cents: formatSigned(cents, 0) })}
      </li>
      {roomDb !== undefined && <li>{t(roomDb > NOISY_ROOM_DB ? 'welcome.roomNoisy' : 'welcome.roomQuiet')}</li>}
      <li>{t(clipped ? 'setUp.checkClip' : levelDb < FAINT_DB ? 'setUp.checkQuiet' : 'setUp.checkGood')}</li>
      {device.gainRidesDb !== undefined && (
        <li>{t('setUp.checkRides', { db: formatNumber(device.gainRidesDb, 0) })}</li>
      )}
      {device.gated && <li>{t('setUp.checkGated')}</li>}
      {ruler && <li>{t('welcome.span', { db: formatNumber(ruler.loudestDb - ruler.softestDb, 0) })}</li>}
    </chakra.ul>
  );
}

/** Takes what was heard into the settings, also by Enter. */
function Take({ found, onTaken }: { readonly found: Found; readonly onTaken: () => void }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const [taken, setTaken] = useState(false);
  const [tuned, tune] = useState(false);
  const a4Hz = tuningOf(found);
  const take = () => {
    const { settings } = store.getState();
    // Two horns of one pitch are told apart by the player alone.
    const same =
      instrumentById(settings.instrumentId).soundingOffsetSemitones ===
      instrumentById(found.instrumentId).soundingOffsetSemitones;
    if (!same) dispatch(hornChosen(found.instrumentId));
    if (a4Hz !== undefined && tuned) dispatch(settingsChanged({ a4Hz }));
    if (found.ruler) dispatch(settingsChanged({ rulers: { ...settings.rulers, [rulerKey(settings)]: found.ruler } }));
    setTaken(true);
    onTaken();
  };
  useKeyDown('input, textarea, select, button, a', (event) => {
    if (event.key !== 'Enter' || taken) return;
    event.preventDefault();
    take();
  });
  if (taken) return <chakra.p role="status">{t('welcome.taken')}</chakra.p>;
  return (
    <Box>
      {/* One cold note is no tuning: only the player knows whether others tune there. */}
      {a4Hz !== undefined && a4Hz !== 440 && (
        <Tick label={t('welcome.tuneTo', { a4: formatNumber(a4Hz, 1) })} checked={tuned} onChange={tune} />
      )}
      <Button tone="strong" onClick={take}>
        {t('welcome.takeThese')} <Key>{t('welcome.enter')}</Key>
      </Button>
    </Box>
  );
}

/** The tuning that a horn so far off 440 Hz is at, to half a hertz; undefined when that is no tuning. */
function tuningOf({ cents }: Found): number | undefined {
  const a4Hz = Math.round(2 * 440 * 2 ** (cents / 1200)) / 2;
  return a4Hz >= TUNED_TO_HZ.min && a4Hz <= TUNED_TO_HZ.max ? a4Hz : undefined;
}
