import { chakra } from '@chakra-ui/react';
import { isPhrase, phraseText } from '@inner-hum/core/exercise';
import type { ImportedPart } from '@inner-hum/core/formats';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useHorn } from '../../store/useHorn';
import { Button, Choice } from '../../ui/controls';
import { FileButton } from '../../ui/FileButton';

/** A phrase from a score file, with a choice of its parts. */
export function ScoreEntry({
  mostNotes,
  onPhrase,
}: {
  readonly mostNotes: number;
  readonly onPhrase: (text: string) => void;
}) {
  const { t } = useTranslation();
  const horn = useHorn();
  const [parts, setParts] = useState<readonly ImportedPart[]>([]);
  const [refusal, setRefusal] = useState('');
  /** how much of a score is read, 0–1, while one is */
  const [share, setShare] = useState<number>();
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
    const text = phraseText(forHorn(part, horn, true).slice(0, mostNotes));
    // Notes so high or low that they have no name here leave nothing to play.
    if (isPhrase(text)) onPhrase(text);
    else setRefusal(t('overtones.file.noNotes', { detail: part.name }));
  };
  return (
    <>
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
    </>
  );
}
