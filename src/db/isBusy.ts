/** Whether a write was turned away because somebody else holds the file. */
export const isBusy = (error: unknown): boolean => (error as { code?: string }).code?.startsWith('SQLITE_BUSY') ?? false;
