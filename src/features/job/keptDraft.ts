/* What is typed and not yet acknowledged, kept in this browser: a reload, a closed lid or a server that is gone lose nothing. */
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { JobInputs } from '@/core/job/job';

export interface KeptDraft {
  /** The revision it was typed on. */
  revision: number;
  inputs: JobInputs;
}

const keyOf = (jobId: string) => `keen-batten.draft.${SHAPE_VERSION}.${jobId}`;

/** Null where nothing is kept, or where the browser keeps nothing. */
export function keptDraft(jobId: string): KeptDraft | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(jobId)) ?? 'null') as Partial<KeptDraft> | null;
    return kept && typeof kept.revision === 'number' && typeof kept.inputs === 'object' && kept.inputs !== null
      ? { revision: kept.revision, inputs: kept.inputs }
      : null;
  } catch {
    return null;
  }
}

export function keepDraft(jobId: string, draft: KeptDraft | null): void {
  try {
    if (draft) localStorage.setItem(keyOf(jobId), JSON.stringify(draft));
    else localStorage.removeItem(keyOf(jobId));
  } catch {
    // A browser that keeps nothing still saves to the workshop.
  }
}
