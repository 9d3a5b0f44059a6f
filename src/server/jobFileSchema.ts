/* The JSON schema of the job file, derived from the classes that check it. */
import 'reflect-metadata';
// The package ships its storage without types.
// @ts-expect-error no declaration file
import { defaultMetadataStorage } from 'class-transformer/cjs/storage';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { JOB_FILE_FORMAT, jobFileShape } from '@/core/file/jobFile';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { dtoOf } from './shapeDto';

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

/** The schema, with every part of the file under its name. */
export function jobFileSchema(): Schema {
  const root = dtoOf(jobFileShape, 'jobFile').name;
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: OWN_RULES as never,
  }) as unknown as Record<string, Schema>;
  const wanted = reached(root, all);
  wanted.delete(root);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: `${JOB_FILE_FORMAT}/${SHAPE_VERSION}`,
    title: `Keen Batten job file, version ${SHAPE_VERSION}`,
    description:
      'One job with its log. Lengths are millimetres with the unit that was typed. Sides are named as seen from the front, right way up.',
    ...all[root],
    $defs: Object.fromEntries([...wanted].sort().map((name) => [name, all[name]])),
  };
}

/** Names of the parts that a part is made of, its own with them. */
function reached(name: string, all: Record<string, Schema>, seen = new Set<string>()): Set<string> {
  if (seen.has(name)) return seen;
  seen.add(name);
  for (const [, part] of JSON.stringify(all[name]).matchAll(/#\/\$defs\/([^"]+)"/g)) reached(part!, all, seen);
  return seen;
}
