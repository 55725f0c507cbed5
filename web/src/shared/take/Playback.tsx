import { chakra, Flex } from '@chakra-ui/react';
import type { WholeTake } from '@inner-hum/core/take';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { detailOf } from '../../base/detailOf';
import { hasVibrato } from '../../practice/evened';
import { Player } from '../../practice/playback';
import { usePageSound } from '../../practice/usePageSound';
import { Button, Choice, Key } from '../../ui/controls';
import { useKeyDown } from '../../ui/useKeyDown';
import { soundsOf, type SoundKind } from '../../practice/sounds';

interface Heard {
  readonly take: WholeTake;
  /** the best other take of the same exercise, if there is one */
  readonly bestId: string | undefined;
  readonly fromS: number;
  readonly toS: number;
  readonly placeS: number;
  readonly onPlace: (placeS: number) => void;
}

/** The take to be heard: as played, evened, or the best of its exercise, from wherever one is. */
export function Playback(props: Heard) {
  const { take, fromS, toS, placeS } = props;
  const { t } = useTranslation();
  const { audible, kind, kinds, playing, busy, said, toggle, choose, moveTo } = usePlayback(props);
  return (
    <Flex align="flex-end" gap="16px" mt="6px" wrap="wrap">
      <Button tone="strong" disabled={!audible || busy} onClick={toggle}>
        {playing ? t('take.pause') : t('take.play')} <Key>{t('stand.startKey')}</Key>
      </Button>
      {audible && (
        <Flex align="flex-end" gap="6px">
          <Choice
            label={t('take.hear')}
            value={kind}
            options={kinds}
            textOf={(choice) => t(`take.sounds.${choice}`)}
            onChange={choose}
          />
          <chakra.span pb="12px">
            <Key>E</Key>
          </chakra.span>
        </Flex>
      )}
      <chakra.input
        type="range"
        min={fromS}
        max={toS}
        step={0.01}
        value={Math.min(toS, Math.max(fromS, placeS))}
        aria-label={t('take.cursor')}
        flex="1 1 200px"
        height="44px"
        accentColor="var(--chakra-colors-accent)"
        onChange={(event) => moveTo(Number(event.target.value))}
      />
      <chakra.span role="status" color="inkSoft" fontSize="small">
        {busy ? t('take.evening') : said || (!take.sound && t(audible ? 'take.standInSound' : 'take.noSound'))}
      </chakra.span>
    </Flex>
  );
}

/** Plays the sounds of a take by turns; what is asked for last is what sounds. */
function usePlayback({ take, bestId, fromS, toS, placeS, onPlace }: Heard) {
  const { t } = useTranslation();
  const { speaker } = usePageSound();
  const audible = take.sound !== undefined || take.record.source.kind === 'standIn';
  const [kind, setKind] = useState<SoundKind>('played');
  const [heard, setHeard] = useState<Player>();
  const [playing, setPlaying] = useState(false);
  const [busy, setBusy] = useState(false);
  const [said, say] = useState('');
  const sounds = useRef<ReturnType<typeof soundsOf>>(undefined);
  /** what is wanted now: a sound that is ready later than another was asked for is not played */
  const wanted = useRef(0);
  useEffect(() => () => heard?.close(), [heard]);
  // What is still being made when the page is left does not sound over what comes next.
  useEffect(() => () => void (wanted.current = -1), []);
  useEffect(() => {
    if (!playing || !heard) return;
    let request = requestAnimationFrame(function follow() {
      onPlace(heard.placeS);
      request = requestAnimationFrame(follow);
    });
    return () => cancelAnimationFrame(request);
  }, [playing, heard, onPlace]);
  const play = async (which: SoundKind, from: number) => {
    const now = ++wanted.current;
    setBusy(true);
    say('');
    try {
      sounds.current ??= soundsOf(take, bestId);
      const sound = await sounds.current(which);
      if (now !== wanted.current) return;
      heard?.pause();
      if (!sound) {
        setPlaying(false);
        return say(t(which === 'best' ? 'ab.noSound' : 'take.noSound'));
      }
      const player = new Player(speaker, sound, () => setPlaying(false));
      setHeard(player);
      setPlaying(true);
      await player.play(from);
      if (sound.leftS >= 0.1) say(t('take.evenedLeft', { seconds: formatNumber(sound.leftS, 1) }));
    } catch (error) {
      say(t('take.notHeard', { detail: detailOf(error) }));
    } finally {
      if (now === wanted.current) setBusy(false);
    }
  };
  const toggle = () => {
    if (!playing) return void play(kind, placeS >= toS - 0.05 ? fromS : placeS);
    heard?.pause();
    setPlaying(false);
  };
  const choose = (which: SoundKind) => {
    setKind(which);
    if (playing) void play(which, heard?.placeS ?? placeS);
  };
  const kinds: readonly SoundKind[] = [
    'played',
    'evened',
    ...(hasVibrato(take.record) ? (['evenedVibrato'] as const) : []),
    ...(bestId === undefined ? [] : (['asBest', 'best'] as const)),
  ];
  useKeyDown('input, textarea, button, a, select', (event) => {
    if (!audible || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === ' ') {
      event.preventDefault();
      toggle();
    } else if (event.key.toLowerCase() === 'e') choose(kinds[(kinds.indexOf(kind) + 1) % kinds.length]!);
  });
  const moveTo = (place: number) => {
    onPlace(place);
    if (playing) void heard?.play(place);
  };
  return { audible, kind, kinds, playing, busy, said, toggle, choose, moveTo };
}
