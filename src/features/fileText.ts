import { printFileSize } from '@/core/units/fileSize';

/** Files of words that are taken in here are at most so large, bytes. */
const MOST_BYTES = 5_000_000;

/** What stands in a file of words, or why it is not taken. */
export async function fileText(file: File): Promise<{ ok: true; text: string } | { ok: false; says: string }> {
  if (file.size > MOST_BYTES)
    return {
      ok: false,
      says: `${file.name} is ${printFileSize(file.size)} large; ${printFileSize(MOST_BYTES)} is the most that is imported at once.`,
    };
  try {
    const text = await file.text();
    return text.trim() === '' ? { ok: false, says: `${file.name} is empty.` } : { ok: true, text };
  } catch {
    return { ok: false, says: `${file.name} cannot be read: it was moved or is held by another program.` };
  }
}
