import 'reflect-metadata';
import { IsString, Length as TextLength, MaxLength } from 'class-validator';

export class ImportAirDto {
  @IsString() @TextLength(1, 4_000_000) text!: string;
  @IsString() @MaxLength(80) source!: string;
}
