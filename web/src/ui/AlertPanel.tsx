import { chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** Something that went wrong, with the ways on, framed so that it is seen from the stand. */
export function AlertPanel({ children, testId }: { readonly children: ReactNode; readonly testId?: string }) {
  return (
    <chakra.section
      role="alert"
      bg="panel"
      borderWidth="2px"
      borderColor="accent"
      borderRadius="card"
      p="16px 20px"
      my="10px"
      data-testid={testId}
    >
      {children}
    </chakra.section>
  );
}
