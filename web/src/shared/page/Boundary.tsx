import { chakra, Flex } from '@chakra-ui/react';
import { Component, useEffect, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { isDamagedRow } from '../../db/derived';
import { backupService } from '../../db/backup';
import { rawTake } from '../../db/takes';
import { Button } from '../../ui/controls';
import { tryFailedAgain } from '../../ui/late';
import { saveFile } from '../../base/saveFile';
import { deleteTake } from '../../store/undo';
import { detailOf } from '../../base/detailOf';

interface BoundaryProps {
  readonly children: ReactNode;
  /** another key is another thing inside, which is tried anew */
  readonly about?: string;
  /** what is shown instead; `again` tries the children anew */
  readonly broken: (error: unknown, again: () => void) => ReactNode;
}

/** Keeps what breaks inside it from taking anything else along. */
export class Boundary extends Component<BoundaryProps, { readonly error: { readonly cause: unknown } | null }> {
  override state = { error: null as { readonly cause: unknown } | null };
  static getDerivedStateFromError(cause: unknown) {
    return { error: { cause } };
  }
  override componentDidUpdate({ about }: BoundaryProps) {
    if (about !== this.props.about && this.state.error) this.again();
  }
  override render() {
    const { error } = this.state;
    return error ? this.props.broken(error.cause, () => this.again()) : this.props.children;
  }
  private again(): void {
    tryFailedAgain();
    this.setState({ error: null });
  }
}

/** A place that breaks says so; the ways to the other places stay. What takes told is made anew where that was it. */
export function PlaceBoundary({ path, children }: { readonly path: string; readonly children: ReactNode }) {
  return (
    <Boundary
      about={path}
      broken={(error, again) =>
        isDamagedRow(error) ? <MendingTold onDone={again} /> : <BrokenPlace error={error} onAgain={again} />
      }
    >
      {children}
    </Boundary>
  );
}

function MendingTold({ onDone }: { readonly onDone: () => void }) {
  const { t } = useTranslation();
  const [failed, setFailed] = useState<unknown>();
  useEffect(() => {
    let gone = false;
    const done = () => void (gone || onDone());
    backupService()
      .rebuild()
      .then(done, (error: unknown) => void (gone || setFailed(error)));
    return () => void (gone = true);
  }, [onDone]);
  if (failed !== undefined) return <BrokenPlace error={failed} onAgain={onDone} />;
  return (
    <chakra.p role="status" mt="32px" fontSize="lead">
      {t('app.mending')}
    </chakra.p>
  );
}

function BrokenPlace({ error, onAgain }: { readonly error: unknown; readonly onAgain: () => void }) {
  const { t } = useTranslation();
  return (
    <chakra.section role="alert" mt="32px" data-testid="broken-place">
      <chakra.p fontFamily="heading" fontSize="section" mb="8px">
        {t('app.placeBroken')}
      </chakra.p>
      <chakra.p color="inkSoft" mb="14px">
        {detailOf(error)}
      </chakra.p>
      <Button onClick={onAgain}>{t('app.again')}</Button>
    </chakra.section>
  );
}

/** A take in a list or on its page: when it can't be read, it can be saved as it is or removed. */
export function TakeBoundary({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  return <Boundary broken={() => <DamagedTake id={id} />}>{children}</Boundary>;
}

/** What can be done with a take that can't be read. */
export function DamagedTake({ id }: { readonly id: string }) {
  const { t } = useTranslation();
  return (
    <Flex align="center" gap="10px" wrap="wrap" borderTopWidth="1px" borderColor="line" py="8px" data-testid="damaged">
      <span>{t('take.damaged')}</span>
      <Button onClick={() => void saveAsItIs(id).catch(() => undefined /* a take that is gone needs no saving */)}>
        {t('take.saveRaw')}
      </Button>
      <Button tone="quiet" onClick={() => void deleteTake(id)}>
        {t('take.removeDamaged')}
      </Button>
    </Flex>
  );
}

/** Saves all rows of a take as one JSON text, whatever is in them; bytes as lists of numbers. */
async function saveAsItIs(id: string): Promise<void> {
  const raw = await rawTake(id);
  const plain = (_: string, value: unknown) =>
    ArrayBuffer.isView(value) ? Array.from(value as unknown as ArrayLike<number>) : value;
  if (raw) saveFile(`inner-hum-take-${id.slice(0, 8)}.json`, 'application/json', JSON.stringify(raw, plain));
}
