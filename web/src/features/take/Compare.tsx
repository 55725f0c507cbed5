import { useRibbonText } from '../../shared/take/useRibbonText';
import { Box, chakra, Flex } from '@chakra-ui/react';
import { unpackFrames, type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import { isWholeTake } from '@inner-hum/core/take/schema';
import { QUANTITY_ROWS, valueOf, type Measured, type StepMeasures } from '@inner-hum/core/measure';
import type { Digest } from '@inner-hum/core/history';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useLocation } from 'react-router';
import { rivalsOf } from '../../db/rivals';
import { wholeTake } from '../../db/takes';
import { Button, Choice, Field, Key, TextInput } from '../../ui/controls';
import { DrawnRibbon } from '../../ribbon/DrawnRibbon';
import { formatDate, formatNumber } from '../../text/format';
import { takeView } from '../../ribbon/takeView';
import { SectionTitle } from '../../ui/PageTitle';
import { drawRibbon } from '../../ribbon/ribbon';
import { setupText } from '../../text/setupText';
import { useKeyDown } from '../../ui/useKeyDown';
import { usePalette } from '../../ui/useColourMode';
import { useKeyed } from '../../shared/stored/useKeyed';
import { useAbPlayer } from './useAbPlayer';
import { soundOf } from '../../practice/playback';
import { HowNear } from './HowNear';

type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;
/** What is set side by side. */
const COMPARED = ['pitchCentreCents', 'pitchSteadinessCents', 'responseS', 'swellErrorDb', 'rangeDb'] as const;

/** See {@link rivalsOf}; none while they are read. */
export function useRivals(record: TakeRecord): readonly Digest[] {
  return useKeyed(record.id, () => rivalsOf(record)) ?? [];
}

/** This take against another of the same exercise: ribbons over one another, numbers side by side, switched by ear. */
export function Compare({
  take,
  rivals,
  best,
}: {
  readonly take: WholeTake;
  readonly rivals: readonly Digest[];
  readonly best: Digest | undefined;
}) {
  const { t } = useTranslation();
  const { search } = useLocation();
  // Who played after a take sees the two side by side at once.
  const [chosen, choose] = useState(() => new URLSearchParams(search).get('against') ?? '');
  const [other, setOther] = useState<WholeTake>();
  useEffect(() => {
    let gone = false;
    const show = (found: WholeTake | undefined) => setOther(found && isWholeTake(found) ? found : undefined);
    // One that can't be read is not compared.
    if (chosen)
      void wholeTake(chosen).then(
        (found) => gone || show(found),
        () => gone || show(undefined),
      );
    return () => void (gone = true);
  }, [chosen]);
  if (rivals.length === 0) return null;
  const isRival = rivals.some(({ takeId }) => takeId === chosen);
  const startedAtMs = Date.parse(take.record.startedAt);
  const last = rivals.find((rival) => rival.startedAtMs < startedAtMs);
  const first = rivals.at(-1)!;
  const label = (digest: Digest) => {
    const marks = [
      digest === best && t('ab.best'),
      digest === last && t('ab.last'),
      digest === first && rivals.length > 1 && t('ab.first'),
      setupText(digest.setup),
    ];
    return [formatDate(digest.startedAtMs, 'momentOfYear'), ...marks].filter(Boolean).join(' · ');
  };
  return (
    <Box mt="26px">
      <SectionTitle>{t('ab.title')}</SectionTitle>
      <Box maxWidth="34rem" mb="10px">
        <Choice
          label={t('ab.against')}
          value={isRival ? chosen : ''}
          options={['', ...rivals.map((rival) => rival.takeId)]}
          textOf={(id) => (id === '' ? t('ab.choose') : label(rivals.find((rival) => rival.takeId === id)!))}
          onChange={choose}
        />
      </Box>
      {isRival && other?.record.id === chosen && <Together a={take} b={other} />}
    </Box>
  );
}

function Together({ a, b }: { readonly a: WholeTake; readonly b: WholeTake }) {
  const { t } = useTranslation();
  return (
    <>
      <Overlaid a={a} b={b} />
      <HowNear a={a.record} b={b.record} />
      <SwitchedByEar a={a} b={b} />
      <chakra.table mt="10px" css={{ '& td, & th': { padding: '3px 16px 3px 0', textAlign: 'left' } }}>
        <thead>
          <tr>
            <th>{t('measures.quantity')}</th>
            <th>A</th>
            <th>B</th>
          </tr>
        </thead>
        <tbody>
          {COMPARED.map((name) => (
            <tr key={name}>
              <td>
                {t(`measures.${name}`)}, {t(`measures.units.${QUANTITY_ROWS[name].unit}`)}
              </td>
              <td>{mean(a.record, name)}</td>
              <td>{mean(b.record, name)}</td>
            </tr>
          ))}
        </tbody>
      </chakra.table>
    </>
  );
}

