import { chakra, Flex } from '@chakra-ui/react';
import { HORN_OPTIONS } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { buildKey, type HornBuild } from '../../db/settings/horn';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { Field, TextInput, Tick } from '../../ui/controls';

/** Which keys the present horn has; of two horns of one size that are told apart by name, each its own. */
export function BuildOfHorn() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const key = buildKey(settings);
  const build = settings.builds[key] ?? {};
  const change = (part: HornBuild) =>
    dispatch(settingsChanged({ builds: { ...settings.builds, [key]: { ...build, ...part } } }));
  return (
    <chakra.fieldset border="none" p={0} m={0}>
      <chakra.legend fontWeight={600}>{t('gear.build.title')}</chakra.legend>
      <chakra.p color="inkSoft" fontSize="small" mb="6px">
        {t('gear.build.help')}
      </chakra.p>
      <Flex wrap="wrap" columnGap="22px" rowGap="4px" mb="8px">
        {HORN_OPTIONS.map((option) => (
          <Tick
            key={option}
            label={t(`gear.build.${option}`)}
            checked={horn.keys[option]}
            onChange={(has) => change({ [option]: has })}
          />
        ))}
      </Flex>
      <Field label={t('gear.build.year')} width="220px">
        <TextInput value={build.year ?? ''} maxLength={40} onChange={(event) => change({ year: event.target.value })} />
      </Field>
    </chakra.fieldset>
  );
}
