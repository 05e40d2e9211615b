'use client';
import { useEffect, useRef } from 'react';
import { lightFormat } from 'date-fns';

/**
 * Takes pictures that are pasted anywhere but into a field or a dialog, with what they are pasted on: what has the focus, or lies
 * under the pointer.
 */
export function usePaste(onFiles: (files: File[], on: Element | null) => void): void {
  const take = useRef(onFiles);
  useEffect(() => {
    take.current = onFiles;
  });
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      if (
        event.target instanceof Element &&
        event.target.closest('input, textarea, [contenteditable], [role=dialog]')
      )
        return;
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      const focused = document.activeElement;
      const on = focused && focused !== document.body ? focused : hovered();
      take.current(
        files.map((file) => (files.length === 1 && file.name === 'image.png' ? named(file) : file)),
        on,
      );
    };
    window.addEventListener('paste', paste);
    return () => {
      window.removeEventListener('paste', paste);
    };
  }, []);
}

/** The innermost thing under the pointer. */
function hovered(): Element | null {
  return [...document.querySelectorAll(':hover')].at(-1) ?? null;
}

/** A picture from the clipboard has no name of its own. */
function named(file: File): File {
  return new File([file], `Pasted ${lightFormat(new Date(), 'HH.mm.ss')}.png`, { type: file.type });
}
