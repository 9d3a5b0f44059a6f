/* What is typed and not yet acknowledged, kept in this browser: a reload, a closed lid or a server that is gone lose nothing. */
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { JobInputs } from '@/core/job/job';
import { isKeptInTab, keep, kept } from '@/ui/form/kept';

export interface KeptDraft {
  /** The revision it was typed on. */
  revision: number;
  inputs: JobInputs;
}

const keyOf = (jobId: string) => `keen-batten.draft.${SHAPE_VERSION}.${jobId}`;

/** Null where nothing is kept, or where the browser keeps nothing. */
export function keptDraft(jobId: string): KeptDraft | null {
  try {
    const there = JSON.parse(kept(keyOf(jobId)) ?? 'null') as Partial<KeptDraft> | null;
    return there && typeof there.revision === 'number' && typeof there.inputs === 'object' && there.inputs !== null
      ? { revision: there.revision, inputs: there.inputs }
      : null;
  } catch {
    return null;
  }
}

export const keepDraft = (jobId: string, draft: KeptDraft | null): void => keep(keyOf(jobId), draft && JSON.stringify(draft));

/** Whether what was typed is lost when the tab is closed: the browser has no room for it. */
export const isDraftInTab = (jobId: string): boolean => isKeptInTab(keyOf(jobId));
