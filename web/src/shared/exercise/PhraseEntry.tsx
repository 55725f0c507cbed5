import { Flex } from '@chakra-ui/react';
import { isPhrase, parsePhrase, phraseText } from '@inner-hum/core/exercise';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Choice } from '../../ui/controls';
import { ScoreEntry } from './ScoreEntry';
import { useNoteName } from '../../text/useNoteName';
import { useHorn } from '../../store/useHorn';

/** Beats as they are typed; a third is of a triplet. */
const LENGTHS = { '1/3': 1 / 3, '0.5': 0.5, '1': 1, '2': 2, '4': 4 } as const;
const LENGTH_IDS = ['1/3', '0.5', '1', '2', '4'] as const satisfies readonly (keyof typeof LENGTHS)[];
const FIRST_SHOWN_MIDI = 70;

/** Other ways to a phrase than typing it: note by note, or from a score file with a choice of its parts. */
export function PhraseEntry({
  phrase,
  onPhrase,
}: {
  readonly phrase: string;
  readonly onPhrase: (text: string) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const horn = useHorn();
  const [midi, setMidi] = useState(FIRST_SHOWN_MIDI);
  const [beats, setBeats] = useState<keyof typeof LENGTHS>('1');
  const notes = parsePhrase(phrase);
  const shorter = phraseText(notes.slice(0, -1));
  const choices = Array.from({ length: 45 }, (_, i) => String(horn.lowestWrittenMidi + i));
  return (
    <Flex gap="10px" align="flex-end" wrap="wrap" mt="10px">
      <Choice
        label={t('overtones.nextNote')}
        value={String(midi)}
        options={choices}
        textOf={(text) => nameOf(Number(text))}
        onChange={(text) => setMidi(Number(text))}
      />
      <Choice
        label={t('fields.beats')}
        value={beats}
        options={LENGTH_IDS}
        textOf={(choice) => choice}
        onChange={setBeats}
      />
      <Button
        disabled={notes.length >= MOST_NOTES}
        onClick={() => onPhrase(phraseText([...notes, { midi, beats: LENGTHS[beats] }]))}
      >
        {t('overtones.addNote')}
      </Button>
      <Button disabled={!isPhrase(shorter)} onClick={() => onPhrase(shorter)}>
        {t('overtones.dropNote')}
      </Button>
      <ScoreEntry mostNotes={MOST_NOTES} onPhrase={onPhrase} />
    </Flex>
  );
}

/** What a phrase can hold of an imported part. */
const MOST_NOTES = 64;
