'use client';
import { lazy, Suspense, type ComponentType } from 'react';

/**
 * A part of a page that is fetched when it is first shown; what could not be fetched is asked for again where it is shown
 * again. Nothing stands in its place until it is there, and what stands round it stays as it is: a part without a boundary
 * of its own would take the whole page away for that while.
 */
export function late<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const fetched = () =>
    lazy(() =>
      load().then(
        (component) => ({ default: component }),
        (error: unknown) => {
          Part = fetched();
          throw error;
        },
      ),
    );
  let Part = fetched();
  return function Late(props: P) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
