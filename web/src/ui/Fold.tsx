import { chakra } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';

/** What steps back until it is asked for: a line that opens. */
export function Fold({
  title,
  open = false,
  children,
}: {
  readonly title: string;
  /** whether it is open at first */
  readonly open?: boolean;
  readonly children: ReactNode;
}) {
  // What is open stays open, whatever made it so is gone meanwhile.
  const [atFirst] = useState(open);
  return (
    <chakra.details open={atFirst} borderTopWidth="1px" borderColor="line" pt="4px">
      <chakra.summary fontWeight={600} cursor="pointer" minHeight="44px" py="9px">
        {title}
      </chakra.summary>
      {children}
    </chakra.details>
  );
}
