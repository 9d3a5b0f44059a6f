/* Passphrases, kept as what a slow function makes of them: whoever reads the file still has to try them one by one. */
import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

/** Work per try: 128 MB and about a third of a second. It is kept with each, so that it may rise. */
const COST = 131_072;
const MOST_COST = 1_048_576;
const BYTES = 32;

let last: Promise<unknown> = Promise.resolve();

/** One after the other: each takes 128 MB, and many at once would take the machine. */
function slowly(passphrase: string, salt: Buffer, cost: number): Promise<Buffer> {
  const turn = last.then(() => made(passphrase, salt, cost));
  last = turn.catch(() => undefined);
  return turn;
}

const made = (passphrase: string, salt: Buffer, cost: number): Promise<Buffer> =>
  new Promise((done, failed) => {
    const how = { N: cost, r: 8, p: 1, maxmem: 256 * 8 * cost };
    // The same letters, however a keyboard puts them together.
    scrypt(passphrase.normalize('NFKC'), salt, BYTES, how, (error, hash) => (error ? failed(error) : done(hash)));
  });

/**
 * What is kept of a passphrase: the function, its cost, a salt of its own and the hash.
 *
 * @param cost a power of two; less than usual for tests alone
 */
export async function hashPassphrase(passphrase: string, cost = COST): Promise<string> {
  const salt = randomBytes(16);
  return `scrypt$${cost}$${salt.toString('base64')}$${(await slowly(passphrase, salt, cost)).toString('base64')}`;
}

/** Whether what was typed is the passphrase that was kept; nothing kept is never matched. */
export async function isPassphrase(typed: string, kept: string | null): Promise<boolean> {
  const [name, cost, salt, hash] = (kept ?? '').split('$');
  const work = Number(cost);
  // Powers of two, as the function wants them, and none that would keep the house waiting.
  if (name !== 'scrypt' || !salt || !hash || !(work > 1 && work <= MOST_COST && Number.isInteger(Math.log2(work)))) return false;
  const [made, there] = [await slowly(typed, Buffer.from(salt, 'base64'), work), Buffer.from(hash, 'base64')];
  return made.length === there.length && timingSafeEqual(made, there);
}
