import 'reflect-metadata';
import { Type } from 'class-transformer';
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
  ValidateNested,
} from 'class-validator';
import type { RehearsalMove } from '@/core/fasten/rehearsal';

class MoveDto implements RehearsalMove {
  @IsIn(['fasten', 'takeOut']) act!: RehearsalMove['act'];
  @IsInt() @Min(0) place!: number;
  @IsIn(['none', 'gentle', 'snug', 'firm']) pull!: RehearsalMove['pull'];
}

export class KeepRehearsalDto {
  @IsString() @TextLength(1, 64) jobId!: string;
  @IsInt() @Min(1) revision!: number;
  @IsString() @TextLength(1, 80) maker!: string;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(2000) @ValidateNested({ each: true }) @Type(() => MoveDto) moves!: RehearsalMove[];
  /** How far the cloth lay off its grain, degrees. */
  @IsNumber() @Min(-45) @Max(45) offGrainDeg!: number;
  @IsString() @MaxLength(2000) note!: string;
}
