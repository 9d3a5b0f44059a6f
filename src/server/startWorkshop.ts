import { backUpByRule, sweepBackups } from './file/backups';
import { houseUrls, startNetwork } from './network/networkActs';
import { openWorkshop } from './openWorkshop';
import { tendStates } from './job/tendStates';
import type { Workshop } from './workshop';

const FIRST_PAGE_MS = 4000;
/** The copy of the day is made a while after the start, and asked for again so often, ms. */
const FIRST_COPY_MS = 90_000;
const COPY_MS = 30 * 60_000;

async function copyDaily(workshop: Workshop): Promise<void> {
  const made = await backUpByRule(workshop);
  if (made && !made.ok) console.error(`The copy of the day: ${made.kind === 'refused' ? made.says : made.kind}`);
}

/** Between two looks whether the log of the file can be written into it, ms. */
const WRITE_BACK_MS = 10_000;

/** Writes the log of the file into the file itself, so that a copy of it holds everything: while nobody writes, and at the end. */
function writeBack({ database }: Workshop): void {
  try {
    database.pragma('wal_checkpoint(TRUNCATE)');
  } catch {
    // Somebody reads or writes: the next look does it.
  }
}

/** Opens the workshop at the start of the server; a database made by other migrations ends the process. */
export function startWorkshop(): void {
  try {
    const workshop = openWorkshop();
    void startNetwork(workshop, process.env.KEEN_BATTEN_PASSPHRASE).then((trouble) => {
      delete process.env.KEEN_BATTEN_PASSPHRASE;
      if (trouble) console.error(`Other devices cannot come in: ${trouble}`);
      else for (const url of houseUrls(workshop)) console.log(`In the house: ${url}`);
    });
    sweepBackups(workshop);
    setInterval(() => writeBack(workshop), WRITE_BACK_MS).unref();
    // A stop by SIGTERM or SIGINT ends here too: the framework ends the process itself.
    process.once('exit', () => workshop.database.close());
    // The first page goes before.
    setTimeout(() => void tendStates(workshop), FIRST_PAGE_MS).unref();
    setTimeout(() => void copyDaily(workshop), FIRST_COPY_MS).unref();
    setInterval(() => void copyDaily(workshop), COPY_MS).unref();
  } catch (error) {
    console.error(`Keen Batten cannot start: ${(error as Error).message}`);
    process.exit(1);
  }
}
