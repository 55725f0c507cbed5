import { chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';

/** A word where it stands, with the way to what it means. */
export function Term({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <chakra.span
      css={{ '& a': { textDecoration: 'underline dotted', textUnderlineOffset: '0.25em', color: 'inherit' } }}
    >
      <Link to={`/guide#${id}`} title={t('guide.meaning')}>
        {children}
      </Link>
    </chakra.span>
  );
}
