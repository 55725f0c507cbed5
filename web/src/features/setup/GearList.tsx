import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { SETUP_PARTS, type ReedUse, type SetupPart } from '@inner-hum/core/history';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type FormEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { database } from '../../db/database';
import { Button, Choice, Field, TextInput } from '../../ui/controls';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { dayOf } from '../../base/days';
import { BuildOfHorn } from './BuildOfHorn';
import { gearFor, type GearItem } from '../../db/settings/gear';

/** What is on the present horn, and the things to choose from; each take keeps it. */
export function GearList() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { instrumentId, gear, fitted, room } = useAppSelector((state) => state.settings);
  const put = (part: SetupPart, name: string) =>
    dispatch(
      settingsChanged(
        part === 'room'
          ? { room: name }
          : { fitted: { ...fitted, [instrumentId]: { ...fitted[instrumentId], [part]: name } } },
      ),
    );
  const add = (item: GearItem) => {
    dispatch(settingsChanged({ gear: [...gear.filter((gearItem) => !isSame(gearItem, item)), item] }));
    put(item.part, item.name);
  };
  return (
    <>
      <chakra.p color="inkSoft" fontSize="small">
        {t('gear.help')}
      </chakra.p>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="12px">
        {SETUP_PARTS.map((part) => {
          const now = (part === 'room' ? room : fitted[instrumentId]?.[part]) ?? '';
          const names = gearFor(gear, part, instrumentId).map((item) => item.name);
          return (
            <Choice
              key={part}
              label={t(`gear.parts.${part}`)}
              value={now}
              options={['', ...new Set([...names, ...(now ? [now] : [])])]}
              textOf={(name) => (name === '' ? t('gear.notSaid') : name)}
              onChange={(name) => put(part, name)}
            />
          );
        })}
      </Grid>
      <BuildOfHorn />
      <NewItem onAdd={add} />
      <Reeds />
    </>
  );
}

function isSame(a: GearItem, b: GearItem): boolean {
  return a.part === b.part && a.name === b.name && a.instrumentId === b.instrumentId;
}

function NewItem({ onAdd }: { readonly onAdd: (item: GearItem) => void }) {
  const { t } = useTranslation();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const [part, setPart] = useState<SetupPart>('reed');
  const [name, setName] = useState('');
  const [cut, setCut] = useState('');
  const [strength, setStrength] = useState('');
  const [missing, setMissing] = useState(false);
  const add = (event: FormEvent) => {
    event.preventDefault();
    setMissing(name.trim() === '');
    if (name.trim() === '') return;
    onAdd({
      part,
      name: name.trim(),
      ...(part !== 'room' && { instrumentId }),
      ...(part === 'reed' && { cut, strength, openedOn: dayOf(new Date()) }),
    });
    setName('');
  };
  return (
    <chakra.form onSubmit={add}>
      <Flex gap="10px" align="flex-end" wrap="wrap">
        <Choice
          label={t('gear.new')}
          value={part}
          options={SETUP_PARTS}
          textOf={(choice) => t(`gear.parts.${choice}`)}
          onChange={setPart}
        />
        <Field label={t('gear.name')} error={missing ? t('exercise.keepNameBad') : undefined} flex="1 1 140px">
          <TextInput value={name} maxLength={40} onChange={(event) => setName(event.target.value)} />
        </Field>
        {part === 'reed' && (
          <>
            <Field label={t('gear.cut')} width="96px">
              <TextInput value={cut} maxLength={20} onChange={(event) => setCut(event.target.value)} />
            </Field>
            <Field label={t('gear.strength')} width="84px">
              <TextInput value={strength} maxLength={8} onChange={(event) => setStrength(event.target.value)} />
            </Field>
          </>
        )}
        <Button type="submit">{t('gear.add')}</Button>
      </Flex>
    </chakra.form>
  );
}

/** What each reed did on the present size of horn, by its name. */
function useReedUse(): ReadonlyMap<string, ReedUse> {
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const uses = useLiveQuery(
    () => database.reedUses.where('instrumentId').equals(instrumentId).toArray(),
    [instrumentId],
  );
  return new Map(uses?.map((use) => [use.reed, use]));
}

/** The reeds in rotation with what each did; a bad one is retired, its takes stay. */
function Reeds() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { instrumentId, gear } = useAppSelector((state) => state.settings);
  const uses = useReedUse();
  const reeds = gear.filter((item) => item.part === 'reed' && item.instrumentId === instrumentId);
  if (reeds.length === 0) return null;
  const change = (reed: GearItem, retiredOn: string | undefined) =>
    dispatch(settingsChanged({ gear: gear.map((item) => (item === reed ? { ...item, retiredOn } : item)) }));
  return (
    <Box overflowX="auto">
      <chakra.table width="100%" fontSize="small" css={{ '& td, & th': { py: '4px', textAlign: 'left', pr: '10px' } }}>
        <thead>
          <chakra.tr color="inkSoft">
            <th>{t('gear.parts.reed')}</th>
            <th>{t('gear.opened')}</th>
            <th>{t('gear.minutes')}</th>
            <th>{t('gear.spoke')}</th>
            <th />
          </chakra.tr>
        </thead>
        <tbody>
          {reeds.map((reed) => {
            const use = uses.get(reed.name);
            return (
              <chakra.tr key={reed.name} borderTopWidth="1px" borderColor="line" opacity={reed.retiredOn ? 0.6 : 1}>
                <td>{[reed.name, reed.cut, reed.strength].filter(Boolean).join(', ')}</td>
                <td>{reed.openedOn ?? '–'}</td>
                <td>{Math.round((use?.playedS ?? 0) / 60)}</td>
                <td>{use && use.of > 0 ? `${Math.round((100 * use.got) / use.of)} %` : '–'}</td>
                <td>
                  <Button tone="quiet" onClick={() => change(reed, reed.retiredOn ? undefined : dayOf(new Date()))}>
                    {t(reed.retiredOn ? 'gear.back' : 'gear.retire')}
                  </Button>
                </td>
              </chakra.tr>
            );
          })}
        </tbody>
      </chakra.table>
    </Box>
  );
}
