import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { colourOverLevel, placedBody, QUANTITY_ROWS, toneOutline, type StepMeasures } from '@inner-hum/core/measure';
import { unpackFrames, type ModelTone as Tone, type WholeTake } from '@inner-hum/core/take';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ownToneOf } from '../../db/shelf';
import { wholeTake } from '../../db/takes';
import { asLoudAs, Player, soundOf } from '../../practice/playback';
import { usePageSound } from '../../practice/usePageSound';
import { OutlinesOver } from '../../shared/take/OutlinesOver';
import { useAppSelector } from '../../store';
import { formatNumber, formatSigned } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { ColourOverLevel } from './ColourOverLevel';

/** What is set side by side. Levels are not: of a recording they tell nothing beyond itself. */
const SHOWN = [
  'pitchCentreCents',
  'pitchSteadinessCents',
  'vibratoHz',
  'vibratoCents',
  'riseS',
  'rangeDb',
  'centroidPartials',
  'breathRatioDb',
] as const;

type Sounded = Extract<StepMeasures, { readonly kind: 'sounded' }>;
interface Sound {
  readonly sampleRateHz: number;
  readonly samples: Float32Array<ArrayBuffer>;
}

/** A tone of a recording beside the player's newest own one of that note: heard by turns, in numbers, one over the other. */
export function ModelTone({ tone, samples, sampleRateHz }: { readonly tone: Tone } & Sound) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const own = useLiveQuery(() => ownTone(tone, instrumentId), [tone, instrumentId]);
  const play = usePlay();
  const part = partOf({ samples, sampleRateHz }, tone.fromS, tone.toS);
  const note = nameOf(tone.writtenMidi);
  return (
    <Box data-testid="model-tone">
      <SectionTitle>{t('shelf.toneTitle', { note, seconds: formatNumber(tone.toS - tone.fromS, 1) })}</SectionTitle>
      <TubeSentence tone={tone} horn={t(`instruments.${instrumentId}`)} />
      <Flex gap="10px" wrap="wrap" align="center" mt="10px" mb="14px">
        <Button onClick={() => play(part)}>{t('shelf.hear')}</Button>
        {own?.sound && (
          <Button onClick={() => play(matched(own.sound!, own.hz, part, tone))}>{t('shelf.hearOwn')}</Button>
        )}
        {own && <Link to={`/take/${own.takeId}`}>{t('shelf.openOwn')}</Link>}
        {own === null && <chakra.span color="inkSoft">{t('shelf.noOwn', { note })}</chakra.span>}
      </Flex>
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} gap="30px" alignItems="start">
        <Numbers model={tone.measures} own={own?.measures} />
        <Box>
          <OutlinesOver
            first={tone.outline}
            second={own?.outline ?? []}
            label={t('shelf.outlines', { note })}
            caption={t(own ? 'shelf.caption' : 'shelf.captionAlone')}
          />
          {tone.colour.length > 1 ? (
            <ColourOverLevel first={tone.colour} second={own?.colour ?? []} note={note} />
          ) : (
            <chakra.p color="inkSoft">{t('shelf.colourFlat')}</chakra.p>
          )}
        </Box>
      </Grid>
    </Box>
  );
}

/** Where the tone may have come from, with its doubt. */
function TubeSentence({ tone: { tube, writtenMidi }, horn }: { readonly tone: Tone; readonly horn: string }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  if (tube.kind !== 'partial') return <p>{t(`shelf.tube.${tube.kind}`, { horn })}</p>;
  const tubeMidi = writtenMidi - Math.round(12 * Math.log2(tube.partial));
  return (
    <p>
      {t(tube.sure ? 'shelf.tube.sure' : 'shelf.tube.likely', {
        horn,
        partial: tube.partial,
        note: nameOf(tubeMidi),
        db: formatNumber(tube.aboveDb, 0),
      })}
    </p>
  );
}

function Numbers({ model, own }: { readonly model: Sounded; readonly own: Sounded | undefined }) {
  const { t } = useTranslation();
  const text = (of: Sounded | undefined, name: (typeof SHOWN)[number]) => {
    const { factor, digits, signed, unit } = QUANTITY_ROWS[name];
    const quantity = of?.[name];
    if (quantity?.kind !== 'measured') return '–';
    const value = (signed ? formatSigned : formatNumber)(quantity.value * factor, digits);
    return `${value} ${t(`measures.units.${unit}`)}`;
  };
  return (
    <chakra.table width="100%" css={{ '& td, & th': { py: '5px', borderBottomWidth: '1px', borderColor: 'line' } }}>
      <thead>
        <tr>
          <chakra.th textAlign="left">{t('measures.quantity')}</chakra.th>
          <chakra.th textAlign="right">{t('shelf.theirs')}</chakra.th>
          <chakra.th textAlign="right">{t('shelf.own')}</chakra.th>
        </tr>
      </thead>
      <tbody>
        {SHOWN.map((name) => (
          <tr key={name}>
            <td>{t(`measures.${name}`)}</td>
            <chakra.td textAlign="right">{text(model, name)}</chakra.td>
            <chakra.td textAlign="right">{text(own, name)}</chakra.td>
          </tr>
        ))}
      </tbody>
    </chakra.table>
  );
}

/** The player's newest tone of the same note; null where there is none that can be heard. */
async function ownTone(tone: Tone, instrumentId: string) {
  const found = await ownToneOf(tone.writtenMidi, instrumentId);
  const take = found && (await wholeTake(found.takeId));
  const measures = take?.record.measures[found!.stepIndex];
  if (!take || measures?.kind !== 'sounded') return null;
  const frames = unpackFrames(take.frames, take.record.frameCount);
  const cents = measures.pitchCentreCents.kind === 'measured' ? measures.pitchCentreCents.value : 0;
  return {
    takeId: take.record.id,
    measures,
    hz: measures.targetHz * 2 ** (cents / 1200),
    outline: toneOutline(frames, measures, tone.measures.targetHz),
    colour: colourOverLevel(placedBody(frames, measures)),
    sound: soundIn(take, measures),
  };
}

function soundIn(take: WholeTake, { onsetS, endS }: Sounded): Sound | undefined {
  const sound = soundOf(take);
  return sound && partOf(sound, onsetS, endS);
}

function partOf({ samples, sampleRateHz }: Sound, fromS: number, toS: number): Sound {
  return { sampleRateHz, samples: samples.slice(Math.round(fromS * sampleRateHz), Math.round(toS * sampleRateHz)) };
}

/** The own tone at the model's pitch, played so much quicker or slower, and as loud: only its sound is left to tell. */
function matched(own: Sound, ownHz: number, model: Sound, { measures }: Tone): Sound {
  const cents = measures.pitchCentreCents.kind === 'measured' ? measures.pitchCentreCents.value : 0;
  const ratio = (measures.targetHz * 2 ** (cents / 1200)) / ownHz;
  const loud = asLoudAs(own, model, 0, Infinity);
  // Farther than a few semitones apart it would be another voice.
  return Math.abs(Math.log2(ratio)) > 0.25 ? loud : { ...loud, sampleRateHz: Math.round(loud.sampleRateHz * ratio) };
}

/** Plays one sound at a time; what is played when the page is left ends with it. */
function usePlay() {
  const { speaker } = usePageSound();
  const player = useRef<Player>(undefined);
  useEffect(() => () => player.current?.close(), []);
  return (sound: Sound) => {
    player.current?.close();
    player.current = new Player(speaker, sound, () => undefined);
    void player.current.play(0);
  };
}
