import { chakra, Flex } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { StudentRemark } from '../../db/settings/player';
import { useAppDispatch } from '../../store';
import { listsChanged } from '../../store/settings';
import { entry } from '../../store/lists';
import { deleteEntries } from '../../store/undo';
import { Button } from '../../ui/controls';

/** A remark on a student's take: its beat, its words, whether it went out, and the way to take it back. */
export function RemarkLine({
  remark,
  linked = false,
}: {
  readonly remark: StudentRemark;
  /** whether it leads to its take */
  readonly linked?: boolean;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { studentId, takeId, beat, text, sent } = remark;
  const where = t('verdict.mark.beat', { beat });
  return (
    <Flex align="center" gap="10px" borderTopWidth="1px" borderColor="line" py="4px" data-testid="remark">
      <chakra.span width="90px" flexShrink={0} color="inkSoft">
        {linked ? <Link to={`/students/${encodeURIComponent(studentId)}/take/${takeId}`}>{where}</Link> : where}
      </chakra.span>
      <chakra.span flex="1 1 auto">{text}</chakra.span>
      {sent && (
        <Button
          tone="quiet"
          onClick={() => dispatch(listsChanged([entry.changed('remarks', remark, { ...remark, sent: false })]))}
        >
          {t('students.sendAgain')}
        </Button>
      )}
      <Button
        tone="quiet"
        onClick={() =>
          deleteEntries([entry.removed('remarks', remark)], { key: 'exercise.removed', values: { name: text } })
        }
      >
        {t('exercise.remove')}
      </Button>
    </Flex>
  );
}
