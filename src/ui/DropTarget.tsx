'use client';
import { useDropzone } from 'react-dropzone';

interface Props {
  onFiles: (files: File[]) => void;
  label: string;
  className?: string;
  children: (open: () => void) => React.ReactNode;
}

/** Takes files dropped anywhere on what it holds, or picked by hand. Any file may come: what it is, is measured. */
export function DropTarget({ onFiles, label, className = '', children }: Props) {
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: onFiles,
    noClick: true,
    noKeyboard: true,
  });
  return (
    <div {...getRootProps()} className={`relative ${className}`}>
      <input {...getInputProps({ 'aria-label': label })} />
      {children(open)}
      {isDragActive && (
        <div className="pointer-events-none absolute inset-0 z-30 grid place-items-center border-4 border-tape bg-docket/80 text-lg font-semibold">
          {label}
        </div>
      )}
    </div>
  );
}
