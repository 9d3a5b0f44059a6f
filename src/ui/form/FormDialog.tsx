'use client';
import type { ReactNode } from 'react';
import { Dialog } from '../Dialog';
import { type Act, Form, FormTrouble, SendButton } from './Form';

interface FormDialogProps {
  title: string;
  onClose: () => void;
  /** Does it; the dialog closes when it was done. */
  onSend: Act;
  /** What the button says that does it. */
  does: string;
  disabled?: boolean;
  /** It is on the way to another page when it is done: nothing closes before that is there. */
  staysOpen?: boolean;
  children: ReactNode;
}

/** A dialog that asks a few things and does one: Enter does it, Escape lets it be. */
export function FormDialog({ title, onClose, onSend, does, disabled, staysOpen, children }: FormDialogProps) {
  const send: Act = async () => {
    const wrong = await onSend();
    if (wrong === null && !staysOpen) onClose();
    return wrong;
  };
  return (
    <Dialog title={title} onClose={onClose}>
      <Form className="space-y-3" onSend={send}>
        {children}
        <FormTrouble />
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-outline h-11" onClick={onClose}>
            Cancel
          </button>
          <SendButton className="btn btn-primary h-11" disabled={disabled} quiet>
            {does}
          </SendButton>
        </div>
      </Form>
    </Dialog>
  );
}
