import { lazy, useState, type ComponentType } from 'react';

/** What makes each part anew that could not be fetched: a lazy part of React's that failed once stays so. */
const failed = new Set<() => void>();

/** Parts that could not be fetched are fetched anew when they are shown the next time. */
export function tryFailedAgain(): void {
  for (const renew of failed) renew();
  failed.clear();
}

/**
 * A part of the page with a file of its own, which {@link LatePart.fetch} has brought. One that is here is shown at once: a lazy
 * part of React's first shows what waits for it, and then for 300 ms whatever comes.
 */
export type LatePart<Props extends object> = ComponentType<Props> & { readonly fetch: () => Promise<unknown> };

export function late<Props extends object>(
  load: () => Promise<{ readonly default: ComponentType<Props> }>,
): LatePart<Props> {
  let here: ComponentType<Props> | undefined;
  const fetch = async () => {
    const file = await load();
    here = file.default;
    return file;
  };
  let Lazy = lazy(asked);
  async function asked() {
    try {
      return await fetch();
    } catch (error) {
      failed.add(() => (Lazy = lazy(asked)));
      throw error;
    }
  }
  function Late(props: Props) {
    // The same one for as long as it stands: another would begin anew.
    const [Part] = useState<ComponentType<Props>>(() => here ?? Lazy);
    return <Part {...props} />;
  }
  return Object.assign(Late, { fetch });
}
