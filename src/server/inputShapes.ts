/* Shapes of what is typed for a job: lengths, readings that may be missing, parts with fields of their own. */
import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsDefined, IsIn, IsNumber, Max, Min, ValidateIf, ValidateNested } from 'class-validator';
import type { Length, LengthUnit } from '@/core/units/length';

const UNITS: LengthUnit[] = ['mm', 'cm', 'm', 'in', 'ft'];

export class LengthDto implements Length {
  @IsNumber({ allowNaN: false, allowInfinity: false }) @Min(0) @Max(100_000) mm!: number;
  @IsIn(UNITS) unit!: LengthUnit;
}

export class AboveZeroDto extends LengthDto {
  @IsNumber({ allowNaN: false, allowInfinity: false })
  @Min(5)
  @Max(100_000)
  declare mm: number;
}

/** A length that must be there. */
export const LengthField =
  (shape: () => new () => LengthDto = () => LengthDto): PropertyDecorator =>
  (target, key) => {
    IsDefined()(target, key as string);
    ValidateNested()(target, key as string);
    Type(shape)(target, key as string);
  };

/** An object of this shape, or null where there is none; leaving it out is an error. */
export const OrNull =
  (shape: () => new () => object): PropertyDecorator =>
  (target, key) => {
    ValidateIf((_object, value) => value !== null)(target, key as string);
    IsDefined()(target, key as string);
    ValidateNested()(target, key as string);
    Type(shape)(target, key as string);
  };

/** A length, or null where nothing was read. */
export const ReadingField = (): PropertyDecorator => OrNull(() => LengthDto);

export const Nested =
  (shape: () => new () => object): PropertyDecorator =>
  (target, key) => {
    IsDefined()(target, key as string);
    ValidateNested()(target, key as string);
    Type(shape)(target, key as string);
  };

/** A number that may be left open. */
export const Open =
  (least: number, most: number): PropertyDecorator =>
  (target, key) => {
    ValidateIf((_object, value) => value !== null)(target, key as string);
    IsNumber()(target, key as string);
    Min(least)(target, key as string);
    Max(most)(target, key as string);
  };
