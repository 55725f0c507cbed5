import { Box, chakra } from '@chakra-ui/react';
import type { PickUp, TakeRecord } from '@inner-hum/core/take';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { evidenceOf, rowOf, type Evidence, type TryId } from '@inner-hum/core/judge';
import { useAppSelector } from '../../store';
import { decisionText, findingText, nextText } from '../../text/findingText';
import { useNoteName } from '../../text/useNoteName';
import type { Schools } from '@inner-hum/core/lesson';
import { tableText } from '../../text/tableText';

/** Up to written C♯4 the bell is part of the tube: jaw and air are asked for otherwise, and no key shades them. */
const LAST_BELL_MIDI = 61;
const WORDED_FOR_BELL: readonly TryId[] = ['letItSpeak', 'voiceLower', 'voiceHigher'];

/** Which answer of the player's school words a thing to try; undefined where schools agree. */
function schoolOf(id: TryId, schools: Schools): string | undefined {
  if (id === 'onePressure' || id === 'supportWhenSoft') return schools.softPlaying;
  return id === 'letItSpeak' ? schools.tongueHeight : undefined;
}

function tryText(t: TFunction, id: TryId, schools: Schools, onBell: boolean): string {
  const context = onBell && WORDED_FOR_BELL.includes(id) ? 'bell' : schoolOf(id, schools);
  return tableText(t, `verdict.tries.${id}`, { context });
}

/** How the sound was picked up, where it could be better. */
function pickUpText(t: TFunction, { humHz, roomBelowDb }: PickUp): string {
  return [
    roomBelowDb !== undefined && t('verdict.pickUp.far', { db: Math.round(roomBelowDb) }),
    humHz !== undefined && t('verdict.pickUp.hum', { hz: humHz }),
  ]
    .filter(Boolean)
    .join(' ');
}

/** A sentence of a verdict; where its place can be heard, a press plays it. */
function Sentence({
  place,
  onHear,
  children,
}: {
  readonly place: Evidence | undefined;
  readonly onHear: ((place: Evidence) => void) | undefined;
  readonly children: string;
}) {
  const { t } = useTranslation();
  if (!place || !onHear) return children;
  return (
    <chakra.button
      display="inline"
      textAlign="left"
      cursor="pointer"
      title={t('verdict.hear')}
      _hover={{ color: 'accent' }}
      onClick={() => onHear(place)}
    >
      {children}{' '}
      <chakra.span aria-hidden fontSize="0.7em">
        ▸
      </chakra.span>
    </chakra.button>
  );
}

/** How many sentences are told at once; the rest is among the numbers. */
const SENTENCES = 3;

/** A verdict in words: what happened, what to try, what comes next. */
export function VerdictText({
  take,
  large = false,
  onHear,
  sounding,
}: {
  readonly take: TakeRecord;
  /** to be read at arm's length and farther */
  readonly large?: boolean;
  /** plays the place that a sentence is about; sentences are no buttons when left out */
  readonly onHear?: (place: Evidence) => void;
  /** what of it is being heard */
  readonly sounding?: 'own' | 'best' | undefined;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { verdict } = take;
  const schools = useAppSelector((state) => state.settings.schools);
  // What is to be tried is worded for the note whose finding asks for it.
  const onBell = (id: TryId) => {
    const { stepIndex = 0 } = verdict.findings.find((finding) => rowOf(finding.id).tries?.includes(id)) ?? {};
    return (take.score.steps[stepIndex]?.fingeredMidi ?? Infinity) <= LAST_BELL_MIDI;
  };
  return (
    <Box role="status" aria-label={t('verdict.label')}>
      {verdict.findings.slice(0, SENTENCES).map((finding, i) => (
        <chakra.p
          key={`${finding.id} ${finding.stepIndex}`}
          fontFamily="heading"
          fontSize={large ? (i === 0 ? { base: 'title', md: 'stand' } : 'section') : i === 0 ? 'section' : 'lead'}
          lineHeight={large && i === 0 ? 1.2 : 1.3}
          mb="6px"
        >
          <Sentence place={onHear && evidenceOf(finding, take)} onHear={onHear}>
            {findingText(t, finding, take, nameOf)}
          </Sentence>
        </chakra.p>
      ))}
      {sounding && (
        <chakra.p fontSize={large ? 'lead' : 'body'} fontWeight={600}>
          {t(`verdict.sounding.${sounding}`)}
        </chakra.p>
      )}
      {verdict.tries.length > 0 && (
        <chakra.p fontSize={large ? 'lead' : 'body'} mt="14px" color="inkSoft">
          <chakra.strong color="ink">{t('verdict.try')}: </chakra.strong>
          {verdict.tries.map((id) => tryText(t, id, schools, onBell(id))).join(' ')}
        </chakra.p>
      )}
      <chakra.p fontSize={large ? 'lead' : 'body'} mt="10px">
        {decisionText(t, verdict)}{' '}
        {verdict.next.change !== 'none' && <strong>{nextText(t, verdict, take, nameOf)}</strong>}
      </chakra.p>
      {take.pickUp && (
        <chakra.p mt="10px" color="inkSoft" data-testid="pick-up">
          {pickUpText(t, take.pickUp)}
        </chakra.p>
      )}
    </Box>
  );
}
