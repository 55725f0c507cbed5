import { useRef, type ReactNode } from 'react';
import { Button } from './controls';

/** A button that asks for a file. */
export function FileButton({
  accept,
  onFile,
  testId,
  children,
}: {
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly testId: string;
  readonly children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>{children}</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        data-testid={testId}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
