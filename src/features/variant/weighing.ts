import type { JobCase } from '@/core/case/jobCase';
import type { WeighedVariant } from '@/core/variant/weighedVariant';

/** A make-up read as a case and weighed; or why it cannot be. */
export type Weighing = { here: JobCase; weighed: WeighedVariant } | { says: string };
