import { chakra, Flex } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Button, Field, Key, TextInput } from './controls';

/** Every key of the application; the Stand acts on most of them. */
export const SHORTCUTS = [
  ['start', ['Space']],
  ['pause', ['P']],
  ['leave', ['L']],
  ['again', ['R', 'Page Up']],
  ['next', ['→', 'Page Down']],
  ['home', ['B']],
  ['full', ['X']],
  ['hide', ['H']],
  ['click', ['C']],
  ['reference', ['N']],
  ['free', ['F']],
  ['tempo', ['−', '+']],
  ['note', ['↓', '↑']],
  ['evened', ['E']],
  ['switch', ['S']],
  ['help', ['?']],
] as const;

export function ShortcutsDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDialogElement>(null);
  const [wanted, want] = useState('');
  const fits = (text: string) => text.toLocaleLowerCase().includes(wanted.trim().toLocaleLowerCase());
  useEffect(() => {
    if (open) ref.current?.showModal();
    else ref.current?.close();
  }, [open]);
  return (
    <chakra.dialog
      ref={ref}
      onClose={() => {
        want('');
        onClose();
      }}
      aria-labelledby="shortcuts-title"
      m="auto"
      p="28px"
      bg="panel"
      color="ink"
      borderRadius="card"
      borderWidth="1.5px"
      borderColor="ink"
      maxWidth="480px"
      width="calc(100vw - 32px)"
      css={{ '&::backdrop': { background: 'rgb(0 0 0 / 0.45)' } }}
    >
      <chakra.h2 id="shortcuts-title" fontFamily="heading" fontSize="title" mb="14px">
        {t('shortcuts.title')}
      </chakra.h2>
      <Field label={t('shortcuts.find')} mb="8px">
        <TextInput value={wanted} onChange={(event) => want(event.target.value)} />
      </Field>
      <chakra.table width="100%">
        <tbody>
          {SHORTCUTS.filter(([id]) => fits(t(`shortcuts.rows.${id}`))).map(([id, keys]) => (
            <tr key={id}>
              <chakra.td py="5px">{t(`shortcuts.rows.${id}`)}</chakra.td>
              <chakra.td py="5px" textAlign="right" whiteSpace="nowrap">
                {keys.map((key) => (
                  <chakra.span key={key} ml="6px">
                    <Key>{key}</Key>
                  </chakra.span>
                ))}
              </chakra.td>
            </tr>
          ))}
        </tbody>
      </chakra.table>
      <chakra.p color="inkSoft" fontSize="small" mt="12px">
        {t('shortcuts.pedal')}
      </chakra.p>
      <Flex justify="space-between" align="center" gap="12px" mt="16px">
        <Link to="/guide" onClick={onClose}>
          {t('shortcuts.guide')}
        </Link>
        <Button onClick={onClose}>{t('app.close')}</Button>
      </Flex>
    </chakra.dialog>
  );
}
