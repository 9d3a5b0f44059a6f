'use client';
/* One thing that may be otherwise in a variant: typed or chosen as on the page of the job. */
import { printed } from '@/core/quantities/printed';
import { MARGIN_STYLES } from '@/core/cloth/marginStyles';
import { FASTENERS } from '@/core/fasten/fasteners';
import { ROUTES } from '@/core/fasten/routes';
import type { HouseRules } from '@/core/house/houseRules';
import { fabricsOf, profilesOf } from '@/core/house/materials';
import type { JobInputs } from '@/core/job/job';
import { SYSTEMS } from '@/core/prime/grounds';
import { MOST_BRACES, evenBraces } from '@/core/stages/bars/barsInputs';
import { type ChangedField, type Changes, valueIn } from '@/core/variant/variant';
import { printTyped } from '@/core/units/length';
import { Choice, LengthField, NumberField } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';

type Named = readonly { id: string; name: string }[];

export const FIELD_NAMES: Record<ChangedField, string> = {
  width: 'Width',
  height: 'Height',
  profile: 'Bar',
  bracesUpright: 'Upright braces',
  bracesLevel: 'Level braces',
  tensionNPerM: 'Tension wanted',
  fabric: 'Cloth',
  marginStyle: 'Margin',
  fastener: 'Fastener',
  route: 'Route',
  system: 'Ground',
};

/** What is chosen from a table. */
const OPTIONS: Partial<Record<ChangedField, (rules: HouseRules) => Named>> = {
  profile: profilesOf,
  fabric: fabricsOf,
  marginStyle: () => MARGIN_STYLES,
  fastener: () => FASTENERS,
  route: () => ROUTES,
  system: () => SYSTEMS,
};

const COUNTS: Named = Array.from({ length: MOST_BRACES + 1 }, (_, count) => ({ id: String(count), name: String(count) }));

/** A field as words: what stands in a job that cannot be changed here. */
export function fieldWords(field: ChangedField, inputs: JobInputs, rules: HouseRules): string {
  const { width, height } = inputs.brief;
  if (field === 'width') return printTyped(width);
  if (field === 'height') return printTyped(height);
  if (field === 'tensionNPerM') return printed('tension', inputs.bars.tensionNPerM);
  if (field === 'bracesUpright' || field === 'bracesLevel') return String(inputs.bars[field].length);
  const id = valueIn(inputs, field);
  return OPTIONS[field]!(rules).find((one) => one.id === id)?.name ?? id;
}

interface VariantFieldProps {
  field: ChangedField;
  /** Named in the label, so that fields of two variants are told apart. */
  variant: string;
  /** The variant as a whole job. */
  inputs: JobInputs;
  onChange: (patch: Partial<Changes>) => void;
}

export function VariantField({ field, variant, inputs, onChange }: VariantFieldProps) {
  const { rules } = useWorkshop();
  const label = `${FIELD_NAMES[field]}, ${variant}`;
  switch (field) {
    case 'width':
    case 'height':
      return (
        <LengthField
          label={label}
          of="faceLength"
          value={inputs.brief[field]}
          hideLabel
          onChange={(value) => onChange({ [field]: value })}
        />
      );
    case 'tensionNPerM':
      return (
        <NumberField
          label={label}
          of="tension"
          value={inputs.bars.tensionNPerM}
          hideLabel
          onChange={(tensionNPerM) => onChange({ tensionNPerM })}
        />
      );
    case 'bracesUpright':
    case 'bracesLevel':
      return (
        <Choice
          label={label}
          hideLabel
          value={String(inputs.bars[field].length)}
          options={COUNTS}
          onChange={(count) => onChange({ [field]: evenBraces(Number(count)) })}
        />
      );
    default:
      return (
        <Choice
          label={label}
          hideLabel
          value={String(valueIn(inputs, field))}
          options={OPTIONS[field]!(rules)}
          onChange={(id) => onChange({ [field]: id })}
        />
      );
  }
}
