import { Box, chakra, Flex } from '@chakra-ui/react';
import { familyById, usualExercise } from '@inner-hum/core/families';
import type { OwnCell } from '@inner-hum/core/map';
import { expectedSuccess, regularFingering, sourceKey, sourcesOf, type Source } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { Fingering } from '../../shared/exercise/Fingering';
import { formatDate, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { usePartialName } from '../../text/usePartialName';
import { useHorn } from '../../store/useHorn';

/** All sources of a note with offset and own success, its regular fingering beside them. */
export function SourcesOf({ midi, own }: { readonly midi: number; readonly own: ReadonlyMap<string, OwnCell> }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const horn = useHorn();
  const regular = regularFingering(horn, midi);
  const sources = sourcesOf(horn, midi).filter((source) => source.partialNumber > 1);
  return (
    <chakra.aside aria-live="polite">
      <SectionTitle fontSize="place">{nameOf(midi)}</SectionTitle>
      {regular ? (
        <Box mb="14px">
          <chakra.p color="inkSoft" fontSize="small">
            {t('overtones.regular')}
          </chakra.p>
          <Fingering instrumentId={horn.hornId} keys={regular} label={nameOf(midi)} />
        </Box>
      ) : (
        <p>{t('overtones.noRegular')}</p>
      )}
      {sources.length === 0 && <p>{t('overtones.noSource')}</p>}
      {sources.map((source) => (
        <SourceRow key={sourceKey(source)} source={source} own={own.get(sourceKey(source))} matched={!!regular} />
      ))}
    </chakra.aside>
  );
}

function SourceRow({
  source,
  own,
  matched,
}: {
  readonly source: Source;
  readonly own: OwnCell | undefined;
  readonly matched: boolean;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const partialName = usePartialName();
  const open = useOpenExercise();
  const { hornId } = useHorn();
  const { partialNumber, tubeMidi, fingeredMidi, octaveKey } = source;
  const practise = () => {
    const usual = (family: string) => usualExercise(familyById(family), hornId);
    if (octaveKey) open({ ...usual('shortTwelfths'), writtenMidi: fingeredMidi, notes: 1 });
    else if (matched && partialNumber <= 8)
      open({ ...usual('overtoneMatch'), writtenMidi: tubeMidi, partial: partialNumber });
    else open({ ...usual('altissimoVoicing'), writtenMidi: tubeMidi, partial: Math.min(9, partialNumber) });
  };
  const tried = own && own.tries.of > 0;
  return (
    <Flex borderTopWidth="1px" borderColor="line" py="8px" gap="12px" align="center">
      <Box flex="1 1 0">
        <chakra.p fontWeight={600}>
          {t('overtones.sourceName', { fingered: nameOf(fingeredMidi), partial: partialName(partialNumber) })}
        </chakra.p>
        <chakra.p fontSize="small" color="inkSoft">
          {t(octaveKey ? 'overtones.octaveKey' : `overtones.${source.length}`)} ·{' '}
          {t('overtones.naturally', { cents: formatSigned(source.offsetCents, 0) })}
          {own?.offsetCents !== undefined && ` · ${t('overtones.yours', { cents: formatSigned(own.offsetCents, 0) })}`}
        </chakra.p>
        <chakra.p fontSize="small" color="inkSoft">
          {tried
            ? t('overtones.tried', {
                ...own.tries,
                percent: Math.round(100 * expectedSuccess(source.prior, own.tries)),
                date: formatDate(own.newestMs, 'day'),
              })
            : t('overtones.usually', { percent: Math.round(100 * expectedSuccess(source.prior)) })}
        </chakra.p>
      </Box>
      <Button onClick={practise}>{t('overtones.practise')}</Button>
    </Flex>
  );
}
