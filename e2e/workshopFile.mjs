/* The file of a workshop, with what lies beside it: copied while nobody has it open, and cleared away. */
import { copyFileSync, existsSync, rmSync } from 'node:fs';

/** Copies a workshop file nobody has open, with what is not yet written into it. */
export function copyWorkshop(from, to) {
  for (const end of ['', '-wal']) if (existsSync(from + end)) copyFileSync(from + end, to + end);
}

/** Clears a workshop file away, with its copies; whoever still holds it goes on with it, and nobody opens it again. */
export function clearWorkshop(path) {
  for (const end of ['', '-wal', '-shm']) rmSync(path + end, { force: true });
  rmSync(path.replace(/\.sqlite$/, '-backups'), { recursive: true, force: true });
}
