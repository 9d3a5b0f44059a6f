'use client';
import { type KeyboardEvent, type ReactNode, useId, useState } from 'react';
import { SplitHandle, splitClass, splitStyle, useSplit } from './drawing/SplitHandle';

export interface Tab {
  id: string;
  name: string;
  show: () => ReactNode;
}

/** A few lists in one place, one in sight; arrow keys go from tab to tab. */
export function Tabs({
  label,
  tabs,
  className,
  split,
  onOpen,
}: {
  label: string;
  tabs: readonly Tab[];
  className?: string;
  /** Under a drawing: the name by which the height it was drawn to is remembered. */
  split?: string;
  /** Told which one is in sight, when it changes. */
  onOpen?: (id: string) => void;
}) {
  const base = useId();
  const drawn = useSplit(split);
  const [chosen, setChosen] = useState(tabs[0]!.id);
  const choose = (id: string) => {
    setChosen(id);
    onOpen?.(id);
  };
  const open = tabs.find((tab) => tab.id === chosen) ?? tabs[0]!;
  const key = (event: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = tabs[(tabs.indexOf(open) + step + tabs.length) % tabs.length]!;
    choose(next.id);
    document.getElementById(`${base}-${next.id}`)?.focus();
  };
  return (
    <div
      className={`hair-t relative flex min-h-0 flex-col ${className ?? ''} ${split ? splitClass(drawn) : ''}`}
      style={splitStyle(drawn)}
    >
      {split && <SplitHandle id={split} px={drawn} />}
      <div role="tablist" aria-label={label} className="no-print flex gap-x-5 overflow-x-auto px-5 text-[14px]" onKeyDown={key}>
        {tabs.map((tab) => (
          <button
            key={tab.id}
            id={`${base}-${tab.id}`}
            type="button"
            role="tab"
            aria-selected={tab.id === open.id}
            aria-controls={`${base}-panel`}
            tabIndex={tab.id === open.id ? 0 : -1}
            className={`shrink-0 cursor-pointer border-b-[3px] py-1 whitespace-nowrap ${tab.id === open.id ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
            onClick={() => choose(tab.id)}
          >
            {tab.name}
          </button>
        ))}
      </div>
      <div
        id={`${base}-panel`}
        role="tabpanel"
        aria-labelledby={`${base}-${open.id}`}
        tabIndex={0}
        className="hair-t relative min-h-0 flex-1 overflow-auto px-5 py-2"
      >
        {open.show()}
      </div>
    </div>
  );
}
