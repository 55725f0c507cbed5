import { familyById } from '@inner-hum/core/families';
import { expect, it } from 'vitest';
import { i18next } from '../../text/i18n';
import { optionText } from '../../text/optionText';
import { widthOf } from './FieldControl';

it('a key is written by its own name, also after its width was asked for', () => {
  const key = familyById('fullSpanScale').fields['key']!;
  expect(widthOf(key, i18next.t)).toBeUndefined();
  expect(key.kind === 'choice' && key.options.map((option) => optionText(i18next.t, option))).toEqual(
    key.kind === 'choice' && key.options,
  );
  expect(optionText(i18next.t, 'dorian')).toBe('Dorian');
});
