'use client';
/*
 * Words of the trade on the screen that is open: each underlined where it stands first. Marked beside the text, which stays as it
 * is; a browser that cannot mark shows none, and the list of them under their key all the same.
 */
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Term, termsIn } from '@/core/glossary/terms';

export interface FoundTerm {
  term: Term;
  range: Range;
}

/** A pause after the page changed before it is read again, ms. */
const PAUSE_MS = 400;
/** What has words of its own: fields, buttons that do something else, drawings. */
const LEFT_OUT = 'input, textarea, select, option, button, a, svg, h1, dialog, [data-no-terms]';

/** The first place of every word of the trade on the page. */
export function findTerms(root: Element): FoundTerm[] {
  const found = new Map<string, FoundTerm>();
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    if (!node.textContent?.trim() || node.parentElement?.closest(LEFT_OUT)) continue;
    for (const { term, from, to } of termsIn(node.textContent)) {
      if (found.has(term.id)) continue;
      const range = document.createRange();
      range.setStart(node, from);
      range.setEnd(node, to);
      found.set(term.id, { term, range });
    }
  }
  return [...found.values()];
}

export function useTerms(): FoundTerm[] {
  const path = usePathname();
  const [terms, setTerms] = useState<FoundTerm[]>([]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = () => {
      const main = document.querySelector('main');
      const found = main && !main.classList.contains('bench-mode') ? findTerms(main) : [];
      setTerms(found);
      if ('highlights' in CSS) CSS.highlights.set('terms', new Highlight(...found.map(({ range }) => range)));
    };
    const later = () => {
      clearTimeout(timer);
      timer = setTimeout(look, PAUSE_MS);
    };
    later();
    const watch = new MutationObserver(later);
    watch.observe(document.body, { subtree: true, childList: true, characterData: true });
    return () => {
      clearTimeout(timer);
      watch.disconnect();
    };
  }, [path]);
  return terms;
}
