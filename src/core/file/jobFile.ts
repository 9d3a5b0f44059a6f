/*
 * The open job file: JSON, one job with its log, versioned. Schema: docs/job.schema.json, derived from the shape here.
 */
import { type Materials, materialsShape } from '../house/materials';
import { type Job, jobShape } from '../job/job';
import { type LogEntry, logEntryShape } from '../log/logEntry';
import { type ShapeOf, listOf, oneOf, part } from '../shape/shape';
import { MOST_VARIANTS, type Variant, variantShape } from '../variant/variant';
import { SHAPE_VERSION } from './shapeVersion';

export const JOB_FILE_FORMAT = 'keen-batten/job';

export const jobFileShape = {
  format: oneOf([JOB_FILE_FORMAT]),
  version: oneOf([SHAPE_VERSION]),
  job: part('job', jobShape),
  /** Bars, woods and cloths of the house that this job uses and other workshops may not have. */
  materials: part('materials', materialsShape),
  /** Oldest first. */
  log: listOf(part('logEntry', logEntryShape), 5000),
  /** Other make-ups of it that were kept: what is otherwise in each. */
  variants: listOf(part('variant', variantShape), MOST_VARIANTS),
};

export interface JobFile extends ShapeOf<typeof jobFileShape> {
  job: Job;
  materials: Materials;
  log: LogEntry[];
  variants: Variant[];
}

/** The file of a job; of the house's own materials it carries those the job uses. */
export const jobFile = (
  job: Job,
  log: LogEntry[],
  { profiles, species, fabrics }: Materials,
  variants: readonly Variant[] = [],
): JobFile => ({
  format: JOB_FILE_FORMAT,
  version: SHAPE_VERSION,
  job,
  materials: {
    profiles: profiles.filter(({ id }) =>
      [job.inputs.bars.profile, ...variants.map(({ changes }) => changes.profile)].includes(id),
    ),
    species: species.filter(({ id }) => id === job.inputs.bars.species),
    fabrics: fabrics.filter(({ id }) => [job.inputs.cloth.fabric, ...variants.map(({ changes }) => changes.fabric)].includes(id)),
  },
  log,
  variants: variants.map(({ name, changes }) => ({ name, changes })),
});

/** The file's text: two-space JSON with a last newline, keys in the order of the model. */
export const printJobFile = (file: JobFile): string => `${JSON.stringify(file, null, 2)}\n`;

/** A file name without signs that a file system dislikes: "118-summer-sky.job.json". */
export function jobFileName({ number, inputs }: Job): string {
  const slug = inputs.brief.title
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  return `${number}-${slug || 'canvas'}.job.json`;
}
