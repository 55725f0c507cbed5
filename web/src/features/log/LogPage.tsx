import { Box, chakra } from '@chakra-ui/react';
import type { TakeRecord } from '@inner-hum/core/take';
import { addDays, isValid } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { dayOf, noonOf } from '../../base/days';
import { findDigests, findTakes, type TakeFilter } from '../../db/search';
import { countedTakes, hasTakes } from '../../db/takes';
import { DamagedTake } from '../../shared/page/Boundary';
import { useKept } from '../../shared/stored/useKept';
import { Button } from '../../ui/controls';
import { Fold } from '../../ui/Fold';
import { PageTitle } from '../../ui/PageTitle';
import { Bin } from './Bin';
import { DayOfTakes } from './DayOfTakes';
import { FileRow } from './FileRow';
import { useTakeFilter } from './LogFilter';
import { StorageRow } from './StorageRow';
import { FilterAndTrend } from './TrendPanel';

const PAGE = 30;
/** So many are there at once; the rest of the page follows. From a disk each takes a while. */
const FIRST = 8;
/** So many days are open at first where nothing special is looked for. */
const OPENED = 2;

/** The Log: day by day what was practised, newest first, and the files that carry it. */
export default function LogPage() {
  const { t } = useTranslation();
  const [limit, setLimit] = useState(PAGE);
  const filter = useTakeFilter();
  const key = JSON.stringify(filter);
  const daysOf = (most: number) => findDays(JSON.parse(key) as TakeFilter, most);
  const first = useLiveQuery(() => daysOf(FIRST), [key]);
  const begun = first !== undefined;
  const page = useLiveQuery(async () => (begun ? daysOf(limit) : undefined), [key, limit, begun]);
  const found = page ?? first;
  const any = useKept('has takes', '', hasTakes);
  // On a disk the browser goes through all takes to count them: the list does not wait for that.
  const listed = found !== undefined;
  const counted = useLiveQuery(async () => (listed ? countedTakes() : undefined), [listed]);
  if (!found || any === undefined) return <p>{t('app.loading')}</p>;
  const { days, more } = found;
  const looking = filter.tags.length > 0 || filter.since !== '';
  return (
    <Box maxWidth="72rem">
      <PageTitle title={t('log.title')}>
        <chakra.span color="inkSoft">{counted ? t('log.takes', { count: counted.all }) : ''}</chakra.span>
      </PageTitle>
      <Fold title={t('log.files')} open={!any}>
        <FileRow any={any} />
        <StorageRow />
      </Fold>
      <chakra.p mt="8px">
        <Link to="/log/shelf">{t('shelf.link')}</Link>
      </chakra.p>
      {any && (
        <>
          <FilterAndTrend filter={filter} />
          {days.length === 0 && <chakra.p mt="18px">{t('log.filter.none')}</chakra.p>}
        </>
      )}
      {!any && (
        <Box my="48px">
          <chakra.p fontFamily="heading" fontSize="title" mb="14px">
            {t('log.empty')}
          </chakra.p>
          <Button as={Link} tone="strong" {...{ to: '/stand' }}>
            {t('log.emptyAction')}
          </Button>
        </Box>
      )}
      {days.map(({ day, takes, digests }, i) => (
        <DayOfTakes
          key={`${day} ${looking}`}
          day={day}
          takes={takes}
          digests={digests}
          opened={looking || i < OPENED}
        />
      ))}
      {counted?.unlisted.map((id) => (
        <DamagedTake key={id} id={id} />
      ))}
      {more && page && (
        <Button mt="16px" onClick={() => setLimit(limit + PAGE)}>
          {t('log.more')}
        </Button>
      )}
      <Bin />
    </Box>
  );
}

/** Takes that fit by their days, newest first, each with the digests of all that fits on that day. */
async function findDays(filter: TakeFilter, limit: number) {
  const { takes, more } = await findTakes(filter, limit);
  const byDay = new Map<string, TakeRecord[]>();
  for (const take of takes) byDay.set(dayOfTake(take), [...(byDay.get(dayOfTake(take)) ?? []), take]);
  const dated = [...byDay.keys()].filter((day) => day !== '');
  const [newest, oldest] = [dated[0], dated.at(-1)];
  const digests =
    newest && oldest ? await findDigests({ ...filter, since: oldest, before: dayOf(addDays(noonOf(newest), 1)) }) : [];
  return {
    more,
    days: [...byDay].map(([day, ofDay]) => ({
      day,
      takes: ofDay,
      digests: digests.filter((digest) => digest.day === day),
    })),
  };
}

/** yyyy-mm-dd; '' when the date of the take is damaged. */
function dayOfTake(take: TakeRecord): string {
  const moment = new Date(take.startedAt);
  return isValid(moment) ? dayOf(moment) : '';
}
