import { Box, chakra, Flex } from '@chakra-ui/react';
import { STAGES } from '@inner-hum/core/families';
import { FAMILIES, familyById } from '@inner-hum/core/families';
import { Star } from 'lucide-react';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppDispatch, useAppSelector } from '../../store';
import { Choice } from '../../ui/controls';
import { settingsChanged } from '../../store/settings';

/** The families in the order of a practice, the player's favourites before them. */
export function FamilyList({ chosen, onChoose }: { readonly chosen: string; readonly onChoose: (id: string) => void }) {
  const { t } = useTranslation();
  const favourites = useAppSelector((state) => state.settings.favourites);
  const row = (id: string) => (
    <FamilyRow key={id} id={id} chosen={id === chosen} favourite={favourites.includes(id)} onChoose={onChoose} />
  );
  return (
    <chakra.nav aria-label={t('exercise.title')} _print={{ display: 'none' }}>
      {favourites.length > 0 && (
        <Group title={t('exercise.favourites')}>{favourites.map((id) => row(familyById(id).id))}</Group>
      )}
      {STAGES.map((stage) => {
        const rest = FAMILIES.filter((family) => family.stage === stage && !favourites.includes(family.id));
        return (
          rest.length > 0 && (
            <Group key={stage} title={t(`stages.${stage}`)}>
              {rest.map((family) => row(family.id))}
            </Group>
          )
        );
      })}
    </chakra.nav>
  );
}

/** The same as one choice, where a list would push the exercise out of sight. */
export function FamilyChoice(props: { readonly chosen: string; readonly onChoose: (id: string) => void }) {
  const { t } = useTranslation();
  return (
    <Choice
      label={t('exercise.family')}
      value={props.chosen}
      options={FAMILIES.map((family) => family.id)}
      textOf={(id) => t(`families.${id}.name`)}
      onChange={props.onChoose}
    />
  );
}

function Group({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Box mb="14px">
      <chakra.h2 fontSize="0.88rem" color="inkSoft" fontWeight={600} mb="2px">
        {title}
      </chakra.h2>
      {children}
    </Box>
  );
}

function FamilyRow({
  id,
  chosen,
  favourite,
  onChoose,
}: {
  readonly id: string;
  readonly chosen: boolean;
  readonly favourite: boolean;
  readonly onChoose: (id: string) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const favourites = useAppSelector((state) => state.settings.favourites);
  const turn = () =>
    dispatch(
      settingsChanged({ favourites: favourite ? favourites.filter((text) => text !== id) : [...favourites, id] }),
    );
  return (
    <Flex align="center">
      <chakra.button
        flex="1 1 0"
        textAlign="left"
        minHeight="36px"
        px="10px"
        borderLeftWidth="3px"
        borderColor={chosen ? 'accent' : 'transparent'}
        fontWeight={chosen ? 700 : 400}
        cursor="pointer"
        aria-current={chosen}
        _hover={{ bg: 'channel' }}
        onClick={() => onChoose(id)}
      >
        {t(`families.${id}.name`)}
      </chakra.button>
      {(chosen || favourite) && (
        <chakra.button
          width="36px"
          height="36px"
          display="grid"
          placeItems="center"
          cursor="pointer"
          aria-pressed={favourite}
          aria-label={t(favourite ? 'exercise.unfavour' : 'exercise.favour')}
          title={t(favourite ? 'exercise.unfavour' : 'exercise.favour')}
          onClick={turn}
        >
          <Star size={18} fill={favourite ? 'currentColor' : 'none'} aria-hidden />
        </chakra.button>
      )}
    </Flex>
  );
}
