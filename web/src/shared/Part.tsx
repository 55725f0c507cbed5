import { Box } from '@chakra-ui/react';
import { scoreToAbc, type Score } from '@inner-hum/core/exercise';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../store';

/** The written part of a score, drawn by the notation package, which is loaded when first needed. */
export function Part({ score }: { readonly score: Score }) {
  const { t } = useTranslation();
  const spelling = useAppSelector((state) => state.settings.spelling);
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    void import('abcjs').then(({ default: abc }) => {
      if (gone || !place.current) return;
      abc.renderAbc(place.current, scoreToAbc(score, spelling), {
        responsive: 'resize',
        staffwidth: 720,
        paddingtop: 4,
        paddingbottom: 4,
        paddingleft: 0,
        paddingright: 0,
        foregroundColor: 'currentColor',
        ariaLabel: t('exercise.score'),
      });
    });
    return () => void (gone = true);
  }, [score, spelling, t]);
  return <Box ref={place} color="ink" width="100%" data-testid="part" />;
}
