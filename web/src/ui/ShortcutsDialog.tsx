import { chakra, Flex } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Key } from './controls';

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
  useEffect(() => {
    if (open) ref.current?.showModal();
    else ref.current?.close();
  }, [open]);
  return (
    <chakra.dialog
      ref={ref}
      onClose={onClose}
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
      <chakra.table width="100%">
        <tbody>
          {SHORTCUTS.map(([id, keys]) => (
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
      <Flex justify="flex-end" mt="16px">
        <Button onClick={onClose}>{t('app.close')}</Button>
      </Flex>
    </chakra.dialog>
  );
}