function mean({ measures }: TakeRecord, name: (typeof COMPARED)[number]): string {
  const values = measures.flatMap((measure) =>
    measure.kind === 'sounded' ? (valueOf((measure as Sounded)[name] as Measured) ?? []) : [],
  );
  if (values.length === 0) return '–';
  const { factor, digits } = QUANTITY_ROWS[name];
  return formatNumber((factor * values.reduce((sum, value) => sum + value, 0)) / values.length, digits);
}

/** The other take as a pale ribbon under this one, both from their first beat. */
function Overlaid({ a, b }: { readonly a: WholeTake; readonly b: WholeTake }) {
  const { t } = useTranslation();
  const palette = usePalette();
  const views = useMemo(() => {
    const view = ({ record, frames }: WholeTake) => takeView(record, unpackFrames(frames, record.frameCount));
    const own = view(a);
    const shiftS = a.record.firstBeatS - b.record.firstBeatS;
    const other = view(b);
    return { own, other: { ...own, frames: { ...other.frames, startS: shiftS } } };
  }, [a, b]);
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, height: number) => {
      const faint = { ...palette, partials: palette.partials.map(() => palette.line), accent: palette.inkSoft };
      drawRibbon(context, { ...views.other, palette: faint, width, height });
      drawRibbon(context, { ...views.own, palette, width, height, over: true });
    },
    [views, palette],
  );
  const label = t('ab.ribbonLabel', { own: useRibbonText(a.record), other: useRibbonText(b.record) });
  return <DrawnRibbon draw={draw} live={false} label={label} height="230px" />;
}

/** Both sounds at one loudness, started together; a key switches which is heard. */
function SwitchedByEar({ a, b }: { readonly a: WholeTake; readonly b: WholeTake }) {
  const { t } = useTranslation();
  const sounds = useMemo(() => [soundOf(a), soundOf(b)] as const, [a, b]);
  const lengthS = Math.min(...sounds.map((sound) => (sound ? sound.samples.length / sound.sampleRateHz : 0)));
  const [wanted, setWanted] = useState<Parameters<typeof useAbPlayer>[0]>();
  const [heard, setHeard] = useState<'a' | 'b'>('a');
  const [half, setHalf] = useState(false);
  const [from, setFrom] = useState(0);
  const [to, setTo] = useState(Number(lengthS.toFixed(1)));
  useAbPlayer(wanted, heard, setWanted);
  const play = () => {
    const [first, second] = sounds;
    if (wanted || !first || !second) return setWanted(undefined);
    setWanted([first, second, { fromS: from, toS: Math.max(from + 0.2, to), half }]);
  };
  const change = () => setHeard(heard === 'a' ? 'b' : 'a');
  useKeyDown('input, textarea, select', (event) => {
    if (event.key.toLowerCase() === 's') change();
  });
  if (!sounds[0] || !sounds[1]) return <p>{t('ab.noSound')}</p>;
  return (
    <Flex gap="12px" align="flex-end" wrap="wrap" mt="8px">
      <Button onClick={play} data-testid="ab-play">
        {t(wanted ? 'ab.stop' : 'ab.play')}
      </Button>
      <Button onClick={change} aria-live="polite" data-testid="ab-heard">
        {t('ab.heard', { side: heard.toUpperCase() })} <Key>S</Key>
      </Button>
      <Button aria-pressed={half} tone={half ? 'plain' : 'quiet'} onClick={() => setHalf(!half)} disabled={!!wanted}>
        {t('ab.half')}
      </Button>
      {(
        [
          ['from', from, setFrom],
          ['to', to, setTo],
        ] as const
      ).map(([edge, value, set]) => (
        <Field key={edge} label={t(`ab.${edge}`)} width="92px">
          <TextInput
            type="number"
            min={0}
            max={lengthS}
            step={0.1}
            value={value}
            disabled={!!wanted}
            onChange={(event) => set(Number(event.target.value))}
          />
        </Field>
      ))}
    </Flex>
  );
}
