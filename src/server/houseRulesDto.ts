import 'reflect-metadata';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsObject,
  IsString,
  Length as TextLength,
  Min,
  Validate,
  type ValidationArguments,
  ValidatorConstraint,
  type ValidatorConstraintInterface,
} from 'class-validator';
import { ASSUMPTIONS } from '@/core/job/assumptions';
import { type HouseRules, ruleViolations } from '@/core/job/houseRules';

const IDS = new Set<string>(ASSUMPTIONS.map((one) => one.id));

/** Overrides are numbers under known ids, each within its table's range. */
@ValidatorConstraint({ name: 'assumptions' })
class AssumptionsInRange implements ValidatorConstraintInterface {
  validate(value: unknown, { object }: ValidationArguments): boolean {
    return problems(value, object as HouseRules).length === 0;
  }

  defaultMessage({ value, object }: ValidationArguments): string {
    return problems(value, object as HouseRules).join(' ');
  }
}

function problems(value: unknown, rules: HouseRules): string[] {
  if (typeof value !== 'object' || value === null) return ['assumptions must be an object'];
  const entries = Object.entries(value);
  const odd = entries.filter(([id, one]) => !IDS.has(id) || typeof one !== 'number' || !Number.isFinite(one));
  if (odd.length > 0) return odd.map(([id]) => `${id}: no assumption of that name, or not a number.`);
  return ruleViolations({ ...rules, assumptions: value });
}

export class HouseRulesDto implements HouseRules {
  @IsString() @TextLength(1, 80) workshop!: string;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @TextLength(1, 80, { each: true })
  makers!: string[];
  @IsString() @TextLength(1, 4) currency!: string;
  @IsIn([1, 0.5]) metricStep!: HouseRules['metricStep'];
  @IsIn([16, 32]) inchStep!: HouseRules['inchStep'];
  @IsObject() @Validate(AssumptionsInRange) assumptions!: HouseRules['assumptions'];
}

export class SaveRulesDto {
  @IsInt() @Min(0) revision!: number;
  @IsObject() rules!: HouseRules;
}
