import { chakra } from '@chakra-ui/react';

/** How often it is got: filled where that was seen, an outline where it is what is usual. */
export function SuccessBar({
  share,
  tried,
  colour,
}: {
  readonly share: number;
  readonly tried: boolean;
  readonly colour: string;
}) {
  return (
    <chakra.span
      position="absolute"
      left="5px"
      bottom="4px"
      height="6px"
      borderRadius="3px"
      borderWidth="1.5px"
      // Filled or not is what it says: chosen colours of the system must not take it away.
      forcedColorAdjust="none"
      style={{
        width: `calc(${100 * share}% - 10px)`,
        borderColor: colour,
        background: tried ? colour : 'transparent',
      }}
    />
  );
}
