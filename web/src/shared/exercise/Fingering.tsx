import { chakra } from '@chakra-ui/react';
import { instrumentById, keysOf, type HornKey, type HornId, type KeyId } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';

const UNIT = 26;
const SIZE = { width: 10.2 * UNIT, height: 4.2 * UNIT };
const RADIUS = { main: 10, other: 6.5 } as const;

/**
 * The keys of the horn along its tube, mouthpiece at the left: six finger plates on the tube, palm, side and octave keys
 * above it, the tables of the little fingers below. Keys that are down are filled. With `onToggle` each is a button.
 */
export function Fingering({
  instrumentId,
  keys,
  width = `${SIZE.width}px`,
  label,
  onToggle,
}: {
  readonly instrumentId: HornId;
  readonly keys: readonly KeyId[];
  readonly width?: string | Readonly<Record<string, string>>;
  readonly label?: string;
  readonly onToggle?: (key: KeyId) => void;
}) {
  const { t } = useTranslation();
  const down = new Set(keys);
  const names = keys.length > 0 ? keys.map((key) => t(`keys.${key}`)).join(', ') : t('keys.none');
  return (
    <chakra.svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      width={width}
      maxWidth="100%"
      role={onToggle ? 'group' : 'img'}
      aria-label={label ? `${label}: ${names}` : names}
      color="ink"
      flexShrink={0}
    >
      <line x1={UNIT * 0.4} x2={SIZE.width - 6} y1={yOf(0)} y2={yOf(0)} stroke="currentColor" opacity={0.3} />
      {keysOf(instrumentById(instrumentId)).map((key) => (
        <KeyMark
          key={key.id}
          horn={key}
          down={down.has(key.id)}
          {...(onToggle && { onToggle: () => onToggle(key.id), name: t(`keys.${key.id}`) })}
        />
      ))}
    </chakra.svg>
  );
}

const xOf = (x: number) => (x + 0.6) * UNIT;
const yOf = (row: number) => (row + 1.65) * UNIT;

function KeyMark({
  horn,
  down,
  name,
  onToggle,
}: {
  readonly horn: HornKey;
  readonly down: boolean;
  readonly name?: string;
  readonly onToggle?: () => void;
}) {
  const paint = {
    fill: down ? 'currentColor' : 'var(--chakra-colors-paper)',
    stroke: 'currentColor',
    strokeWidth: 1.4,
    opacity: down || horn.group === 'main' ? 1 : 0.4,
  };
  const x = xOf(horn.x);
  const y = yOf(horn.row);
  const shape =
    horn.group === 'main' ? (
      <circle cx={x} cy={y} r={RADIUS.main} {...paint} />
    ) : horn.group === 'palm' || horn.group === 'thumb' ? (
      <ellipse cx={x} cy={y} rx={9} ry={5.5} {...paint} />
    ) : (
      <rect x={x - 8} y={y - 6} width={16} height={12} rx={3} {...paint} />
    );
  if (!onToggle) return shape;
  const onKey = (event: React.KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onToggle();
  };
  return (
    <g
      role="checkbox"
      aria-checked={down}
      aria-label={name}
      tabIndex={0}
      onClick={onToggle}
      onKeyDown={onKey}
      style={{ cursor: 'pointer' }}
    >
      <title>{name}</title>
      <rect x={x - 13} y={y - 13} width={26} height={26} fill="transparent" />
      {shape}
    </g>
  );
}
