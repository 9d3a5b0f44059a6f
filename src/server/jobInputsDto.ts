import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Length as TextLength,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  Validate,
  ValidateNested,
  ValidatorConstraint,
  type ValidatorConstraintInterface,
} from 'class-validator';
import { CORNER_FOLDS } from '@/core/cloth/cornerFolds';
import { MARGIN_STYLES } from '@/core/cloth/marginStyles';
import { FASTENERS } from '@/core/fasten/fasteners';
import { ROUTES } from '@/core/fasten/routes';
import { GLUES } from '@/core/frame/glues';
import { JOINTS } from '@/core/frame/joints';
import type { Corner, TapeName } from '@/core/frame/corners';
import type { TapeReadings } from '@/core/frame/readings';
import { WIND_PATTERNS } from '@/core/frame/wind';
import {
  MOST_BRACES,
  type AsDone,
  MOST_KNOTS,
  MOST_NOTES,
  type PlaceNote,
  MOST_TRIES,
  type WeightReadings,
} from '@/core/job/job';
import type {
  BarsInputs,
  BriefInputs,
  CornerGap,
  ClothInputs,
  FastenInputs,
  HandoverInputs,
  EdgeBow,
  JobInputs,
  Knot,
  PaintingInputs,
  PrimeInputs,
  SideEnds,
  SquareInputs,
  TuneInputs,
  WeighedPiece,
} from '@/core/job/job';
import { SIDES, type Side } from '@/core/job/sides';
import { EDGES, HANGS, MEDIUMS, USES } from '@/core/job/schools';
import { HANGINGS } from '@/core/plan/hangings';
import { FACE_RANGE_MM } from '@/core/plan/planBrief';
import { SYSTEMS } from '@/core/prime/grounds';
import { LAYERS } from '@/core/prime/substances';
import { FEELS } from '@/core/tension/feel';
import { REMEDIES, REMEDY_SIGNS } from '@/core/tension/remedies';
import type { Length } from '@/core/units/length';
import { AboveZeroDto, LengthDto, LengthField, Nested, Open, OrNull, ReadingField } from './inputShapes';

const ids = (table: readonly { id: string }[]) => table.map((row) => row.id);
// A field decorated again in a subclass drops what was asked of it above: every rule stands here again.
class FaceLengthDto extends LengthDto {
  @IsNumber({ allowNaN: false, allowInfinity: false })
  @Min(FACE_RANGE_MM.least)
  @Max(FACE_RANGE_MM.most)
  declare mm: number;
}

@ValidatorConstraint({ name: 'bracePlaces' })
class PlacesAscend implements ValidatorConstraintInterface {
  validate(value: unknown): boolean {
    if (!Array.isArray(value) || value.length > MOST_BRACES) return false;
    const places = [0, ...(value as unknown[]), 1];
    return places.every(
      (place, index) => typeof place === 'number' && (index === 0 || place - (places[index - 1] as number) >= 0.01),
    );
  }

  defaultMessage(): string {
    return `braces are up to ${MOST_BRACES} places between 0 and 1, ascending`;
  }
}

/** Places of braces along a bar, as parts of its length. */
const BracePlaces = (): PropertyDecorator => (target, key) => Validate(PlacesAscend)(target, key as string);

