import { openWorkshop } from './openWorkshop';

/** Opens the workshop at the start of the server; a database made by other migrations ends the process. */
export function startWorkshop(): void {
  try {
    openWorkshop();
  } catch (error) {
    console.error(`Keen Batten cannot start: ${(error as Error).message}`);
    process.exit(1);
  }
}
