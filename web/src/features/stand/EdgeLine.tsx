import { chakra } from '@chakra-ui/react';
import { valueOf } from '@inner-hum/core/measure';
import type { TakeRecord } from '@inner-hum/core/take';
import { useTranslation } from 'react-i18next';
import { useEdges } from '../../shared/stored/useEdges';
import { formatNumber } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';

/** A tone that stood farther from its edge than this was in no danger, dB. */
const NEAR_DB = 6;

/** How near the take's tones came to the level at which they usually break: of the nearest that did not break, one line. */
export function EdgeLine({ take }: { readonly take: TakeRecord }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const edges = useEdges();
  const near = take.measures.flatMap((measure, i) => {
    const step = take.score.steps[i]!;
    const edge = edges.get(step.soundedMidi);
    if (measure.kind === 'silent' || !edge || step.partialNumber > 1) return [];
    const [broke, held] = [valueOf(measure.brokeUnderPDb), valueOf(measure.heldUnderPDb)];
    if (broke !== undefined || held === undefined) return [];
    return [{ note: nameOf(step.soundedMidi), leftDb: edge.underPDb - held, edge }];
  });
  const [nearest] = near.sort((a, b) => a.leftDb - b.leftDb);
  if (!nearest || nearest.leftDb > NEAR_DB) return null;
  const { note, leftDb, edge } = nearest;
  return (
    <chakra.p mt="10px" fontSize="lead" data-testid="edge">
      {t(leftDb >= 0 ? 'verdict.edge.above' : 'verdict.edge.below', {
        note,
        db: formatNumber(Math.abs(leftDb), 0),
        error: formatNumber(edge.uncertainty, 0),
        breaks: edge.breaks,
      })}
    </chakra.p>
  );
}
