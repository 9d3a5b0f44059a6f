'use client';
import { type ReactNode, createContext, useContext, useMemo, useState } from 'react';
import { type HouseRules, tapeFor } from '@/core/house/houseRules';
import type { Tape } from '@/core/units/length';

interface WorkshopView {
  rules: HouseRules;
  tape: Tape;
  setUnit: (unit: Tape['unit']) => void;
  /** Whose hands are at work: stands on every record. */
  maker: string;
  setMaker: (name: string) => void;
}

const Context = createContext<WorkshopView | null>(null);

const YEAR = 31_536_000;

/** Keeps a choice of the interface in a cookie, so that the next page comes from the server as chosen. */
export function keepChoice(name: 'unit' | 'theme' | 'maker', value: string): void {
  document.cookie = `${name}=${encodeURIComponent(value)}; path=/; max-age=${YEAR}; samesite=strict`;
}

/** The rules of the house and the tape in hand, for every screen; units switch everywhere at once. */
export function WorkshopProvider({
  rules,
  unit: first,
  maker: firstMaker,
  children,
}: {
  rules: HouseRules;
  unit: Tape['unit'];
  maker: string | null;
  children: ReactNode;
}) {
  const [unit, choose] = useState(first);
  const [chosen, chooseMaker] = useState(firstMaker);
  const maker = chosen !== null && rules.makers.includes(chosen) ? chosen : rules.makers[0]!;
  const view = useMemo<WorkshopView>(
    () => ({
      rules,
      tape: tapeFor(rules, unit),
      setUnit: (next) => {
        keepChoice('unit', next);
        choose(next);
      },
      maker,
      setMaker: (name) => {
        keepChoice('maker', name);
        chooseMaker(name);
      },
    }),
    [rules, unit, maker],
  );
  return <Context value={view}>{children}</Context>;
}

export function useWorkshop(): WorkshopView {
  const view = useContext(Context);
  if (!view) throw new Error('useWorkshop needs a WorkshopProvider above it');
  return view;
}
