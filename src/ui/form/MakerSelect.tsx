'use client';
import { useWorkshop } from '../WorkshopContext';

interface MakerSelectProps {
  label: string;
  className: string;
}

/** Whose hands are at work, chosen for this device. */
export function MakerSelect({ label, className }: MakerSelectProps) {
  const { rules, maker, setMaker } = useWorkshop();
  return (
    <select className={className} aria-label={label} value={maker} onChange={(event) => setMaker(event.target.value)}>
      {rules.makers.map((name) => (
        <option key={name}>{name}</option>
      ))}
    </select>
  );
}
