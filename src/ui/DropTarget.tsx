'use client';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';

interface Props {
  onFiles: (files: File[]) => void;
  label: string;
  className?: string;
  children: (open: () => void, openFolder: () => void) => React.ReactNode;
}

/**
 * Takes files and folders dropped anywhere on what it holds, or picked by hand. Any file may come: what it is, is
 * measured.
 */
export function DropTarget({ onFiles, label, className = '', children }: Props) {
  const [folder, setFolder] = useState<HTMLInputElement | null>(null);
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: (files) => {
      onFiles(files.filter(isWanted));
    },
    noClick: true,
    noKeyboard: true,
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
          if (files.length > 0) onFiles(files);
        }}
        {...{ webkitdirectory: '' }}
      />
      {children(open, () => {
        folder?.click();
      })}
      {isDragActive && (
        <div className="pointer-events-none absolute inset-0 z-30 grid place-items-center border-4 border-tape bg-docket/80 text-lg font-semibold">
          {label}
        </div>
      )}
    </div>
  );
}

/** Files that a system keeps in folders for itself are nobody's artwork. */
function isWanted({ name }: File): boolean {
  return !name.startsWith('.') && !/^(thumbs\.db|desktop\.ini)$/i.test(name);
}
