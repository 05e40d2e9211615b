import { useEffect } from 'react';

/** Names the window's tab by what it shows, while it shows it. */
export function useTitle(title: string): void {
  useEffect(() => {
    const before = document.title;
    document.title = `${title} · Up Fit`;
    return () => {
      document.title = before;
    };
  }, [title]);
}
