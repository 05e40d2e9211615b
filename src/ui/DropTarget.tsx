'use client';
import { useState } from 'react';
import { dequal } from 'dequal';
import { useDropzone, type DropEvent } from 'react-dropzone';

/** A part of a drop target that takes files for itself. */
export interface DropSpot {
  element: Element;
  label: string;
}

interface Props {
  /** `on` is what lay under the pointer; null where they were picked by hand. */
  onFiles: (files: File[], on: Element | null) => void;
  label: string;
  /** The part that what is under the pointer belongs to. */
  spotAt?: (under: Element) => DropSpot | null;
  className?: string;
  children: (open: () => void, openFolder: () => void) => React.ReactNode;
}

/** Where the files would go, in px of the target, and in words. */
interface Aim {
  label: string;
  left: number;
  top: number;
  width: number;
  height: number;
}

/**
 * Takes files and folders dropped anywhere on what it holds, or picked by hand, and shows where they would go. Any file
 * may come: what it is, is measured.
 */
export function DropTarget({ onFiles, label, spotAt, className = '', children }: Props) {
  const [folder, setFolder] = useState<HTMLInputElement | null>(null);
  const [aim, setAim] = useState<Aim | null>(null);
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: (files, _, event) => {
      setAim(null);
      onFiles(files.filter(isWanted), under(event));
    },
    onDragOver: (event) => {
      const at = under(event);
      const spot = at && spotAt?.(at);
      const next = spot ? aimAt(spot, event.currentTarget) : null;
      setAim((now) => (dequal(now, next) ? now : next));
    },
    noClick: true,
    // Pasting works wherever the focus is (places/shell/usePaste): here it would come twice.
    noPaste: true,
    noKeyboard: true,
    // What is dropped beside it is told where it belongs (places/shell/useStrayDrops).
    preventDropOnDocument: false,
  });
  return (
    <div {...getRootProps()} className={`relative ${className}`}>
      <input {...getInputProps({ 'aria-label': label })} />
      <input
        ref={setFolder}
        type="file"
        hidden
        aria-label={`${label}: a folder`}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])].filter(isWanted);
          target.value = '';
          if (files.length > 0) onFiles(files, null);
        }}
        {...{ webkitdirectory: '' }}
      />
      {children(open, () => {
        folder?.click();
      })}
      {isDragActive && (
        <div
          data-aim
          style={aim ?? { inset: 0 }}
          className="pointer-events-none absolute z-30 grid place-items-center border-4 border-tape bg-docket/80 p-1 text-center font-semibold"
        >
          {aim?.label ?? label}
        </div>
      )}
    </div>
  );
}

function aimAt({ element, label }: DropSpot, root: Element): Aim {
  const own = root.getBoundingClientRect();
  const { left, top, width, height } = element.getBoundingClientRect();
  return { label, left: left - own.left, top: top - own.top, width, height };
}

/** What lies under the pointer of a drop; null where files were picked by hand. */
function under(event: DropEvent): Element | null {
  return 'dataTransfer' in event && event.target instanceof Element ? event.target : null;
}

/** Files that a system keeps in folders for itself are nobody's artwork. */
function isWanted({ name }: File): boolean {
  return !name.startsWith('.') && !/^(thumbs\.db|desktop\.ini)$/i.test(name);
}
