import 'reflect-metadata';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsString,
  Length as TextLength,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import type { RackBar } from '@/core/frame/rack';

export class AddToRackDto implements Omit<RackBar, 'id'> {
  @IsString() @TextLength(1, 64) profile!: string;
  @IsIn(['pairs', 'timber', 'brace']) kind!: RackBar['kind'];
  @IsString() @TextLength(1, 60) family!: string;
  @IsNumber() @Min(50) @Max(12_000) lengthMm!: number;
  @IsInt() @Min(1) @Max(500) count!: number;
  @IsString() @MaxLength(120) mark!: string;
  @IsString() @TextLength(1, 80) maker!: string;
}

export class TakeFromRackDto {
  @IsString() @TextLength(1, 64) id!: string;
  @IsInt() @Min(1) @Max(500) count!: number;
  @IsString() @TextLength(1, 80) maker!: string;
}

export class RecordCutsDto {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(60) @IsString({ each: true }) jobIds!: string[];
  /** What the plan on the screen took and left, so that a plan that has changed since is not recorded unseen. */
  @IsString() @TextLength(1, 100) seen!: string;
  @IsString() @TextLength(1, 80) maker!: string;
}
