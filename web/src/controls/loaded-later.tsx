import { type ComponentType, lazy, Suspense, useState } from 'react';

/**
 * A component that is loaded when it is first shown, or before by `preload`; once loaded it appears at once. A plain lazy
 * component would be held back by React for a third of a second even then.
 */
export function loadedLater<P extends object>(load: () => Promise<ComponentType<P>>) {
  let loaded: ComponentType<P> | null = null;
  const preload = async () => {
    loaded ??= await load();
    return loaded;
  };
  const Lazy = lazy(async () => ({ default: await preload() })) as unknown as ComponentType<P>;
  function LoadedLater(props: P) {
    // Settled once for as long as it is shown: another element in its place would lose all that it remembers.
    const [Loaded] = useState(() => loaded);
    if (Loaded) return <Loaded {...props} />;
    return (
      <Suspense fallback={null}>
        <Lazy {...props} />
      </Suspense>
    );
  }
  return { Component: LoadedLater, preload };
}
