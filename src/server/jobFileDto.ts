import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
  IsDefined,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsString,
  Length as TextLength,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import type { Materials } from '@/core/job/materials';
import type { HouseRules } from '@/core/job/houseRules';
import type { Job, JobInputs } from '@/core/job/job';
import { JOB_FILE_FORMAT, JOB_FILE_VERSION, type JobFile } from '@/core/job/jobFile';
import type { LogEntry, PlanSnapshot, Reading } from '@/core/job/logEntry';
import { STAGE_IDS } from '@/core/job/stages';
import type { Verdict } from '@/core/job/verdict';
import { HouseRulesDto, MaterialsDto } from './houseRulesDto';
import { JobInputsDto } from './jobInputsDto';

const OrNull = () => ValidateIf((_object, value) => value !== null);

class VerdictDto implements Verdict {
  @IsString() @MaxLength(120) about!: string;
  @IsIn(['good', 'watch', 'stop']) level!: Verdict['level'];
  @OrNull() @IsNumber() measured!: number | null;
  @OrNull() @IsNumber() limit!: number | null;
  @IsString() @MaxLength(40) unit!: string;
  @IsString() @MaxLength(1000) says!: string;
  @IsString() @MaxLength(1000) because!: string;
  @IsString() @MaxLength(1000) doThis!: string;
  @IsArray() @IsString({ each: true }) uses!: Verdict['uses'];
}

class PlanSnapshotDto implements PlanSnapshot {
  @IsString() @MaxLength(300) answer!: string;
  @IsString() @MaxLength(500) answerNote!: string;
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => VerdictDto) verdicts!: Verdict[];
  @IsDefined() @ValidateNested() @Type(() => JobInputsDto) inputs!: JobInputs;
  @IsDefined() @ValidateNested() @Type(() => HouseRulesDto) rules!: HouseRules;
}

class ReadingDto implements Reading {
  @IsString() @TextLength(1, 80) quantity!: string;
  @IsNumber() value!: number;
  @IsString() @MaxLength(20) unit!: string;
  @OrNull() @IsNumber() @Min(0) precision!: number | null;
  @IsString() @MaxLength(60) tool!: string;
}

class LogEntryDto implements LogEntry {
  @IsString() @TextLength(1, 64) id!: string;
  @IsIn(STAGE_IDS) stage!: LogEntry['stage'];
  @OrNull() @IsInt() @Min(0) step!: number | null;
  @IsIn(['record', 'withdrawal', 'rehearsal', 'reading']) kind!: LogEntry['kind'];
  @IsISO8601({ strict: true }) at!: string;
  @IsString() @TextLength(1, 80) maker!: string;
  @IsString() @MaxLength(300) did!: string;
  @IsString() @MaxLength(2000) note!: string;
  @IsString() @MaxLength(2000) reason!: string;
  @OrNull() @IsString() corrects!: string | null;
  @OrNull() @IsISO8601({ strict: true }) readyAt!: string | null;
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => ReadingDto) readings!: Reading[];
  @OrNull() @ValidateNested() @Type(() => PlanSnapshotDto) plan!: PlanSnapshot | null;
}

class JobDto implements Job {
  @IsString() @TextLength(1, 64) id!: string;
  @IsInt() @Min(1) @Max(1_000_000) number!: number;
  @IsISO8601({ strict: true }) createdAt!: string;
  @IsDefined() @ValidateNested() @Type(() => JobInputsDto) inputs!: JobInputs;
}

export class JobFileDto implements JobFile {
  @Equals(JOB_FILE_FORMAT, { message: `format must be "${JOB_FILE_FORMAT}"` })
  format!: typeof JOB_FILE_FORMAT;
  @Equals(JOB_FILE_VERSION, { message: `version must be ${JOB_FILE_VERSION}: this file was written by another one` })
  version!: typeof JOB_FILE_VERSION;
  @IsDefined() @ValidateNested() @Type(() => JobDto) job!: Job;
  @IsDefined() @ValidateNested() @Type(() => MaterialsDto) materials!: Materials;
  @IsArray() @ArrayMaxSize(5000) @ValidateNested({ each: true }) @Type(() => LogEntryDto) log!: LogEntry[];
}
