'use client';
/* A large keypad under a reading: what is typed stands where the figure stood. */
import { Delete } from 'lucide-react';

interface KeypadProps {
  /** A fraction, a space and the sign of an inch are wanted where inches are read. */
  inches: boolean;
  onKey: (key: string) => void;
  onBack: () => void;
}

const BACK = 'back';
const METRIC = ['7', '8', '9', BACK, '4', '5', '6', '.', '1', '2', '3', '0'];
const INCHES = ['7', '8', '9', BACK, '4', '5', '6', '/', '1', '2', '3', ' ', '.', '0', '"'];
const SAYS: Record<string, string> = { '/': 'over', ' ': 'and', '"': 'inches', '.': 'point' };

export function Keypad({ inches, onKey, onBack }: KeypadProps) {
  return (
    <div className="grid grid-cols-4 gap-2" role="group" aria-label="Keypad">
      {(inches ? INCHES : METRIC).map((key) =>
        key === BACK ? (
          <button
            key={key}
            type="button"
            className="btn btn-outline h-[64px]"
            aria-label="Take the last sign back"
            onClick={onBack}
          >
            <Delete aria-hidden className="size-7" />
          </button>
        ) : (
          <button
            key={key}
            type="button"
            className="btn btn-outline figure h-[64px] text-[30px]!"
            aria-label={SAYS[key] ?? key}
            onClick={() => onKey(key)}
          >
            {key === ' ' ? '␣' : key}
          </button>
        ),
      )}
    </div>
  );
}
