import { chakra } from '@chakra-ui/react';

/** The number of a line under a still, at the place that it speaks of. */
export function Badge({ number, left, top }: { readonly number: number; readonly left: string; readonly top: string }) {
  return (
    <chakra.span
      aria-hidden
      position="absolute"
      left={left}
      top={top}
      width="22px"
      height="22px"
      display="grid"
      placeItems="center"
      borderRadius="50%"
      bg="ink"
      color="paper"
      fontSize="tiny"
      fontWeight={700}
      borderWidth="1.5px"
      borderColor="paper"
    >
      {number}
    </chakra.span>
  );
}
