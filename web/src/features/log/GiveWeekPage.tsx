import { useTargets } from '../../shared/plan/useTargets';
import { useDay } from '../../shared/page/useDay';
import { newId } from '../../base/plainOrigin';
import { Box, chakra, Flex } from '@chakra-ui/react';
import { bestTake, exerciseTag, type Digest } from '@inner-hum/core/history';
import { addDays, startOfISOWeek, subDays, subWeeks } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { dayOf, noonOf } from '../../base/days';
import { detailOf } from '../../base/detailOf';
import { saveFile } from '../../base/saveFile';
import { backupService } from '../../db/backup';
import { findDigests } from '../../db/search';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { settingsChanged } from '../../store/settings';
import { exerciseTitle } from '../../text/exerciseText';
import { formatDate } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button, Choice, Field, TextInput, Tick } from '../../ui/controls';
import { PageTitle } from '../../ui/PageTitle';
import { tableText } from '../../text/tableText';

/** Which days can be given: first and last. */
const SPANS = {
  thisWeek: (now: Date) => [startOfISOWeek(now), now],
  lastWeek: (now: Date) => [startOfISOWeek(subWeeks(now, 1)), subDays(startOfISOWeek(now), 1)],
  fourWeeks: (now: Date) => [startOfISOWeek(subWeeks(now, 3)), now],
} as const;
type Span = keyof typeof SPANS;
const SPAN_IDS = Object.keys(SPANS) as Span[];

/** A week for a teacher: one file with what the student chooses of it, each kind by itself. */
export default function GiveWeekPage() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const [span, setSpan] = useState<Span>('thisWeek');
  const [practised, setPractised] = useState(false);
  const [notes, setNotes] = useState(false);
  const [sound, setSound] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<'nameMissing' | 'nothing'>();
  const [from, to] = SPANS[span](noonOf(useDay())).map(dayOf) as [string, string];
  const digests = useLiveQuery(
    () => findDigests({ tags: [], since: from, before: dayOf(addDays(noonOf(to), 1)) }),
    [from, to],
  );
  // Not read yet, they are left out: the teacher keeps those of the week before.
  const targets = useTargets();
  const takes = digests?.filter(({ takeId }) => chosen.has(takeId)) ?? [];
  const save = async () => {
    const name = store.getState().settings.signedAs.trim();
    const nothing = !practised && !notes && takes.length === 0;
    setProblem(name === '' ? 'nameMissing' : nothing ? 'nothing' : undefined);
    if (name === '' || nothing) return;
    const id = store.getState().settings.studentId || newId();
    dispatch(settingsChanged({ studentId: id }));
    try {
      const week = await backupService().week({
        student: { id, name },
        savedAt: new Date().toISOString(),
        from,
        to,
        practised,
        targets,
        notes,
        takeIds: takes.map(({ takeId }) => takeId),
        sound,
      });
      saveFile(`${name} ${to}.zip`, week.type, week);
    } catch (error) {
      dispatch(noticed({ key: 'give.failed', values: { detail: detailOf(error) } }));
    }
  };
  return (
    <Box maxWidth="60rem" pb="40px">
      <PageTitle title={t('give.title')} intro={t('give.intro')}>
        <Link to="/log">{t('log.title')}</Link>
      </PageTitle>
      <Flex gap="14px" wrap="wrap" align="flex-start">
        <SignedAs missing={problem === 'nameMissing'} />
        <Choice
          label={t('give.span')}
          value={span}
          options={SPAN_IDS}
          textOf={(id) => t(`give.spans.${id}`)}
          onChange={setSpan}
        />
      </Flex>
      {digests?.length === 0 && <chakra.p mt="14px">{t('give.noTakes')}</chakra.p>}
      <Box my="12px">
        <Tick label={t('give.practised')} help={t('give.practisedHelp')} checked={practised} onChange={setPractised} />
        <Tick label={t('give.notes')} checked={notes} onChange={setNotes} />
      </Box>
      {digests && digests.length > 0 && <TakesToGive digests={digests} chosen={chosen} onChoose={setChosen} />}
      <Tick label={t('give.sound')} help={t('give.soundHelp')} checked={sound} onChange={setSound} />
      <Flex gap="14px" align="center" wrap="wrap" mt="12px">
        <Button tone="strong" onClick={() => void save()}>
          {t('give.save')}
        </Button>
        {problem === 'nothing' && <span role="alert">{t('give.nothing')}</span>}
      </Flex>
    </Box>
  );
}

/** The name that the file is signed with. */
function SignedAs({ missing }: { readonly missing: boolean }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { signedAs } = useAppSelector((state) => state.settings);
  return (
    <Field
      label={t('give.name')}
      width="280px"
      error={missing && signedAs.trim() === '' ? t('give.nameMissing') : undefined}
    >
      <TextInput
        value={signedAs}
        maxLength={80}
        onChange={(event) => dispatch(settingsChanged({ signedAs: event.target.value }))}
      />
    </Field>
  );
}

/** The takes of the days, each with a tick; none is ticked by itself. */
function TakesToGive({
  digests,
  chosen,
  onChoose,
}: {
  readonly digests: readonly Digest[];
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (chosen: ReadonlySet<string>) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const tick = (id: string, on: boolean) =>
    onChoose(on ? new Set([...chosen, id]) : new Set([...chosen].filter((other) => other !== id)));
  const tickBest = () => {
    const keys = new Set(digests.map(({ parameters }) => exerciseTag(parameters)));
    const best = [...keys].flatMap(
      (key) => bestTake(digests.filter(({ parameters }) => exerciseTag(parameters) === key))?.takeId ?? [],
    );
    onChoose(new Set([...chosen, ...best]));
  };
  return (
    <chakra.fieldset mb="12px">
      <Flex align="center" gap="14px" wrap="wrap">
        <chakra.legend fontWeight={600} float="left">
          {t('give.takes', { count: digests.filter(({ takeId }) => chosen.has(takeId)).length })}
        </chakra.legend>
        <Button tone="quiet" onClick={tickBest}>
          {t('give.best')}
        </Button>
      </Flex>
      <Box maxHeight="22rem" overflowY="auto" borderWidth="1px" borderColor="line" borderRadius="field" px="12px">
        {digests.map(({ takeId, startedAtMs, parameters, findings }) => (
          <Tick
            key={takeId}
            label={`${formatDate(startedAtMs, 'moment')} · ${exerciseTitle(t, parameters, nameOf)}`}
            {...(findings[0] && { help: tableText(t, `log.findings.${findings[0]}`) })}
            checked={chosen.has(takeId)}
            onChange={(on) => tick(takeId, on)}
          />
        ))}
      </Box>
    </chakra.fieldset>
  );
}
