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
import { blockS, slotOf, type SessionBlock } from '@inner-hum/core/lesson';
import { GripVertical, Minus, Plus, X } from 'lucide-react';
import { useMemo, type HTMLAttributes, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { shortReasonText } from '../../text/reasonText';
import { useNoteName } from '../../text/useNoteName';

/**
 * The blocks of a session as a lesson: under the stages of a practice, the one to begin with large; what, how often,
 * why. Dragged by hand or with the keyboard.
 *
 * @param begin stands under the first block: the way to begin it.
 */
export function SessionList({
  blocks,
  onChange,
  begin,
}: {
  readonly blocks: readonly SessionBlock[];
  readonly onChange: (blocks: readonly SessionBlock[]) => void;
  readonly begin?: ReactNode;
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
              stageMinutes={stageMinutes(blocks, i)}
              begin={i === 0 ? begin : undefined}
              onTries={(tries) => onChange(tries === 0 ? blocks.toSpliced(i, 1) : blocks.with(i, { ...block, tries }))}
            />
          ))}
        </chakra.ol>
      </SortableContext>
    </DndContext>
  );
}

/** Minutes of the stage that begins with this block; null when it goes on with the one before. */
function stageMinutes(blocks: readonly SessionBlock[], i: number): number | null {
  const headOf = (block: SessionBlock | undefined) => block && headingKey(block);
  const head = headOf(blocks[i]);
  if (head === headOf(blocks[i - 1])) return null;
  const end = blocks.findIndex((block, k) => k > i && headOf(block) !== head);
  return minutesOf(blocks.slice(i, end < 0 ? undefined : end));
}

/** The minutes of a session as its stages say them, so that they add up. */
export function minutesSaid(blocks: readonly SessionBlock[]): number {
  return blocks.reduce((sum, _, i) => sum + (stageMinutes(blocks, i) ?? 0), 0);
}

/** Under what a block stands: its stage, or what it checks. */
function headingKey({ exercise }: SessionBlock) {
  const family = familyById(exercise.family);
  const slot = slotOf(family);
  return slot === 'tune' || slot === 'measure' ? (`season.${slot}` as const) : (`stages.${family.stage}` as const);
}

function minutesOf(blocks: readonly SessionBlock[]): number {
  return Math.max(1, Math.round(blocks.reduce((sum, block) => sum + blockS(block), 0) / 60));
}

function Row({
  id,
  block,
  stageMinutes,
  begin,
  onTries,
}: {
  readonly id: string;
  readonly block: SessionBlock;
  readonly stageMinutes: number | null;
  readonly begin: ReactNode;
  readonly onTries: (tries: number) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  const { exercise, tries, leftS } = block;
  const title = exerciseTitle(t, exercise, nameOf);
  const large = begin !== undefined;
  return (
    <chakra.li
      ref={setNodeRef}
      bg="paper"
      style={{ transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined, transition }}
    >
      {stageMinutes !== null && (
        <Flex justify="space-between" borderTopWidth="1px" borderColor="inkSoft" mt="10px" pt="6px" color="inkSoft">
          <chakra.h2 fontSize="small" fontWeight={600}>
            {t(headingKey(block))}
          </chakra.h2>
          <chakra.span fontSize="small">{t('today.minutesOf', { minutes: stageMinutes })}</chakra.span>
        </Flex>
      )}
      <Flex
        align="center"
        gap="10px"
        borderTopWidth={stageMinutes === null ? '1px' : 0}
        borderColor="line"
        py={large ? '8px' : '5px'}
        flexWrap={large ? { base: 'wrap', md: 'nowrap' } : undefined}
      >
        <Handle title={title} {...attributes} {...listeners} />
        <What block={block} large={large} />
        <chakra.span whiteSpace="nowrap">
          {leftS ? t('today.minutesOf', { minutes: Math.ceil(leftS / 60) }) : t('today.tries', { count: tries })}
        </chakra.span>
        <Flex>
          <Small label={t('today.fewer', { title })} onClick={() => onTries(leftS ? 0 : tries - 1)}>
            {tries === 1 || leftS ? <X size={18} aria-hidden /> : <Minus size={18} aria-hidden />}
          </Small>
          {!leftS && (
            <Small label={t('today.more', { title })} onClick={() => onTries(tries + 1)}>
              <Plus size={18} aria-hidden />
            </Small>
          )}
        </Flex>
      </Flex>
      {large && (
        <Box pl={{ base: 0, md: '44px' }} pb="6px">
          {begin}
        </Box>
      )}
    </chakra.li>
  );
}

/** What a block is taken by, with a pointer, a thumb or the keyboard. */
function Handle({ title, ...drag }: { readonly title: string } & HTMLAttributes<HTMLElement>) {
  const { t } = useTranslation();
  return (
    <chakra.button
      {...drag}
      aria-label={t('today.move', { title })}
      cursor="grab"
      width="34px"
      height="44px"
      display="grid"
      placeItems="center"
      color="inkSoft"
      touchAction="none"
      flexShrink={0}
    >
      <GripVertical size={20} aria-hidden />
    </chakra.button>
  );
}

/** What a block asks, and why. */
function What({
  block: { exercise, reason, remark },
  large,
}: {
  readonly block: SessionBlock;
  readonly large: boolean;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const title = exerciseTitle(t, exercise, nameOf);
  return (
    <Box flex={large ? { base: '1 1 70%', md: '1 1 0' } : '1 1 0'} minWidth={0}>
      <chakra.p
        fontWeight={600}
        fontFamily={large ? 'heading' : undefined}
        fontSize={large ? 'title' : undefined}
        lineHeight={large ? 1.25 : undefined}
      >
        {title}
      </chakra.p>
      <chakra.p color={large ? undefined : 'inkSoft'} fontSize={large ? 'lead' : 'small'}>
        {shortReasonText(t, nameOf, reason)}
      </chakra.p>
      {remark && <chakra.p fontSize={large ? 'lead' : 'small'}>{remark}</chakra.p>}
      {large && (
        <chakra.p color="inkSoft" fontSize="small">
          {exerciseMeta(t, exercise)}
        </chakra.p>
      )}
    </Box>
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
