'use client';
import { useRef, type ReactNode } from 'react';

/** The browser's own picker for one file: what must stand on the page for it, and how it is opened. */
export function useFilePicker(
  label: string,
  onFile: (file: File) => void,
): { input: ReactNode; open: () => void } {
  const field = useRef<HTMLInputElement>(null);
  return {
    input: (
      <input
        ref={field}
        type="file"
        hidden
        aria-label={label}
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = '';
          if (file) onFile(file);
        }}
      />
    ),
    open: () => field.current?.click(),
  };
}
