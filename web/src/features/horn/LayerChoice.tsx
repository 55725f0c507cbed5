import { Flex } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { LAYERS, type LayerId } from '../../text/layers';

/** Which quantity is looked at. */
export function LayerChoice({
  chosen,
  onChoose,
}: {
  readonly chosen: LayerId;
  readonly onChoose: (layer: LayerId) => void;
}) {
  const { t } = useTranslation();
  return (
    <Flex role="radiogroup" aria-label={t('horn.layer')} gap="6px" wrap="wrap" mb="8px">
      {LAYERS.map(({ id }) => (
        <Button
          key={id}
          role="radio"
          aria-checked={id === chosen}
          tone={id === chosen ? 'plain' : 'quiet'}
          minHeight="40px"
          onClick={() => onChoose(id)}
        >
          {t(`horn.layers.${id}`)}
        </Button>
      ))}
    </Flex>
  );
}
