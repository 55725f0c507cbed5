import { chakra } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';

/** What steps back until it is asked for: a line that opens. */
export function Fold({
  title,
  open = false,
  later = false,
  children,
}: {
  readonly title: string;
  /** whether it is open at first */
  readonly open?: boolean;
  /** whether what is in it is made only when it is opened: what takes a while */
  readonly later?: boolean;
  readonly children: ReactNode;
}) {
  // What is open stays open, whatever made it so is gone meanwhile.
  const [atFirst] = useState(open);
  const [made, setMade] = useState(open || !later);
  return (
    <chakra.details open={atFirst} onToggle={() => setMade(true)} borderTopWidth="1px" borderColor="line" pt="4px">
      <chakra.summary fontWeight={600} cursor="pointer" minHeight="44px" py="9px">
        {title}
      </chakra.summary>
      {made && children}
    </chakra.details>
  );
}
