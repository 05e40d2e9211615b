'use client';
import { useRef, type ReactNode } from 'react';

/**
 * The browser's own picker for one file, or for several at once where those can be taken: what must stand on the page for
 * it, and how it is opened.
 */
export function useFilePicker(
  label: string,
  onFile: (file: File) => void,
  onSeveral?: (files: readonly File[]) => void,
): { input: ReactNode; open: () => void } {
  const field = useRef<HTMLInputElement>(null);
  return {
    input: (
      <input
        ref={field}
        type="file"
        hidden
        multiple={onSeveral !== undefined}
        aria-label={label}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])];
          target.value = '';
          const [file] = files;
          if (files.length > 1) onSeveral?.(files);
          else if (file) onFile(file);
        }}
      />
    ),
    open: () => field.current?.click(),
  };
}
