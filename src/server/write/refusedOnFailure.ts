import { diskTrouble } from '@/db/diskTrouble';
import { isBusy } from '@/db/isBusy';
import { type Outcome, refuse } from './outcome';

/**
 * What an act answers, also when it throws: a held file is told as busy; words of the database or of the language are for the
 * terminal.
 *
 * @param name what the terminal calls it
 * @param where what went wrong is told to be there, such as "in the workshop"
 */
export async function refusedOnFailure<T>(
  name: string,
  where: string,
  act: () => Outcome<T> | Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  try {
    return await act();
  } catch (error) {
    if (isBusy(error)) return { ok: false, kind: 'busy' };
    const disk = diskTrouble(error);
    if (disk) return refuse(`Nothing was saved: ${disk}. What you typed stays here; send it again when that is mended.`);
    console.error(`${name} failed:`, error);
    return refuse(`Something went wrong ${where}; nothing was changed. The terminal where the app runs says more.`);
  }
}
