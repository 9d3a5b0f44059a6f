/* Fields that several requests ask for. */
import { idText } from '@/core/job/job';
import { lengthOf, listOf, oneOf, optional, text, whole } from '@/core/shape/shape';
import { textOf } from '@/core/shape/texts';
import { FILE_UNITS } from '@/core/units/length';
import { LIST_IDS } from '../lists/list';
export const revision = whole(1, 1_000_000_000);
export const anyRevision = whole(0, 1_000_000_000);
export const maker = textOf('name');
export const note = textOf('note');
export const jpeg = optional(text(4, 2_600_000, '', /^[A-Za-z0-9+/]+={0,2}$/));
export const tapeLength = lengthOf('tapeReading');
export const jobIds = listOf(idText, 60, [], { least: 1, unique: true });
/** Whoever asks for something about a job says which version of it was seen. */
export const ofJob = { jobId: idText, revision, maker };

/** A list as a file, and how it is read. */
export const listRead = { list: oneOf(LIST_IDS), text: text(1, 4_000_000), unit: oneOf(FILE_UNITS), maker };
