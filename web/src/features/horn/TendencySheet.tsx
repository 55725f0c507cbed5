import { Box, chakra, Flex } from '@chakra-ui/react';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { ofNote } from '@inner-hum/core/map';
import { tendencyCsv } from '@inner-hum/core/formats';
import { useTranslation } from 'react-i18next';
import { noonOf } from '../../base/days';
import { useDay } from '../../shared/page/useDay';
import { Button } from '../../ui/controls';
import { formatDate, formatNumber, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { PatternNote } from '../../shared/exercise/PatternNote';
import { saveFile } from '../../base/saveFile';
import { useNoteName } from '../../text/useNoteName';
import { useAppSelector } from '../../store';
import { useHornMap } from './useHornMap';
import { useHorn } from '../../store/useHorn';

/** Cents per note at three dynamics, as players keep by hand: to print and as CSV. */
export function TendencySheet() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { instrumentId, a4Hz } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const today = noonOf(useDay());
  const { notes = [], setups, chosen } = useHornMap();
  const midis = Array.from(
    { length: horn.highestKeyedWrittenMidi - horn.lowestWrittenMidi + 1 },
    (_, i) => horn.lowestWrittenMidi + i,
  );
  const rows = midis.map((midi) => {
    const note = notes.find((noteOnMap) => noteOnMap.midi === midi);
    const cents = LOUDNESS_BANDS.map((band) => {
      const known = note ? ofNote(note, 'pitchCentreCents', band) : undefined;
      return known?.kind === 'known' ? known : undefined;
    });
    return { midi, name: nameOf(midi), cents };
  });
  const setup = setups.find((choice) => choice.key === chosen)?.text;
  const save = () =>
    saveFile(
      'inner-hum-tendencies.csv',
      'text/csv',
      tendencyCsv(rows.map(({ name, cents }) => ({ name, soft: cents[0], medium: cents[1], loud: cents[2] }))),
    );
  const half = Math.ceil(rows.length / 2);
  return (
    <Box maxWidth="60rem">
      <Flex gap="12px" mb="12px" _print={{ display: 'none' }}>
        <Button tone="strong" onClick={() => window.print()}>
          {t('sheet.print')}
        </Button>
        <Button onClick={save}>{t('sheet.csv')}</Button>
      </Flex>
      <SectionTitle>{t('sheet.title', { horn: t(`instruments.${instrumentId}`) })}</SectionTitle>
      <chakra.p color="inkSoft" mb="10px">
        {[setup, t('sheet.a4', { hz: a4Hz }), formatDate(today, 'long')].filter(Boolean).join(' · ')}
      </chakra.p>
      <PatternNote notes={notes} />
      <Flex gap="40px" wrap="wrap" _print={{ fontSize: '11pt', color: 'black' }}>
        {[rows.slice(0, half), rows.slice(half)].map((part) => (
          <chakra.table
            key={part[0]?.midi}
            flex="1 1 320px"
            css={{
              '& td, & th': { padding: '3px 8px', borderBottomWidth: '1px', borderColor: 'line', textAlign: 'right' },
            }}
          >
            <thead>
              <tr>
                <chakra.th css={{ textAlign: 'left !important' }}>{t('sheet.note')}</chakra.th>
                {LOUDNESS_BANDS.map((band) => (
                  <th key={band}>{t(`horn.bands.${band}`)}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {part.map(({ midi, name, cents }) => (
                <tr key={midi}>
                  <chakra.th scope="row" css={{ textAlign: 'left !important' }}>
                    {name}
                  </chakra.th>
                  {cents.map((known, i) => (
                    <td key={LOUDNESS_BANDS[i]}>
                      {known ? `${formatSigned(known.value, 0)} ±${formatNumber(known.uncertainty, 0)}` : ''}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </chakra.table>
        ))}
      </Flex>
      <chakra.p color="inkSoft" fontSize="small" mt="10px">
        {t('sheet.help')}
      </chakra.p>
    </Box>
  );
}
