'use client';
import { lazy, Suspense, useState, type ComponentType } from 'react';

/** A part that comes late, and a way to fetch it before it is shown: then it is there at once, and takes the focus as it opens. */
type LatePart<P> = ComponentType<P> & { fetch: () => void };

/**
 * A part of a page that is fetched when it is first shown; what could not be fetched is asked for again where it is shown
 * again. Nothing stands in its place until it is there, and what stands round it stays as it is: a part without a boundary
 * of its own would take the whole page away for that while.
 */
export function late<P extends object>(load: () => Promise<ComponentType<P>>): LatePart<P> {
  let known: ComponentType<P> | undefined;
  const fetched = () =>
    lazy(() =>
      load().then(
        (component) => {
          known = component;
          return { default: component };
        },
        (error: unknown) => {
          Part = fetched();
          throw error;
        },
      ),
    );
  let Part = fetched();
  function Late(props: P) {
    // One or the other for as long as it is shown: what is typed in it stays.
    const [Known] = useState(() => known);
    if (Known) return <Known {...props} />;
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  }
  Late.fetch = () => {
    if (known) return;
    load().then(
      (component) => (known = component),
      // Shown, it is asked for again, and told of.
      () => undefined,
    );
  };
  return Late;
}
