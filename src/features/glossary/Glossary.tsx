'use client';
/* The words of the trade that stand on this screen: one opens by a click on it, all of them by their key. */
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import type { Term } from '@/core/glossary/terms';
import { typing } from '@/ui/form/typing';
import { useTerms } from './useTerms';

/** Loaded when a word is asked for. */
const GlossaryDialog = dynamic(() => import('./GlossaryDialog').then((module) => module.GlossaryDialog));

export function Glossary() {
  const terms = useTerms();
  const [open, setOpen] = useState<'all' | Term | null>(null);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key === 'y' && !typing(event) && !event.ctrlKey && !event.metaKey && !event.altKey) setOpen('all');
    };
    const click = ({ clientX, clientY, target }: MouseEvent) => {
      if (target instanceof Element && target.closest('a, button, input, select, textarea, label, [role=slider]')) return;
      const hit = terms.find(({ range }) =>
        [...range.getClientRects()].some(
          (box) => clientX >= box.left && clientX <= box.right && clientY >= box.top && clientY <= box.bottom,
        ),
      );
      if (hit) setOpen(hit.term);
    };
    window.addEventListener('keydown', press);
    document.addEventListener('click', click);
    return () => {
      window.removeEventListener('keydown', press);
      document.removeEventListener('click', click);
    };
  }, [terms]);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-xs h-7 text-[14px] font-normal"
        title="Words of the trade on this screen (y)"
        onClick={() => setOpen('all')}
      >
        Glossary
      </button>
      {open && (
        <GlossaryDialog
          terms={open === 'all' ? terms.map(({ term }) => term) : [open]}
          title={open === 'all' ? 'Words on this screen' : open.word}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}
