'use client';
/* The air that a canvas is looked at or measured in, beside the reading that it belongs to. */
import { printed } from '@/core/quantities/printed';
import type { ReadAir } from '@/core/log/readAir';
import type { AirReading } from '@/core/tension/clothWeather';
import { NumberField } from '@/ui/form/fields';

export const NOT_READ: ReadAir = { celsius: null, rh: null };

interface AirFieldsProps {
  air: ReadAir;
  onAir: (air: ReadAir) => void;
  /** The canvas is here: the air of the house is its own. */
  inHouse: boolean;
  /** What the hygrometer says now; null when it was not read for hours. */
  houseAir: AirReading | null;
  disabled?: boolean;
}

/** Two fields for a grid of two columns. */
export const AirFields = ({ air, onAir, inHouse, houseAir, disabled = false }: AirFieldsProps) => (
  <>
    <NumberField
      label="Humidity there"
      of="humidity"
      value={air.rh}
      placeholder={inHouse && houseAir ? String(Math.round(houseAir.rh)) : ''}
      onChange={(rh) => onAir({ ...air, rh })}
      onClear={() => onAir({ ...air, rh: null })}
      disabled={disabled}
    />
    <NumberField
      label="Temperature there"
      of="temperature"
      value={air.celsius}
      onChange={(celsius) => onAir({ ...air, celsius })}
      onClear={() => onAir({ ...air, celsius: null })}
      disabled={disabled}
    />
  </>
);

/** What stands where the fields are left empty. */
export const airHint = (inHouse: boolean, houseAir: AirReading | null): string =>
  !inHouse
    ? 'Read the humidity where it hangs: left empty, it stays unread.'
    : houseAir
      ? `Left empty, the humidity is that of the hygrometer here: ${printed('humidity', houseAir.rh)}.`
      : 'Left empty, the air stays unread: what the weather did cannot be taken off later.';
