import { Box, chakra, Flex } from '@chakra-ui/react';
import { FAMILIES, STAGES, TOPICS, topicsOf, type Family, type Topic } from '@inner-hum/core/families';
import { Star } from 'lucide-react';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppDispatch, useAppSelector } from '../../store';
import { Choice } from '../../ui/controls';
import { settingsChanged } from '../../store/settings';
import { tableText } from '../../text/tableText';

export type AimChoice = Topic | 'all';

interface ListProps {
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
  readonly aim: AimChoice;
  readonly onAim: (aim: AimChoice) => void;
}

/** The families in the order of a practice, those for one aim only where one is chosen, the favourites before them. */
export function FamilyList({ chosen, onChoose, aim, onAim }: ListProps) {
  const { t } = useTranslation();
  const favourites = useAppSelector((state) => state.settings.favourites);
  const shown = familiesFor(aim);
  const list = useRef<HTMLElement>(null);
  useEffect(() => {
    // Some browsers answer with a promise, which is no way to end an effect.
    void list.current?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const group = (title: string, families: readonly Family[]) =>
    families.length > 0 && (
      <Group key={title} title={title}>
        {families.map(({ id }) => (
          <FamilyRow key={id} id={id} chosen={id === chosen} favourite={favourites.includes(id)} onChoose={onChoose} />
        ))}
      </Group>
    );
  return (
    // The list moves beside the exercise, which stays in view.
    <chakra.nav
      ref={list}
      aria-label={t('exercise.title')}
      position="sticky"
      top={0}
      maxHeight="100dvh"
      overflowY="auto"
      py="4px"
      px="4px"
      _print={{ display: 'none' }}
    >
      <Box mb="12px">
        <AimPicker aim={aim} onAim={onAim} />
      </Box>
      {group(
        t('exercise.favourites'),
        shown.filter(({ id }) => favourites.includes(id)),
      )}
      {STAGES.map((stage) =>
        group(
          t(`stages.${stage}`),
          shown.filter((family) => family.stage === stage && !favourites.includes(family.id)),
        ),
      )}
    </chakra.nav>
  );
}

/** The same as two choices, where a list would push the exercise out of sight. */
export function FamilyChoice({ chosen, onChoose, aim, onAim }: ListProps) {
  const { t } = useTranslation();
  const shown = familiesFor(aim).map((family) => family.id);
  return (
    <Flex gap="12px" wrap="wrap">
      <AimPicker aim={aim} onAim={onAim} />
      <Choice
        label={t('exercise.family')}
        value={chosen}
        options={shown.includes(chosen) ? shown : [chosen, ...shown]}
        textOf={(id) => tableText(t, `families.${id}.name`)}
        onChange={onChoose}
      />
    </Flex>
  );
}

function AimPicker({ aim, onAim }: Pick<ListProps, 'aim' | 'onAim'>) {
  const { t } = useTranslation();
  return (
    <Choice
      label={t('exercise.aim')}
      value={aim}
      options={['all', ...TOPICS]}
      textOf={(choice) => t(`exercise.aims.${choice}`)}
      onChange={onAim}
    />
  );
}

function familiesFor(aim: AimChoice): readonly Family[] {
  return aim === 'all' ? FAMILIES : FAMILIES.filter((family) => topicsOf(family).includes(aim));
}

function Group({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Box mb="14px">
      <chakra.h2 fontSize="small" color="inkSoft" fontWeight={600} mb="2px">
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
        {tableText(t, `families.${id}.name`)}
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
