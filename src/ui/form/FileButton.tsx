'use client';
import { type ReactNode, useRef } from 'react';

interface FileButtonProps {
  /** What the file is, for those who hear the page. */
  label: string;
  accept?: string;
  disabled?: boolean;
  onFile: (file: File) => void;
  children: ReactNode;
}

/** A button that asks for a file. */
export function FileButton({ label, accept = '.json,application/json', disabled = false, onFile, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        aria-label={label}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
      <button type="button" className="btn btn-outline btn-sm h-9" disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </button>
    </>
  );
}
