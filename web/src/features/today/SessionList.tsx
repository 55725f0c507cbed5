import { Box, chakra, Flex } from '@chakra-ui/react';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { familyById } from '@inner-hum/core/families';
import { blockS, type SessionBlock } from '@inner-hum/core/plan';
import { GripVertical, Minus, Plus, X } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { reasonText } from '../../text/reasonText';
import { useNoteName } from '../../text/useNoteName';

/** The blocks of a session in their order: what, how often, why. Dragged by hand or with the keyboard. */
export function SessionList({
  blocks,
  onChange,
}: {
  readonly blocks: readonly SessionBlock[];
  readonly onChange: (blocks: readonly SessionBlock[]) => void;
}) {
  const ids = useMemo(() => blocks.map((block, i) => `${i} ${block.exercise.family}`), [blocks]);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    onChange(arrayMove([...blocks], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <chakra.ol listStyleType="none">
          {blocks.map((block, i) => (
            <Row
              key={ids[i]}
              id={ids[i]!}
              block={block}
              onTries={(tries) => onChange(tries === 0 ? blocks.toSpliced(i, 1) : blocks.with(i, { ...block, tries }))}
            />
          ))}
        </chakra.ol>
      </SortableContext>
    </DndContext>
  );
}

function Row({
  id,
  block,
  onTries,
}: {
  readonly id: string;
  readonly block: SessionBlock;
  readonly onTries: (tries: number) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  const { exercise, tries, reason } = block;
  const title = exerciseTitle(t, exercise, nameOf);
  const minutes = Math.max(1, Math.round(blockS(block) / 60));
  return (
    <chakra.li
      ref={setNodeRef}
      display="flex"
      alignItems="center"
      gap="10px"
      borderTopWidth="1px"
      borderColor="line"
      py="7px"
      bg="paper"
      style={{ transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined, transition }}
    >
      <chakra.button
        {...attributes}
        {...listeners}
        aria-label={t('today.move', { title })}
        cursor="grab"
        width="34px"
        height="44px"
        display="grid"
        placeItems="center"
        color="inkSoft"
        touchAction="none"
      >
        <GripVertical size={20} aria-hidden />
      </chakra.button>
      <Box flex="1 1 0" minWidth={0}>
        <chakra.p fontWeight={600}>
          {title}{' '}
          <chakra.span color="inkSoft" fontWeight={400} fontSize="0.9rem">
            {t(`stages.${familyById(exercise.family).stage}`)} · {exerciseMeta(t, exercise)}
          </chakra.span>
        </chakra.p>
        <chakra.p color="inkSoft" fontSize="0.95rem">
          {reasonText(t, nameOf, reason)}
        </chakra.p>
      </Box>
      <chakra.span whiteSpace="nowrap" textAlign="right" width="96px">
        {t('today.tries', { count: tries })}
        <chakra.span display="block" color="inkSoft" fontSize="0.85rem">
          {t('today.minutesOf', { minutes })}
        </chakra.span>
      </chakra.span>
      <Flex>
        <Small label={t('today.fewer', { title })} onClick={() => onTries(tries - 1)}>
          {tries === 1 ? <X size={18} aria-hidden /> : <Minus size={18} aria-hidden />}
        </Small>
        <Small label={t('today.more', { title })} onClick={() => onTries(tries + 1)}>
          <Plus size={18} aria-hidden />
        </Small>
      </Flex>
    </chakra.li>
  );
}

function Small({
  label,
  onClick,
  children,
}: {
  readonly label: string;
  readonly onClick: () => void;
  readonly children: ReactNode;
}) {
  return (
    <chakra.button
      aria-label={label}
      title={label}
      onClick={onClick}
      width="36px"
      height="44px"
      display="grid"
      placeItems="center"
      cursor="pointer"
      borderRadius="field"
      _hover={{ bg: 'channel' }}
    >
      {children}
    </chakra.button>
  );
}
