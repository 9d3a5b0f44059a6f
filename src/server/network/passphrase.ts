/* Passphrases, kept as what a slow function makes of them: whoever reads the file still has to try them one by one. */
import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

/** Work per try: 128 MB and about a third of a second. */
const COST = { N: 131_072, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
const BYTES = 32;

const slowly = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  new Promise((made, failed) =>
    // The same letters, however a keyboard puts them together.
    scrypt(passphrase.normalize('NFKC'), salt, BYTES, COST, (error, hash) => (error ? failed(error) : made(hash))),
  );

/** What is kept of a passphrase: the function, its cost, a salt of its own and the hash. */
export async function hashPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  return `scrypt$${COST.N}$${salt.toString('base64')}$${(await slowly(passphrase, salt)).toString('base64')}`;
}

/** Whether what was typed is the passphrase that was kept; nothing kept is never matched. */
export async function isPassphrase(typed: string, kept: string | null): Promise<boolean> {
  const [name, cost, salt, hash] = (kept ?? '').split('$');
  if (name !== 'scrypt' || cost !== String(COST.N) || !salt || !hash) return false;
  const [made, there] = [await slowly(typed, Buffer.from(salt, 'base64')), Buffer.from(hash, 'base64')];
  return made.length === there.length && timingSafeEqual(made, there);
}
