import { chakra, Flex } from '@chakra-ui/react';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { feedersOf, hornMap, passageRisks, type PassageRisk } from '@inner-hum/core/plan';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useCells } from '../../shared/stored/useCells';
import { useAppDispatch, useAppSelector } from '../../store';
import { entry } from '../../store/lists';
import { noticed } from '../../store/notices';
import { exerciseOf, listsChanged, rulerOf, scoreOf } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { exerciseTitle } from '../../text/exerciseText';
import { formatNumber, formatSigned } from '../../text/format';
import { needText } from '../../text/needText';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';

/** What of the passage is risky by the player's own map, and short exercises that feed it, before the passage again. */
export function PassageRisks() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const open = useOpenExercise();
  const settings = useAppSelector((state) => state.settings);
  const { hornId } = useHorn();
  const cells = useCells();
  const score = scoreOf(settings);
  const { softestDb, loudestDb } = rulerOf(settings);
  const risks = useMemo(
    () => cells && passageRisks(score, hornMap(cells), hornId, loudestDb - softestDb),
    [cells, score, hornId, softestDb, loudestDb],
  );
  if (!risks) return null;
  const feeders = feedersOf(risks);
  const why = (risk: PassageRisk) => {
    if (risk.kind === 'need') return needText(t, nameOf, risk.need);
    if (risk.kind === 'edge')
      return t(risk.leftDb >= 0 ? 'passage.edge' : 'passage.beyond', {
        note: nameOf(risk.midi),
        db: formatNumber(Math.abs(risk.leftDb), 0),
      });
    const { quantity, lower, upper, step, z } = risk.seam;
    const { factor, digits } = QUANTITY_ROWS[quantity];
    return t(`horn.seams.${quantity}`, {
      ...{ lower: nameOf(lower), upper: nameOf(upper), z: formatNumber(z, 1) },
      step: formatSigned(step * factor, digits),
    });
  };
  const put = () => {
    const after = [...feeders, exerciseOf(settings)];
    dispatch(listsChanged(after.map((exercise) => entry.added('block', exercise))));
    dispatch(noticed({ key: 'passage.put' }));
  };
  return (
    <chakra.section mt="22px" data-testid="passage-risks">
      <SectionTitle>{t('passage.title')}</SectionTitle>
      {risks.length === 0 && <p>{t(cells?.length === 0 ? 'passage.noMap' : 'passage.none')}</p>}
      <chakra.ul listStyleType="disc" pl="1.2em">
        {risks.map((risk) => (
          <li key={`${risk.kind} ${risk.steps.join(' ')}`}>
            {t('passage.at', { count: risk.steps.length, notes: risk.steps.map((i) => i + 1).join(', ') })} {why(risk)}
          </li>
        ))}
      </chakra.ul>
      {feeders.length > 0 && (
        <Flex gap="10px" wrap="wrap" mt="10px">
          {feeders.map((feeder, i) => (
            <Button key={i} tone="quiet" onClick={() => open(feeder)}>
              {exerciseTitle(t, feeder, nameOf)}
            </Button>
          ))}
          <Button onClick={put}>{t('passage.toBlock')}</Button>
        </Flex>
      )}
    </chakra.section>
  );
}
