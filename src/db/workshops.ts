import type { Database } from 'better-sqlite3';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { upgradeRules } from '@/core/file/upgradeJob';
import { DEFAULT_RULES, type HouseRules } from '@/core/house/houseRules';

export interface StoredRules {
  rules: HouseRules;
  revision: number;
}

/** The house rules; the defaults as revision 0 until some are saved. */
export function readRules(database: Database): StoredRules {
  const row = database
    .prepare<[], { rules: string; revision: number }>('SELECT rules, revision FROM workshop WHERE id = 1')
    .get();
  return row
    ? { rules: { ...DEFAULT_RULES, ...(upgradeRules(JSON.parse(row.rules)) as HouseRules) }, revision: row.revision }
    : { rules: DEFAULT_RULES, revision: 0 };
}

/** Saves house rules over the revision that was read; false when somebody was faster. */
export function writeRules(database: Database, rules: HouseRules, revision: number): boolean {
  const text = JSON.stringify(rules);
  const { changes } =
    revision === 0
      ? database
          .prepare('INSERT INTO workshop (id, rules, revision, written) VALUES (1, ?, 1, ?) ON CONFLICT DO NOTHING')
          .run(text, SHAPE_VERSION)
      : database
          .prepare('UPDATE workshop SET rules = ?, written = ?, revision = revision + 1 WHERE id = 1 AND revision = ?')
          .run(text, SHAPE_VERSION, revision);
  return changes === 1;
}