export class BriefDto implements BriefInputs {
  @IsString() @TextLength(1, 120) title!: string;
  @LengthField(() => FaceLengthDto) width!: Length;
  @LengthField(() => FaceLengthDto) height!: Length;
  @IsIn(ids(USES)) use!: BriefInputs['use'];
  @IsIn(ids(EDGES)) edges!: BriefInputs['edges'];
  @LengthField() rebateClearance!: Length;
  @IsIn(ids(MEDIUMS)) medium!: BriefInputs['medium'];
  @IsIn(ids(HANGS)) hangs!: BriefInputs['hangs'];
  @ValidateIf((_object, value) => value !== null)
  @Matches(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
  dueOn!: string | null;
  @IsString() @MaxLength(2000) note!: string;
}

export class BarsDto implements BarsInputs {
  @IsString() @TextLength(1, 64) profile!: string;
  @IsString() @TextLength(1, 64) species!: string;
  @IsIn(ids(JOINTS)) joint!: BarsInputs['joint'];
  @IsIn(ids(GLUES)) glue!: BarsInputs['glue'];
  @IsNumber() @Min(20) @Max(800) tensionNPerM!: number;
  @BracePlaces() bracesUpright!: number[];
  @BracePlaces() bracesLevel!: number[];
}

class SidesDto implements Record<Side, Length | null> {
  @ReadingField() top!: Length | null;
  @ReadingField() right!: Length | null;
  @ReadingField() bottom!: Length | null;
  @ReadingField() left!: Length | null;
}

class TapeReadingsDto extends SidesDto implements Record<TapeName, Length | null> {
  @ReadingField() down!: Length | null;
  @ReadingField() up!: Length | null;
}

class CornerGapDto implements CornerGap {
  @LengthField() gap!: Length;
  @IsBoolean() wider!: boolean;
}

class CornerGapsDto implements Record<Corner, CornerGap | null> {
  @OrNull(() => CornerGapDto) topLeft!: CornerGap | null;
  @OrNull(() => CornerGapDto) topRight!: CornerGap | null;
  @OrNull(() => CornerGapDto) bottomRight!: CornerGap | null;
  @OrNull(() => CornerGapDto) bottomLeft!: CornerGap | null;
}

/** A reading in mm, or null. */
const TriedReading = (): PropertyDecorator => (target, key) => {
  ValidateIf((_object, value) => value !== null)(target, key as string);
  IsNumber()(target, key as string);
  Min(1)(target, key as string);
  Max(100_000)(target, key as string);
};

class TryDto implements TapeReadings {
  @TriedReading() top!: number | null;
  @TriedReading() right!: number | null;
  @TriedReading() bottom!: number | null;
  @TriedReading() left!: number | null;
  @TriedReading() down!: number | null;
  @TriedReading() up!: number | null;
}

export class SquareDto extends TapeReadingsDto implements SquareInputs {
  @LengthField(() => AboveZeroDto) blade!: Length;
  @Nested(() => CornerGapsDto) gaps!: SquareInputs['gaps'];
  @IsIn(['bars', 'tape']) trust!: SquareInputs['trust'];
  @IsIn(['own', 'practice']) tape!: SquareInputs['tape'];
  @IsArray() @ArrayMaxSize(MOST_TRIES) @ValidateNested({ each: true }) @Type(() => TryDto) tries!: TapeReadings[];
  @ReadingField() lift!: Length | null;
  @ReadingField() strings!: Length | null;
  @IsIn(ids(WIND_PATTERNS)) windPattern!: SquareInputs['windPattern'];
}

class SideEndsDto implements SideEnds {
  @ReadingField() first!: Length | null;
  @ReadingField() second!: Length | null;
}

class EndsOfSidesDto implements Record<Side, SideEnds> {
  @Nested(() => SideEndsDto) top!: SideEnds;
  @Nested(() => SideEndsDto) right!: SideEnds;
  @Nested(() => SideEndsDto) bottom!: SideEnds;
  @Nested(() => SideEndsDto) left!: SideEnds;
}

class EdgeBowDto implements EdgeBow {
  @LengthField() by!: Length;
  @IsBoolean() outward!: boolean;
}

class EdgeBowsDto implements Record<Side, EdgeBow | null> {
  @OrNull(() => EdgeBowDto) top!: EdgeBow | null;
  @OrNull(() => EdgeBowDto) right!: EdgeBow | null;
  @OrNull(() => EdgeBowDto) bottom!: EdgeBow | null;
  @OrNull(() => EdgeBowDto) left!: EdgeBow | null;
}

class PaintingDto extends TapeReadingsDto implements PaintingInputs {
  @Nested(() => EdgeBowsDto) bow!: PaintingInputs['bow'];
  @IsBoolean() fragile!: boolean;
  @IsArray() @ArrayUnique() @IsIn(SIDES, { each: true }) keep!: Side[];
  @LengthField() mostWrap!: Length;
  @IsBoolean() mayBare!: boolean;
  @IsIn(['leastSquares', 'leastMost']) way!: PaintingInputs['way'];
}

export class ClothDto implements ClothInputs {
  @IsString() @TextLength(1, 64) fabric!: string;
  @LengthField(() => AboveZeroDto) rollWidth!: Length;
  @IsIn(ids(MARGIN_STYLES)) marginStyle!: ClothInputs['marginStyle'];
  @Nested(() => SidesDto) ownMargin!: ClothInputs['ownMargin'];
  @IsIn(['hand', 'pliers']) grip!: ClothInputs['grip'];
  @IsIn(['width', 'height']) warp!: ClothInputs['warp'];
  @IsBoolean() mayTurn!: boolean;
  @IsIn(['piece', 'face']) flawRule!: ClothInputs['flawRule'];
  @IsBoolean() washFirst!: boolean;
  @IsBoolean() takeOffStretch!: boolean;
  @IsBoolean() laidAgain!: boolean;
  @IsIn(ids(CORNER_FOLDS)) corner!: ClothInputs['corner'];
  @IsIn(['topBottom', 'leftRight']) seams!: ClothInputs['seams'];
  @Nested(() => EndsOfSidesDto) left!: ClothInputs['left'];
  @Nested(() => PaintingDto) painting!: PaintingInputs;
}

class KnotDto implements Knot {
  @IsIn(SIDES) side!: Side;
  @LengthField() at!: Length;
}

class PlaceNoteDto extends KnotDto implements PlaceNote {
  @IsString() @MaxLength(200) text!: string;
}

class AsDoneDto implements AsDone {
  @Open(0, 2000) drawn!: number | null;
  @Open(1, 500) pullN!: number | null;
  @Open(1, 2000) minutes!: number | null;
  @IsArray() @ArrayMaxSize(MOST_NOTES) @ValidateNested({ each: true }) @Type(() => PlaceNoteDto) notes!: PlaceNote[];
}

export class FastenDto implements FastenInputs {
  @IsIn(ids(FASTENERS)) fastener!: FastenInputs['fastener'];
  @IsIn(ids(ROUTES)) route!: FastenInputs['route'];
  @LengthField(() => AboveZeroDto) spacing!: Length;
  @LengthField() lastFromCorner!: Length;
  @IsIn([1, 2, 3]) starters!: FastenInputs['starters'];
  @IsIn([1, 2, 3]) perTurn!: FastenInputs['perTurn'];
  @Open(1, 500) firmPull!: number | null;
  @IsNumber() @Min(1) @Max(2) ramp!: number;
  @IsNumber() @Min(0) @Max(60) slantDeg!: number;
  @IsBoolean() secondRound!: boolean;
  @IsArray() @ArrayMaxSize(MOST_KNOTS) @ValidateNested({ each: true }) @Type(() => KnotDto) knots!: Knot[];
  @Nested(() => EndsOfSidesDto) laid!: FastenInputs['laid'];
  @Nested(() => AsDoneDto) asDone!: AsDone;
}

class WeightDto implements WeightReadings {
  @LengthField(() => AboveZeroDto) disc!: Length;
  @IsNumber() @Min(5) @Max(5000) lightG!: number;
  @IsNumber() @Min(5) @Max(5000) heavyG!: number;
  @ReadingField() lightSag!: Length | null;
  @ReadingField() heavySag!: Length | null;
}

class PieceDto implements WeighedPiece {
  @LengthField(() => AboveZeroDto) width!: Length;
  @LengthField(() => AboveZeroDto) height!: Length;
  @Open(0.1, 5000) grams!: number | null;
}

class CornerOpeningsDto implements Record<Corner, Length> {
  @LengthField() topLeft!: Length;
  @LengthField() topRight!: Length;
  @LengthField() bottomRight!: Length;
  @LengthField() bottomLeft!: Length;
}

export class TuneDto implements TuneInputs {
  @IsIn(ids(FEELS)) feel!: TuneInputs['feel'];
  @Nested(() => WeightDto) weight!: WeightReadings;
  @Nested(() => PieceDto) piece!: WeighedPiece;
  @IsArray() @ArrayUnique() @IsIn(ids(REMEDY_SIGNS), { each: true }) signs!: TuneInputs['signs'];
  @IsIn(ids(REMEDIES)) remedy!: TuneInputs['remedy'];
  @Nested(() => CornerOpeningsDto) corners!: TuneInputs['corners'];
}

export class PrimeDto implements PrimeInputs {
  @IsIn(ids(SYSTEMS)) system!: PrimeInputs['system'];
  @IsNumber() @Min(0) @Max(45) roomC!: number;
  @IsNumber() @Min(5) @Max(100) roomRh!: number;
  @IsBoolean() edges!: boolean;
  @IsBoolean() back!: boolean;
  @IsBoolean() wetFirst!: boolean;
  @IsIn(ids(LAYERS)) over!: PrimeInputs['over'];
  @Open(0, 20) waterParts!: number | null;
  @Open(0, 200_000) mixedMl!: number | null;
  @Open(0, 200_000) leftMl!: number | null;
}

export class HandoverDto implements HandoverInputs {
  @ValidateIf((_object, value) => value !== null) @IsNumber() @Min(0.01) @Max(200) weighedKg!: number | null;
  @IsIn(ids(HANGINGS)) hanging!: HandoverInputs['hanging'];
  @IsString() @MaxLength(300) label!: string;
}

export class JobInputsDto implements JobInputs {
  @Nested(() => BriefDto) brief!: BriefInputs;
  @IsArray() @ArrayMaxSize(60) @IsString({ each: true }) @MaxLength(60, { each: true }) kit!: string[];
  @Nested(() => BarsDto) bars!: BarsInputs;
  @Nested(() => SquareDto) square!: SquareInputs;
  @Nested(() => ClothDto) cloth!: ClothInputs;
  @Nested(() => FastenDto) fasten!: FastenInputs;
  @Nested(() => TuneDto) tune!: TuneInputs;
  @Nested(() => PrimeDto) prime!: PrimeInputs;
  @Nested(() => HandoverDto) handover!: HandoverInputs;
}

export class NewJobDto {
  @IsString() @TextLength(1, 120) title!: string;
  @LengthField(() => FaceLengthDto) width!: Length;
  @LengthField(() => FaceLengthDto) height!: Length;
}

export class SaveInputsDto {
  @IsString() @TextLength(1, 64) jobId!: string;
  @IsInt() @Min(1) revision!: number;
  @Nested(() => JobInputsDto) inputs!: JobInputs;
}

export class RecordStepDto {
  @IsString() @TextLength(1, 64) jobId!: string;
  @IsInt() @Min(1) revision!: number;
  @IsIn(['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover'])
  stage!: (typeof import('@/core/job/stages').STAGES)[number]['id'];
  @IsString() @TextLength(1, 80) maker!: string;
  @IsString() @MaxLength(2000) note!: string;
  @IsString() @MaxLength(2000) reason!: string;
  @IsOptional() @IsIn(['mm', 'cm', 'in']) unit?: 'mm' | 'cm' | 'in';
  /** The roll or offcut that a recorded cut is taken from. */
  @IsOptional() @IsString() @TextLength(1, 64) clothId?: string;
}

export class WithdrawDto {
  @IsString() @TextLength(1, 64) jobId!: string;
  @IsInt() @Min(1) revision!: number;
  @IsString() @TextLength(1, 64) entryId!: string;
  @IsString() @TextLength(1, 80) maker!: string;
  @IsString() @TextLength(3, 2000, { message: 'say why the record is taken back' }) reason!: string;
}
