import 'reflect-metadata';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
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
import { SUBSTANCES, type SubstanceId } from '@/core/prime/substances';

export class SetStockDto {
  @IsIn(SUBSTANCES.map(({ id }) => id)) substance!: SubstanceId;
  @IsNumber() @Min(0) @Max(1_000_000) amount!: number;
  @IsInt() @Min(0) @Max(100_000_000) priceMinor!: number;
  @IsInt() @Min(0) revision!: number;
  @IsString() @TextLength(1, 80) maker!: string;
}

export class RecordBatchDto {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(60) @ArrayUnique() @IsString({ each: true }) jobIds!: string[];
  @IsNumber() @Min(1) @Max(200_000) mixedMl!: number;
  @IsNumber() @Min(0) @Max(200_000) leftMl!: number;
  @IsString() @TextLength(1, 80) maker!: string;
  @IsString() @MaxLength(2000) note!: string;
  @IsString() @MaxLength(2000) reason!: string;
}
