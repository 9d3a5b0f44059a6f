import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  Length as TextLength,
  Matches,
  MaxLength,
  Min,
  Validate,
  ValidateIf,
  ValidateNested,
  type ValidationArguments,
  ValidatorConstraint,
  type ValidatorConstraintInterface,
} from 'class-validator';
import { JOINTS } from '@/core/frame/joints';
import { type Materials, NO_CHANGES, materialViolations } from '@/core/job/materials';
import type { PricedLength, Profile } from '@/core/frame/profiles';
import type { Species } from '@/core/frame/timber';
import type { Fabric } from '@/core/cloth/fabrics';
import { ASSUMPTIONS } from '@/core/job/assumptions';
import { type HouseRules, ruleViolations, type Liking, type Policies } from '@/core/job/houseRules';

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
  return ruleViolations({ ...rules, assumptions: value, materials: NO_CHANGES });
}

class PricedLengthDto implements PricedLength {
  @IsNumber() mm!: number;
  @IsInt() @Min(0) priceMinor!: number;
}

const Lengths = (): PropertyDecorator => (target, key) => {
  IsArray()(target, key as string);
  ArrayMaxSize(80)(target, key as string);
  ValidateNested({ each: true })(target, key as string);
  Type(() => PricedLengthDto)(target, key as string);
};

class BraceSectionDto {
  @IsNumber() widthMm!: number;
  @IsNumber() depthMm!: number;
  @Lengths() lengths!: PricedLength[];
}

class ProfileDto implements Profile {
  @Matches(/^[A-Za-z0-9-]{1,64}$/) id!: string;
  @IsString() @TextLength(1, 80) name!: string;
  @IsBoolean() beadStrip!: boolean;
  @Lengths() pairs!: PricedLength[];
  @Lengths() timber!: PricedLength[];
  @IsBoolean() offered!: boolean;
  @IsString() @MaxLength(200) source!: string;
  @IsNumber() widthMm!: number;
  @IsNumber() depthMm!: number;
  @IsNumber() beadMm!: number;
  @IsArray() @IsIn(JOINTS.map((one) => one.id), { each: true }) joints!: Profile['joints'];
  @IsString() @TextLength(1, 60) family!: string;
  @IsString() @MaxLength(200) suits!: string;
  @IsDefined() @ValidateNested() @Type(() => BraceSectionDto) brace!: Profile['brace'];
}

class SpeciesDto implements Species {
  @Matches(/^[A-Za-z0-9-]{1,64}$/) id!: string;
  @IsString() @TextLength(1, 80) name!: string;
  @IsNumber() eGPa!: number;
  @IsNumber() densityKgM3!: number;
  @ValidateIf((_object, value) => value !== null) @IsNumber() knots!: number | null;
  @IsBoolean() offered!: boolean;
  @IsString() @MaxLength(200) source!: string;
}

class FabricDto implements Fabric {
  @Matches(/^[A-Za-z0-9-]{1,64}$/) id!: string;
  @IsString() @TextLength(1, 80) name!: string;
  @IsIn(['cotton', 'linen', 'polyester', 'blend']) fibre!: Fabric['fibre'];
  @IsNumber() gsm!: number;
  @IsNumber() thicknessMm!: number;
  @IsNumber() stiffnessWarpKNPerM!: number;
  @IsNumber() stiffnessWeftKNPerM!: number;
  @IsNumber() stretchWarp!: number;
  @IsNumber() stretchWeft!: number;
  @IsNumber() shrinkWarp!: number;
  @IsNumber() shrinkWeft!: number;
  @IsBoolean() primed!: boolean;
  @IsBoolean() tearsTrue!: boolean;
  @IsBoolean() wantsPliers!: boolean;
  @Lengths() rolls!: PricedLength[];
  @IsBoolean() offered!: boolean;
  @IsString() @MaxLength(200) source!: string;
}

/** Rows that can be built with; the core says what is wrong. */
@ValidatorConstraint({ name: 'materials' })
class MaterialsHold implements ValidatorConstraintInterface {
  validate(value: unknown): boolean {
    return !(value instanceof MaterialsDto) || materialViolations(value).length === 0;
  }

  defaultMessage({ value }: ValidationArguments): string {
    return materialViolations(value as Materials).join(' ');
  }
}

export class MaterialsDto implements Materials {
  @IsArray() @ArrayMaxSize(100) @ValidateNested({ each: true }) @Type(() => ProfileDto) profiles!: Profile[];
  @IsArray() @ArrayMaxSize(100) @ValidateNested({ each: true }) @Type(() => SpeciesDto) species!: Species[];
  @IsArray() @ArrayMaxSize(100) @ValidateNested({ each: true }) @Type(() => FabricDto) fabrics!: Fabric[];
}

const LIKINGS: Liking[] = ['liked', 'allowed', 'never'];

class PoliciesDto implements Policies {
  @IsIn(LIKINGS) water!: Liking;
  @IsIn(LIKINGS) keys!: Liking;
  @IsIn(LIKINGS) restretch!: Liking;
  @IsBoolean() primeEdges!: boolean;
  @IsBoolean() primeBack!: boolean;
  @IsBoolean() wetFirst!: boolean;
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
  @IsDefined() @ValidateNested() @Type(() => PoliciesDto) policies!: Policies;
  @IsDefined() @ValidateNested() @Type(() => MaterialsDto) @Validate(MaterialsHold) materials!: Materials;
}

export class SaveRulesDto {
  @IsInt() @Min(0) revision!: number;
  @IsObject() rules!: HouseRules;
}
