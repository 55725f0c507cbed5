import { Flex } from '@chakra-ui/react';
import { FAMILIES, freePlay } from '@inner-hum/core/families';
import { SETUP_PARTS } from '@inner-hum/core/history';
import { INSTRUMENTS } from '@inner-hum/core/theory';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import type { TakeFilter } from '../../db/search';
import { Button, Choice, Field, TextInput } from '../../ui/controls';
import { useNoteName } from '../../text/useNoteName';
import { useAppSelector } from '../../store';
import { tableText } from '../../text/tableText';

const KINDS = ['size', 'note', 'family', 'finding', 'gear'] as const;
const NOTES = Array.from({ length: 46 }, (_, i) => String(57 + i));

/** The filter of the Log, kept in the address so that a page can be gone back to. */
export function useTakeFilter(): TakeFilter {
  const [search] = useSearchParams();
  return {
    tags: KINDS.flatMap((kind) => {
      const value = search.get(kind);
      return value ? [kind === 'gear' ? value : `${kind}:${value}`] : [];
    }),
    since: search.get('since') ?? '',
  };
}

/** @param children what stands in the same row */
export function LogFilter({ children }: { readonly children: ReactNode }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const [search, setSearch] = useSearchParams();
  const gear = useAppSelector((state) => state.settings.gear);
  const put = (kind: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value === '') next.delete(kind);
    else next.set(kind, value);
    setSearch(next, { replace: true });
  };
  const [opened, open] = useState(false);
  const any = t('log.filter.any');
  const choice = (kind: (typeof KINDS)[number], options: readonly string[], textOf: (text: string) => string) => (
    <Choice
      label={t(`log.filter.${kind}`)}
      value={search.get(kind) ?? ''}
      options={['', ...options]}
      textOf={(text) => (text === '' ? any : textOf(text))}
      onChange={(text) => put(kind, text)}
    />
  );
  const parts = SETUP_PARTS.flatMap((part) =>
    [...new Set(gear.filter((item) => item.part === part).map((item) => item.name))].map((name) => `${part}:${name}`),
  );
  return (
    <>
      {/* A phone shows the takes first. */}
      <Button tone="quiet" hideFrom="md" aria-expanded={opened} onClick={() => open(!opened)}>
        {t('log.filter.open')}
      </Button>
      <Flex
        display={opened ? 'flex' : { base: 'none', md: 'flex' }}
        gap="10px"
        wrap="wrap"
        align="flex-end"
        my="12px"
        css={{ '& label': { maxWidth: { base: '47%', md: '150px' } } }}
      >
        {choice(
          'size',
          INSTRUMENTS.map((instrument) => instrument.id),
          (id) => tableText(t, `instruments.${id}`),
        )}
        {choice('note', NOTES, (midi) => nameOf(Number(midi)))}
        {choice(
          'family',
          [...FAMILIES, freePlay].map((family) => family.id),
          (id) => tableText(t, `families.${id}.name`),
        )}
        {choice('finding', Object.keys(t('log.findings', { returnObjects: true })), (id) =>
          tableText(t, `log.findings.${id}`),
        )}
        {parts.length > 0 &&
          choice('gear', parts, (tag) =>
            t('compare.part', {
              part: tableText(t, `gear.parts.${tag.split(':')[0]}`),
              name: tag.slice(tag.indexOf(':') + 1),
            }),
          )}
        <Field label={t('log.filter.since')}>
          <TextInput
            type="date"
            value={search.get('since') ?? ''}
            onChange={(event) => put('since', event.target.value)}
          />
        </Field>
        {[...search.keys()].length > 0 && (
          <Button tone="quiet" onClick={() => setSearch({}, { replace: true })}>
            {t('log.filter.clear')}
          </Button>
        )}
        {children}
      </Flex>
    </>
  );
}
