import { chakra, Flex } from '@chakra-ui/react';
import { isPhrase, parsePhrase, phraseText, type PhraseNote } from '@inner-hum/core/exercise';
import type { ImportedPart } from '@inner-hum/core/formats';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Choice } from '../../ui/controls';
import { FileButton } from '../../ui/FileButton';
import { useNoteName } from '../../text/useNoteName';
import { useHorn } from '../../store/useHorn';

const LENGTHS = ['0.5', '1', '2', '4'] as const;
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
  const [beats, setBeats] = useState<(typeof LENGTHS)[number]>('1');
  const [parts, setParts] = useState<readonly ImportedPart[]>([]);
  const [refusal, setRefusal] = useState('');
  /** how much of a score is read, 0–1, while one is */
  const [share, setShare] = useState<number>();
  const notes = parsePhrase(phrase);
  const shorter = phraseText(notes.slice(0, -1));
  const choices = Array.from({ length: 45 }, (_, i) => String(horn.lowestWrittenMidi + i));
  const read = async (file: File) => {
    setRefusal('');
    setShare(0);
    const { readScore } = await import('./readScore');
    const found = await readScore(file, setShare);
    setShare(undefined);
    if (!found) return;
    setRefusal(found.kind === 'refused' ? t(`overtones.file.${found.reason}`, { detail: found.detail }) : '');
    setParts(found.kind === 'parts' ? found.parts : []);
    if (found.kind === 'parts' && found.parts.length === 1) await takePart(found.parts[0]!);
  };
  const takePart = async (part: ImportedPart) => {
    const { forHorn } = await import('@inner-hum/core/formats');
    const text = phraseText(firstNotes(forHorn(part, horn, true)));
    // Notes so high or low that they have no name here leave nothing to play.
    if (isPhrase(text)) onPhrase(text);
    else setRefusal(t('overtones.file.noNotes', { detail: part.name }));
  };
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
        options={LENGTHS}
        textOf={(choice) => choice}
        onChange={setBeats}
      />
      <Button
        disabled={notes.length >= MOST_NOTES}
        onClick={() => onPhrase(phraseText([...notes, { midi, beats: Number(beats) }]))}
      >
        {t('overtones.addNote')}
      </Button>
      <Button disabled={!isPhrase(shorter)} onClick={() => onPhrase(shorter)}>
        {t('overtones.dropNote')}
      </Button>
      <FileButton accept=".musicxml,.xml,.mxl,.mid,.midi" testId="phrase-file" onFile={(file) => void read(file)}>
        {t('overtones.readScore')}
      </FileButton>
      {share !== undefined && (
        <chakra.span role="status">
          {t('log.workingAt', { percent: Math.round(100 * share) })}{' '}
          <Button tone="quiet" onClick={() => void import('./readScore').then(({ stopScore }) => stopScore())}>
            {t('stand.stop')}
          </Button>
        </chakra.span>
      )}
      {parts.length > 1 && (
        <Choice
          label={t('overtones.part')}
          value=""
          options={['', ...parts.map((_, i) => String(i))]}
          textOf={(text) => (text === '' ? t('overtones.choosePart') : parts[Number(text)]!.name)}
          onChange={(text) => text !== '' && void takePart(parts[Number(text)]!)}
        />
      )}
      {refusal && (
        <chakra.p role="alert" color="accent" fontWeight={600} width="100%">
          {refusal}
        </chakra.p>
      )}
    </Flex>
  );
}

/** What a phrase can hold of an imported part. */
const MOST_NOTES = 64;

function firstNotes(notes: readonly PhraseNote[]): readonly PhraseNote[] {
  return notes.slice(0, MOST_NOTES);
}
