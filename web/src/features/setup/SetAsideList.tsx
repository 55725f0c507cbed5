import { Box, chakra, Flex } from '@chakra-ui/react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { saveFile } from '../../base/saveFile';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { detailOf } from '../../base/detailOf';
import { forgetSetAside, setAside } from '../../db/settings/storedSettings';

/** Settings that could not be read, as they were stored; nothing where there are none. */
export function SetAsideList() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const parts = useLiveQuery(() => setAside(), []) ?? [];
  if (parts.length === 0) return null;
  const save = () => saveFile('inner-hum-settings-aside.json', 'application/json', JSON.stringify(parts, null, 2));
  const remove = () =>
    forgetSetAside().catch((error: unknown) => {
      dispatch(noticed({ key: 'app.notDeleted', values: { detail: detailOf(error) } }));
    });
  return (
    <Box mt="28px" data-testid="set-aside">
      <chakra.h2 fontFamily="heading" fontSize="section" mb="6px">
        {t('setUp.aside')}
      </chakra.h2>
      <chakra.p color="inkSoft" mb="8px">
        {t('setUp.asideHelp')}
      </chakra.p>
      <chakra.ul pl="18px" mb="10px" maxHeight="12rem" overflowY="auto">
        {parts.map(({ path, reason, value }, index) => (
          <li key={index}>
            <strong>{path}</strong>: {reason}{' '}
            <chakra.span color="inkSoft" overflowWrap="anywhere">
              {String(JSON.stringify(value)).slice(0, LONGEST_SHOWN)}
            </chakra.span>
          </li>
        ))}
      </chakra.ul>
      <Flex gap="10px" wrap="wrap">
        <Button onClick={save}>{t('setUp.asideSave')}</Button>
        <Button tone="quiet" onClick={() => void remove() /* tells its own failure */}>
          {t('setUp.asideRemove')}
        </Button>
      </Flex>
    </Box>
  );
}

const LONGEST_SHOWN = 120;
