'use client';
import type { ReactNode } from 'react';
import { Dialog } from './Dialog';

interface FormDialogProps {
  title: string;
  onClose: () => void;
  onSubmit: () => void;
  /** What the button says that does it. */
  does: string;
  disabled?: boolean;
  /** What went wrong, in a sentence. */
  error: string | null;
  children: ReactNode;
}

/** A dialog that asks a few things and does one: Enter does it, Escape lets it be. */
export function FormDialog({ title, onClose, onSubmit, does, disabled = false, error, children }: FormDialogProps) {
  return (
    <Dialog title={title} onClose={onClose}>
      <form
        noValidate
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!disabled) onSubmit();
        }}
      >
        {children}
        {error !== null && (
          <p role="alert" className="text-[14px] text-error">
            {error}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-outline h-11" onClick={onClose}>
            Cancel
          </button>
          <button type="submit" className="btn btn-primary h-11" disabled={disabled}>
            {does}
          </button>
        </div>
      </form>
    </Dialog>
  );
}
