import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsString,
  Length as TextLength,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import type { ClothFlaw, StockCloth } from '@/core/cloth/clothStock';

class ClothFlawDto implements ClothFlaw {
  @IsNumber() @Min(0) @Max(200_000) x!: number;
  @IsNumber() @Min(0) @Max(200_000) y!: number;
  @IsNumber() @Min(1) @Max(6000) w!: number;
  @IsNumber() @Min(1) @Max(200_000) h!: number;
  @IsString() @MaxLength(80) note!: string;
}

/** Flaws of a cloth: a list of places. */
const Flaws = (): PropertyDecorator => (target, key) => {
  IsArray()(target, key as string);
  ArrayMaxSize(60)(target, key as string);
  ValidateNested({ each: true })(target, key as string);
  Type(() => ClothFlawDto)(target, key as string);
};

export class AddClothDto implements Omit<StockCloth, 'id'> {
  @IsIn(['roll', 'offcut']) kind!: StockCloth['kind'];
  @IsString() @TextLength(1, 64) fabric!: string;
  @IsString() @TextLength(1, 40) tag!: string;
  @IsNumber() @Min(50) @Max(6000) widthMm!: number;
  @IsNumber() @Min(0) @Max(100) selvedgeMm!: number;
  @IsNumber() @Min(1) @Max(200_000) lengthMm!: number;
  @Flaws() flaws!: ClothFlaw[];
  @IsString() @TextLength(1, 80) maker!: string;
}

export class ChangeClothDto {
  @IsString() @TextLength(1, 64) id!: string;
  @IsInt() @Min(1) revision!: number;
  @IsNumber() @Min(0) @Max(200_000) lengthMm!: number;
  @Flaws() flaws!: ClothFlaw[];
  /** Used up or thrown away. */
  @IsBoolean() gone!: boolean;
  @IsString() @TextLength(1, 80) maker!: string;
}

class PlacedDto {
  @IsString() @TextLength(1, 64) id!: string;
  @IsInt() @Min(0) @Max(200_000) x!: number;
  @IsInt() @Min(0) @Max(200_000) y!: number;
  @IsBoolean() turned!: boolean;
}

class CutSheetDto {
  @IsString() @TextLength(1, 64) id!: string;
  @IsInt() @Min(1) revision!: number;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(100)
  @ValidateNested({ each: true })
  @Type(() => PlacedDto)
  placed!: PlacedDto[];
}

export class CutClothDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => CutSheetDto)
  sheets!: CutSheetDto[];
  @IsString() @TextLength(1, 80) maker!: string;
}
