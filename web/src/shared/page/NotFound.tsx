import { chakra } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';

/** An address that is none, also one below a place that is one. */
export function NotFound() {
  const { t } = useTranslation();
  return (
    <chakra.p mt="32px" fontSize="lead">
      {t('app.notFound')} <Link to="/stand">{t('app.toStand')}</Link>
    </chakra.p>
  );
}
