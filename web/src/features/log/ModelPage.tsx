import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Model } from '@inner-hum/core/take';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { WorkerService } from '../../base/workerService';
import { detailOf } from '../../base/detailOf';
import { database, type ShelfRow, type ShelfSoundRow } from '../../db/database';
import { markedPart, markOnShelf } from '../../db/shelf';
import { takeSetupNow } from '../../practice/planNow';
import type { ModelService } from '../../practice/model.worker';
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
  const sound = useLiveQuery(async () => (await database.shelfSounds.get(id)) ?? null, [id]);
  if (row === undefined || sound === undefined) return <p>{t('app.loading')}</p>;
  if (row === null || sound === null)
    return (
      <chakra.p mt="32px" fontSize="lead">
        {t('shelf.gone')} <Link to="/log/shelf">{t('shelf.title')}</Link>
      </chakra.p>
    );
  const { lengthS } = row;
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
      <Tones key={`${row.fromS} ${row.toS}`} row={row} sound={sound} />
      <chakra.p color="inkSoft" mt="22px" maxWidth="52rem">
        {t('shelf.cannotSay')}
      </chakra.p>
    </Box>
  );
}

/** What the marked part tells: its held tones, one of them opened. */
function Tones({ row, sound }: { readonly row: ShelfRow; readonly sound: ShelfSoundRow }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const part = useMemo(() => markedPart(sound, row), [sound, row]);
  const { model, failed } = useModel(part, sound.sampleRateHz, row);
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
      <ModelTone key={tone.fromS} tone={tone} samples={part} sampleRateHz={sound.sampleRateHz} />
    </>
  );
}

/** The marked part as an ear hears it: one of its own, so that the ear of a take is never kept waiting. */
function useModel(part: Float32Array<ArrayBuffer>, sampleRateHz: number, { addedAt, name }: ShelfRow) {
  const { hornId } = useHorn();
  const [found, setFound] = useState<{ readonly model?: Model; readonly failed?: string }>({});
  useEffect(() => {
    let gone = false;
    const show = (next: typeof found) => void (gone || setFound(next));
    const setup = takeSetupNow(store.getState().settings);
    const wish = { startedAt: addedAt, setup, source: { kind: 'file', name }, hornId } as const;
    const worker = new WorkerService<ModelService>(
      () => new Worker(new URL('../../practice/model.worker.ts', import.meta.url), { type: 'module' }),
    );
    worker.ask.modelOf(part, sampleRateHz, wish).then(
      (model) => show({ model }),
      (error: unknown) => show({ failed: detailOf(error) }),
    );
    return () => {
      gone = true;
      worker.end();
    };
  }, [part, sampleRateHz, addedAt, name, hornId]);
  return found;
}
