import { chakra } from '@chakra-ui/react';
import { hornPatterns, type NoteOnMap } from '@inner-hum/core/map';
import { useTranslation } from 'react-i18next';
import { patternText } from '../../text/patternText';
import { useNoteName } from '../../text/useNoteName';

/** What the whole map shows, where it shows something plain. */
export function PatternNote({ notes }: { readonly notes: readonly NoteOnMap[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const patterns = hornPatterns(notes);
  if (patterns.length === 0) return null;
  return (
    <chakra.section
      aria-label={t('patterns.title')}
      data-testid="pattern"
      borderTopWidth="2px"
      borderColor="ink"
      py="10px"
    >
      {patterns.map((pattern) => {
        const { what, causes, tell } = patternText(t, nameOf, pattern);
        return (
          <chakra.div key={pattern.kind} _notFirst={{ mt: '14px' }}>
            <chakra.p fontFamily="heading" fontSize="lead">
              {what}
            </chakra.p>
            <chakra.p mt="4px">{causes}</chakra.p>
            <chakra.p mt="4px">{tell}</chakra.p>
          </chakra.div>
        );
      })}
    </chakra.section>
  );
}
