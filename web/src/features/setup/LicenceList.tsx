import { chakra } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Fold } from '../../ui/Fold';
import { HOME } from '../../base/home';
import type { Licence } from './licence';

/** Whose work the application is built on, with the licence of each; read when it is opened. */
export function LicenceList() {
  const { t } = useTranslation();
  return (
    <Fold title={t('setUp.licences')} later>
      <Licences />
    </Fold>
  );
}

function Licences() {
  const { t } = useTranslation();
  const [all, setAll] = useState<readonly Licence[] | 'failed'>();
  useEffect(() => {
    fetch(`${HOME}licences.json`)
      .then((response) => (response.ok ? (response.json() as Promise<Licence[]>) : Promise.reject(new Error())))
      .then(setAll, () => setAll('failed'));
  }, []);
  if (all === undefined) return <p>{t('app.loading')}</p>;
  if (all === 'failed') return <p role="alert">{t('setUp.licencesFailed')}</p>;
  return (
    <chakra.ul listStyleType="none" maxHeight="26rem" overflowY="auto" data-testid="licences" tabIndex={0}>
      {all.map(({ name, version, licence, text }) => (
        <li key={name}>
          <details>
            <chakra.summary cursor="pointer" minHeight="32px">
              {name} {version} · {licence}
            </chakra.summary>
            <chakra.pre fontSize="small" whiteSpace="pre-wrap" overflowWrap="anywhere" my="6px">
              {text || t('setUp.licenceWithout')}
            </chakra.pre>
          </details>
        </li>
      ))}
    </chakra.ul>
  );
}
