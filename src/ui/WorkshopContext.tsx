'use client';
import { type ReactNode, createContext, useContext, useMemo, useState } from 'react';
import { type HouseRules, tapeFor } from '@/core/house/houseRules';
import type { Tape } from '@/core/units/length';

/** A device of the house, as it is known to its own screen. */
export interface DeviceHere {
  name: string;
  role: 'maker' | 'viewer';
}

interface WorkshopView {
  rules: HouseRules;
  tape: Tape;
  setUnit: (unit: Tape['unit']) => void;
  /** Whose hands are at work: stands on every record. */
  maker: string;
  /** Somebody said so at this device. */
  makerChosen: boolean;
  setMaker: (name: string) => void;
  /** The device in the house that this is; null at the machine that the workshop runs on. */
  device: DeviceHere | null;
  /** It sees and ticks; a maker’s device writes. */
  looksOn: boolean;
}

const Context = createContext<WorkshopView | null>(null);

const YEAR = 31_536_000;

/** Keeps a choice of the interface in a cookie, so that the next page comes from the server as chosen. */
export function keepChoice(name: 'unit' | 'theme' | 'maker', value: string): void {
  try {
    document.cookie = `${name}=${encodeURIComponent(value)}; path=/; max-age=${YEAR}; samesite=strict`;
  } catch {
    // A browser that keeps nothing forgets it with the tab.
  }
}

/** The rules of the house and the tape in hand, for every screen; units switch everywhere at once. */
export function WorkshopProvider({
  rules,
  unit: first,
  maker: firstMaker,
  device,
  children,
}: {
  rules: HouseRules;
  unit: Tape['unit'];
  maker: string | null;
  device: DeviceHere | null;
  children: ReactNode;
}) {
  const [unit, choose] = useState(first);
  const [chosen, chooseMaker] = useState(firstMaker);
  const makerChosen = chosen !== null && rules.makers.includes(chosen);
  const maker = makerChosen ? chosen : rules.makers[0]!;
  const view = useMemo<WorkshopView>(
    () => ({
      rules,
      tape: tapeFor(rules, unit),
      setUnit: (next) => {
        keepChoice('unit', next);
        choose(next);
      },
      maker,
      makerChosen,
      setMaker: (name) => {
        keepChoice('maker', name);
        chooseMaker(name);
      },
      device,
      looksOn: device?.role === 'viewer',
    }),
    [rules, unit, maker, makerChosen, device],
  );
  return <Context value={view}>{children}</Context>;
}

export function useWorkshop(): WorkshopView {
  const view = useContext(Context);
  if (!view) throw new Error('useWorkshop needs a WorkshopProvider above it');
  return view;
}
