'use client';
/* Which roll or offcut a recorded cut draws down; or what was cut for this job already. */
import { format } from 'date-fns';
import type { RollFit } from '@/core/cloth/rollFit';
import { printLength, printSize } from '@/core/units/length';
import type { JobCut, StoredCloth } from '@/db/clothSheets';
import { Choice } from '@/ui/form/fields';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

/** Not from the store: nothing is drawn down. */
export const NOT_STORED = '';

interface CutFromProps {
  cloth: StoredCloth[];
  fabric: string;
  fit: RollFit;
  /** Width of the roll that the plan reckons with, mm. */
  rollWidthMm: number;
  cut: JobCut | null;
  chosen: string;
  onChoose: (cloth: StoredCloth | null) => void;
}

/** The first roll or offcut that the piece lies on as it is, offcuts before rolls. */
export function clothThatFits(cloth: StoredCloth[], fabric: string, { acrossMm, alongMm }: RollFit): StoredCloth | null {
  const fits = cloth.filter((one) => one.fabric === fabric && one.widthMm >= acrossMm && one.lengthMm >= alongMm);
  return fits.find((one) => one.kind === 'offcut') ?? fits[0] ?? null;
}

export function CutFrom({ cloth, fabric, fit, rollWidthMm, cut, chosen, onChoose }: CutFromProps) {
  const { tape } = useWorkshop();
  if (cut) {
    const same = Math.abs(cut.alongMm - fit.alongMm) < 1 && Math.abs(cut.acrossMm - fit.acrossMm) < 1;
    return (
      <p className={`text-[14px] ${same ? '' : 'text-warning'}`}>
        Cut already: <Figure>{printSize(cut.alongMm, cut.acrossMm, tape)}</Figure> off {cut.tag},{' '}
        {format(new Date(cut.at), 'EEE d MMM')}.
        {!same && (
          <>
            {' '}
            The plan now asks for <Figure>{printSize(fit.alongMm, fit.acrossMm, tape, 'up')}</Figure>: measure the piece again.
          </>
        )}
      </p>
    );
  }
  const own = cloth.filter((one) => one.fabric === fabric);
  if (own.length === 0) return null;
  const from = own.find((one) => one.id === chosen);
  return (
    <div>
      <Choice
        label="Cut from, in the store"
        value={chosen}
        options={[
          ...own.map(({ id, tag, kind, lengthMm }) => ({
            id,
            name: `${tag}, ${kind}, ${printLength(lengthMm, tape, 'down')} left`,
          })),
          { id: NOT_STORED, name: 'not from the store' },
        ]}
        onChange={(id: string) => onChoose(own.find((one) => one.id === id) ?? null)}
      />
      {from && Math.abs(from.widthMm - rollWidthMm) > 0.5 && (
        <p className="mt-1 text-[13.5px]">
          <Figure>{`${from.tag} is ${printLength(from.widthMm, tape)} wide; the plan reckons with ${printLength(rollWidthMm, tape)}.`}</Figure>{' '}
          <button type="button" className="cursor-pointer underline underline-offset-2" onClick={() => onChoose(from)}>
            Reckon with {from.tag}
          </button>
        </p>
      )}
    </div>
  );
}
