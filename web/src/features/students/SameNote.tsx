import { Box, chakra, Flex } from '@chakra-ui/react';
import type { NoteOfStudent } from '@inner-hum/core/map';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { StudentRow } from '../../db/database';
import { inLayer, LAYERS, type Layer, type LayerId } from '../../text/layers';
import { useNoteName } from '../../text/useNoteName';
import { Choice } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';

/** At first the note that most of them played, of several the nearest to this: written G4. */
const MIDDLE_MIDI = 67;

/** One written note over all students, each on the own horn. */
export function SameNote({ students }: { readonly students: readonly StudentRow[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const [chosen, setChosen] = useState<number>();
  const [layerId, setLayer] = useState<LayerId>('pitch');
  const all = students.flatMap(({ glance }) => glance.notes);
  if (all.length === 0) return null;
  const midis = [...new Set(all.map(({ midi }) => midi))].sort((a, b) => a - b);
  const known = (midi: number) => all.filter((note) => note.midi === midi).length;
  const middleFirst = midis.toSorted((a, b) => Math.abs(a - MIDDLE_MIDI) - Math.abs(b - MIDDLE_MIDI));
  const midi = chosen ?? middleFirst.reduce((most, other) => (known(other) > known(most) ? other : most));
  const layer = LAYERS.find(({ id }) => id === layerId)!;
  return (
    <Box mt="30px" borderTopWidth="2px" borderColor="ink" pt="10px">
      <SectionTitle>{t('students.sameNote')}</SectionTitle>
      <Flex gap="12px" wrap="wrap" mb="8px">
        <Choice
          label={t('log.filter.note')}
          value={String(midi)}
          options={midis.map(String)}
          textOf={(option) => nameOf(Number(option))}
          onChange={(option) => setChosen(Number(option))}
        />
        <Choice
          label={t('horn.layer')}
          value={layerId}
          options={LAYERS.map(({ id }) => id)}
          textOf={(id) => t(`horn.layers.${id}`)}
          onChange={setLayer}
        />
      </Flex>
      <Box overflowX="auto">
        <chakra.table width="100%" css={{ '& td, & th': { py: '5px', pr: '14px', textAlign: 'left' } }}>
          <tbody>
            {students.flatMap(({ id, name, glance }) => {
              const notes = glance.notes.filter((note) => note.midi === midi);
              return (notes.length > 0 ? notes : [undefined]).map((note) => (
                <NoteRow key={`${id} ${note?.instrumentId}`} name={name} note={note} layer={layer} />
              ));
            })}
          </tbody>
        </chakra.table>
      </Box>
    </Box>
  );
}

function NoteRow({
  name,
  note,
  layer,
}: {
  readonly name: string;
  readonly note: NoteOfStudent | undefined;
  readonly layer: Layer;
}) {
  const { t } = useTranslation();
  const value = note?.values[layer.quantity];
  const unit = t(`measures.units.${layer.unit}`);
  return (
    <chakra.tr borderTopWidth="1px" borderColor="line" data-testid="same-note">
      <chakra.th scope="row" fontWeight={600} width="180px">
        {name}
      </chakra.th>
      <chakra.td width="160px" color="inkSoft">
        {note && t(`instruments.${note.instrumentId}`)}
      </chakra.td>
      <td>{value && <OnScale layer={layer} {...value} />}</td>
      <chakra.td width="150px" whiteSpace="nowrap">
        {value ? t('students.value', { ...inLayer(layer, value), unit }) : t('horn.notMeasured')}
      </chakra.td>
      <chakra.td width="170px" fontSize="small" color="inkSoft">
        {note && note.of > 0 && t('students.spoke', { got: note.got, of: note.of })}
      </chakra.td>
    </chakra.tr>
  );
}

const WIDTH = 300;
const HEIGHT = 24;
/** Half of a band that holds nine of ten, in standard deviations. */
const NINE_OF_TEN = 1.645;

/** A value on the scale of its layer, with the band in which it lies nine times of ten. */
function OnScale({
  layer: { from, to, zero, factor },
  value,
  uncertainty,
}: {
  readonly layer: Layer;
  readonly value: number;
  readonly uncertainty: number;
}) {
  const x = (shown: number) => (WIDTH * (Math.min(to, Math.max(from, shown)) - from)) / (to - from);
  const [at, half] = [value * factor, NINE_OF_TEN * uncertainty * factor];
  const middle = HEIGHT / 2;
  return (
    <svg
      viewBox={`-6 0 ${WIDTH + 12} ${HEIGHT}`}
      width="100%"
      style={{ maxWidth: '420px', display: 'block' }}
      aria-hidden
    >
      <g stroke="var(--chakra-colors-line)" strokeWidth={1.5}>
        <line x1={0} x2={WIDTH} y1={middle} y2={middle} />
        <line x1={x(zero)} x2={x(zero)} y1={2} y2={HEIGHT - 2} />
      </g>
      <line
        x1={x(at - half)}
        x2={x(at + half)}
        y1={middle}
        y2={middle}
        stroke="var(--chakra-colors-ink-soft)"
        strokeWidth={6}
        strokeLinecap="round"
        opacity={0.55}
      />
      <circle cx={x(at)} cy={middle} r={5.5} fill="var(--chakra-colors-ink)" />
    </svg>
  );
}
