'use client';
/* Keys of the bench: Space, arrows and Page keys (a foot pedal types these), digits of a reading, and a letter for each tool. */
import { useEffect, useRef } from 'react';

export interface BenchKeys {
  next: () => void;
  back: () => void;
  nextGroup: () => void;
  groupBack: () => void;
  turn: () => void;
  say: () => void;
  note: () => void;
  full: () => void;
  leave: () => void;
  readAgain: () => void;
  /** A sign of a reading; false where none is read. */
  type: (sign: string) => boolean;
  rubOut: () => boolean;
  enter: () => void;
}

const SIGN = /^[0-9.,/"]$/;

/** Whether a key belongs to what has the focus: a field, a list, a button that Space presses. */
function isTheirs(event: KeyboardEvent): boolean {
  const { target } = event;
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('input:not([type=file]), textarea, select')) return true;
  return (event.key === ' ' || event.key === 'Enter') && target.closest('button, a, summary') !== null;
}

export function useBenchKeys(keys: BenchKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTheirs(event)) return;
      // The places of the workshop have letters too: here they are tools, "?" alone is everybody’s.
      if (event.key !== '?') event.stopImmediatePropagation();
      const act = actOf(event, latest.current);
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, []);
}

function actOf({ key, shiftKey }: KeyboardEvent, keys: BenchKeys): (() => void) | null {
  if (SIGN.test(key)) return () => void keys.type(key);
  switch (key) {
    case ' ':
      // Between a whole number and its fraction a space belongs to the reading.
      return () => keys.type(' ') || keys.next();
    case 'Enter':
      return keys.enter;
    case 'PageDown':
      return keys.next;
    case 'PageUp':
      return keys.back;
    case 'ArrowRight':
    case 'ArrowDown':
      return shiftKey ? keys.nextGroup : keys.next;
    case 'ArrowLeft':
    case 'ArrowUp':
      return shiftKey ? keys.groupBack : keys.back;
    case 'Backspace':
      return () => keys.rubOut() || keys.back();
    case 'Escape':
      return keys.leave;
    case 't':
      return keys.turn;
    case 'v':
      return keys.say;
    case 'm':
      return keys.note;
    case 'f':
      return keys.full;
    case 'r':
      return keys.readAgain;
    default:
      return null;
  }
}
