/* The published schema of one line of a workshop that is written out, from the tables there are. */
import type { Database } from 'better-sqlite3';
import { WORKSHOP_FORMAT, writtenTables } from '@/db/workshopLines';

const TYPES = { TEXT: 'string', INTEGER: 'integer', REAL: 'number', BLOB: 'string' } as const;

/** JSON schema (2020-12): a line is the head, a row of one of the tables, or the end. */
export function workshopSchema(database: Database): object {
  const version = database.prepare<[], number>('SELECT max(number) FROM migration').pluck().get()!;
  const object = (properties: object, required: readonly string[]) => ({
    type: 'object',
    properties,
    required,
    additionalProperties: false,
  });
  const rows = writtenTables(database).map(({ table, columns }) => {
    const cells = columns.map(({ name, type, optional, json }) => {
      const own = json ? ['object', 'array', 'string'] : [TYPES[type]];
      return [name, { type: optional ? [...own, 'null'] : own }];
    });
    const required = columns.filter(({ optional }) => !optional).map(({ name }) => name);
    return object({ table: { const: table }, row: object(Object.fromEntries(cells) as object, required) }, ['table', 'row']);
  });
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `A line of a workshop that is written out, version ${version}`,
    oneOf: [
      object({ format: { const: WORKSHOP_FORMAT }, version: { const: version } }, ['format', 'version']),
      ...rows,
      object({ rows: { type: 'integer', minimum: 0 } }, ['rows']),
    ],
  };
}
