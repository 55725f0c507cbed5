import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Model } from '@inner-hum/core/take';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { detailOf } from '../../base/detailOf';
import { database, type ShelfRow } from '../../db/database';
import { markedPart, markOnShelf } from '../../db/shelf';
import { takeSetupNow } from '../../practice/planNow';
import { usePageSound } from '../../practice/usePageSound';
import { store } from '../../store';
import { useHorn } from '../../store/useHorn';
import { formatNumber } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { NumberField } from '../../ui/NumberField';
import { PageTitle } from '../../ui/PageTitle';
import { ModelTone } from './ModelTone';

/** A recording from the shelf: the part that is learnt from, its tones, each beside an own one. */
export default function ModelPage() {
  const { id = '' } = useParams();
  const { t } = useTranslation();
  const row = useLiveQuery(async () => (await database.shelf.get(id)) ?? null, [id]);
  if (row === undefined) return <p>{t('app.loading')}</p>;
  if (row === null)
    return (
      <chakra.p mt="32px" fontSize="lead">
        {t('shelf.gone')} <Link to="/log/shelf">{t('shelf.title')}</Link>
      </chakra.p>
    );
  const lengthS = row.samples.length / row.sampleRateHz;
  const mark = (fromS: number, toS: number) => void markOnShelf(id, fromS, toS);
  return (
    <Box maxWidth="76rem" pb="40px">
      <PageTitle title={row.name}>
        <Link to="/log/shelf">{t('shelf.title')}</Link>
      </PageTitle>
      <Flex gap="12px" wrap="wrap" align="flex-end">
        <NumberField
          label={t('shelf.from')}
          value={Math.round(row.fromS)}
          min={0}
          max={Math.max(0, Math.ceil(row.toS) - 1)}
          onChange={(fromS) => mark(fromS, row.toS)}
        />
        <NumberField
          label={t('shelf.to')}
          value={Math.ceil(row.toS)}
          min={Math.floor(row.fromS) + 1}
          max={Math.ceil(lengthS)}
          onChange={(toS) => mark(row.fromS, Math.min(lengthS, toS))}
        />
      </Flex>
      <Tones key={`${row.fromS} ${row.toS}`} row={row} />
      <chakra.p color="inkSoft" mt="22px" maxWidth="52rem">
        {t('shelf.cannotSay')}
      </chakra.p>
    </Box>
  );
}

/** What the marked part tells: its held tones, one of them opened. */
function Tones({ row }: { readonly row: ShelfRow }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { model, failed } = useModel(row);
  const [chosen, choose] = useState(0);
  if (!model)
    return <chakra.p mt="16px">{failed ? t('shelf.notHeard', { detail: failed }) : t('log.working')}</chakra.p>;
  if (model.kind !== 'heard') return <chakra.p mt="16px">{t(`shelf.${model.kind}`)}</chakra.p>;
  const tone = model.tones[chosen]!;
  return (
    <>
      <Flex role="group" aria-label={t('shelf.tones')} gap="6px" wrap="wrap" mt="16px" mb="16px">
        {model.tones.map(({ writtenMidi, fromS }, i) => (
          <Button
            key={fromS}
            tone={i === chosen ? 'plain' : 'quiet'}
            aria-pressed={i === chosen}
            onClick={() => choose(i)}
          >
            {t('shelf.tone', { note: nameOf(writtenMidi), seconds: formatNumber(row.fromS + fromS, 1) })}
          </Button>
        ))}
      </Flex>
      <ModelTone key={tone.fromS} tone={tone} samples={markedPart(row)} sampleRateHz={row.sampleRateHz} />
    </>
  );
}

/** The marked part as the ear hears it, asked of the worker. */
function useModel(row: ShelfRow) {
  const { ear } = usePageSound();
  const { hornId } = useHorn();
  const [found, setFound] = useState<{ readonly model?: Model; readonly failed?: string }>({});
  useEffect(() => {
    let gone = false;
    const show = (next: typeof found) => void (gone || setFound(next));
    const wish = {
      startedAt: row.addedAt,
      setup: takeSetupNow(store.getState().settings),
      source: { kind: 'file', name: row.name },
      hornId,
    } as const;
    ear.ask.modelOf(markedPart(row), row.sampleRateHz, wish).then(
      (model) => show({ model }),
      (error: unknown) => show({ failed: detailOf(error) }),
    );
    return () => void (gone = true);
  }, [ear, row, hornId]);
  return found;
}
