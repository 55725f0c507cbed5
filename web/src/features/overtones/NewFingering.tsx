import { chakra, Flex } from '@chakra-ui/react';
import { fingeringText, keysOf, type KeyId } from '@inner-hum/core/theory';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { Fingering } from '../../shared/exercise/Fingering';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { useHorn } from '../../store/useHorn';

/** A key diagram to press keys on, kept as an own fingering of the note. */
export function NewFingering({ midi }: { readonly midi: number }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const { instrumentId, fingerings } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const [keys, setKeys] = useState<readonly KeyId[]>(['octave']);
  const order = keysOf(horn).map((key) => key.id);
  const toggle = (key: KeyId) =>
    setKeys(order.filter((choice) => (choice === key ? !keys.includes(choice) : keys.includes(choice))));
  const text = fingeringText(keys);
  const known = fingerings.some(
    (fingering) =>
      fingering.instrumentId === instrumentId && fingering.midi === midi && fingeringText(fingering.keys) === text,
  );
  return (
    <chakra.section borderTopWidth="2px" borderColor="ink" mt="18px" pt="10px" _print={{ display: 'none' }}>
      <SectionTitle>{t('notebook.new', { note: nameOf(midi) })}</SectionTitle>
      <chakra.p color="inkSoft" mb="8px">
        {t('notebook.newHelp')}
      </chakra.p>
      <Flex gap="20px" align="center" wrap="wrap">
        <Fingering instrumentId={horn.hornId} keys={keys} onToggle={toggle} width="420px" />
        <Button
          disabled={keys.length === 0 || known}
          onClick={() =>
            dispatch(settingsChanged({ fingerings: [...fingerings, { instrumentId, midi, keys: [...keys] }] }))
          }
        >
          {known ? t('notebook.known') : t('notebook.keep')}
        </Button>
      </Flex>
    </chakra.section>
  );
}
