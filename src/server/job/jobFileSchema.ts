/* The JSON schemas of the job file and of the passport, derived from the classes that check them. */
import 'reflect-metadata';
// The package ships its storage without types.
// @ts-expect-error no declaration file
import { defaultMetadataStorage } from 'class-transformer/cjs/storage';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { JOB_FILE_FORMAT, jobFileShape } from '@/core/file/jobFile';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { PASSPORT_FORMAT, passportShape } from '@/core/life/passport';
import type { Shape } from '@/core/shape/shape';
import { dtoOf } from '../write/shapeDto';

type Schema = Record<string, unknown>;

/** What is meant by a rule of ours, where the library knows none by its name. */
const OWN_RULES = {
  isPlain: {},
  isNumbers: (meta: { constraints?: unknown[] }) => ({
    type: 'object',
    additionalProperties: false,
    properties: Object.fromEntries(
      Object.entries(meta.constraints![0] as Record<string, { min: number; max: number }>).map(([id, { min, max }]) => [
        id,
        { type: 'number', minimum: min, maximum: max },
      ]),
    ),
  }),
};

const LENGTHS = 'Lengths are millimetres with the unit that was typed. Sides are named as seen from the front, right way up.';

export const jobFileSchema = (): Schema =>
  schemaOf(jobFileShape, 'jobFile', JOB_FILE_FORMAT, 'job file', `One job with its log. ${LENGTHS}`);

export const passportSchema = (): Schema =>
  schemaOf(passportShape, 'passport', PASSPORT_FORMAT, 'passport of a canvas', `One canvas, to give away with it. ${LENGTHS}`);

/** The schema of a file, with every part of it under its name. */
function schemaOf(shape: Shape, name: string, formatId: string, title: string, description: string): Schema {
  const root = dtoOf(shape, name).name;
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: OWN_RULES as never,
  }) as unknown as Record<string, Schema>;
  const wanted = reached(root, all);
  wanted.delete(root);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    // Absolute, so that a reader of any age resolves what lies under it.
    $id: `urn:${formatId.replace('/', ':')}:${SHAPE_VERSION}`,
    title: `Keen Batten ${title}, version ${SHAPE_VERSION}`,
    description,
    ...all[root],
    $defs: Object.fromEntries([...wanted].sort().map((one) => [one, all[one]])),
  };
}

/** Names of the parts that a part is made of, its own with them. */
function reached(name: string, all: Record<string, Schema>, seen = new Set<string>()): Set<string> {
  if (seen.has(name)) return seen;
  seen.add(name);
  for (const [, part] of JSON.stringify(all[name]).matchAll(/#\/\$defs\/([^"]+)"/g)) reached(part!, all, seen);
  return seen;
}
