/** Opens the workshop before the first page: a changed migration stops the start instead of the first visitor. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') (await import('@/server/startWorkshop')).startWorkshop();
}
