/** Opens the workshop before the first page: a changed migration stops the start instead of the first visitor. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { openWorkshop } = await import('@/server/openWorkshop');
  try {
    openWorkshop();
  } catch (error) {
    console.error(`Keen Batten cannot start: ${(error as Error).message}`);
    process.exit(1);
  }
}
