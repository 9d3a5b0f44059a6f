import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  IsBase64,
  IsDefined,
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
import type { Corner } from '@/core/frame/corners';
import type { Openings } from '@/core/tension/openCorners';
import { REMEDIES, type RemedyId } from '@/core/tension/remedies';
import type { TapPlace } from '@/core/tension/tap/membraneTone';

/** Most letters of a WAV file in base 64: five seconds at 96 000 samples a second. */
const MOST_WAV = 1_300_000;

class ReadingOfJobDto {
  @IsString() @TextLength(1, 64) jobId!: string;
  @IsInt() @Min(1) revision!: number;
  @IsString() @TextLength(1, 80) maker!: string;
  @IsString() @MaxLength(2000) note!: string;
}

class TapWavsDto implements Record<TapPlace, string> {
  @IsBase64() @MaxLength(MOST_WAV) C!: string;
  @IsBase64() @MaxLength(MOST_WAV) X!: string;
  @IsBase64() @MaxLength(MOST_WAV) Y!: string;
}

export class KeepTapsDto extends ReadingOfJobDto {
  @IsDefined() @ValidateNested() @Type(() => TapWavsDto) wavs!: Record<TapPlace, string>;
  @IsIn(['microphone', 'file', 'simulated']) source!: 'microphone' | 'file' | 'simulated';
}

class OpenedDto implements Record<Corner, number> {
  @IsNumber() @Min(-10) @Max(10) topLeft!: number;
  @IsNumber() @Min(-10) @Max(10) topRight!: number;
  @IsNumber() @Min(-10) @Max(10) bottomRight!: number;
  @IsNumber() @Min(-10) @Max(10) bottomLeft!: number;
}

export class KeepTurnsDto extends ReadingOfJobDto {
  /** What each corner was opened in this step, mm; below 0 where it was let back. */
  @IsDefined() @ValidateNested() @Type(() => OpenedDto) opened!: Openings;
}

export class KeepWeightDto extends ReadingOfJobDto {}

export class KeepRemedyDto extends ReadingOfJobDto {
  @IsIn(REMEDIES.map(({ id }) => id)) remedy!: RemedyId;
}
