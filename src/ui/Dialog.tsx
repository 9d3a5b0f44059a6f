'use client';
import { type ReactNode, useEffect, useRef } from 'react';

/** A modal dialog on the browser's own element: focus is kept inside, Escape closes it. */
export function Dialog({
  title,
  onClose,
  children,
  wide = false,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = ref.current;
    if (dialog && !dialog.open) dialog.showModal();
  }, []);
  return (
    <dialog ref={ref} className="modal" aria-label={title} onClose={onClose}>
      <div className={`modal-box rounded-[3px] bg-base-100 p-5 shadow-none ${wide ? 'max-w-3xl' : 'max-w-lg'}`}>
        <h2 className="mb-3 text-xl font-semibold">{title}</h2>
        {children}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button aria-label="close">close</button>
      </form>
    </dialog>
  );
}
