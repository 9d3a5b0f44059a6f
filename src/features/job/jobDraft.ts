/*
 * The job as it is being typed, outside of React: changes at once, saved by itself, with undo. A save carries
 * the revision it started from; a stale one is refused and both versions are kept for the maker to choose.
 */
import type { JobInputs } from '@/core/job/job';
import { type StageId, stageById } from '@/core/stages/stages';
import type { StoredJob } from '@/db/jobs';
import type { Outcome, Refusal } from '@/server/outcome';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'failed' | 'stale';

export interface DraftState {
  inputs: JobInputs;
  revision: number;
  save: SaveState;
  /** What went wrong with the last save; empty when nothing did. */
  says: string;
  /** The version in the workshop when a save was refused as stale. */
  theirs: StoredJob | null;
  canUndo: boolean;
}

export type SaveInputs = (sent: { jobId: string; revision: number; inputs: JobInputs }) => Promise<Outcome<StoredJob>>;

const LONGEST_PAST = 200;

export class JobDraft {
  private state: DraftState;
  private saved: JobInputs;
  private past: { inputs: JobInputs; field: string }[] = [];
  private listeners = new Set<() => void>();
  private running: Promise<boolean> | null = null;

  constructor(
    private readonly job: StoredJob,
    private readonly send: SaveInputs,
  ) {
    this.saved = job.inputs;
    this.state = { inputs: job.inputs, revision: job.revision, save: 'saved', says: '', theirs: null, canUndo: false };
  }

  read = (): DraftState => this.state;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Changes one stage. Keystrokes in one field are one step back, however many there were. */
  change = <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>): void => {
    const { inputs } = this.state;
    this.typed({ ...inputs, [stage]: { ...inputs[stage], ...patch } }, `${stage}.${Object.keys(patch).join(',')}`);
  };

  setKit = (kit: string[]): void => this.typed({ ...this.state.inputs, kit }, '');

  undo = (): void => {
    const last = this.past.pop();
    if (last) this.put({ inputs: last.inputs, save: this.unsaved() });
  };

  /** Saves now; true when all that was typed is on the disk. One save runs at a time. */
  flush = async (): Promise<boolean> => {
    while (this.running) await this.running;
    this.running = this.saveOnce();
    const ok = await this.running;
    this.running = null;
    return ok;
  };

  /** A record was refused because somebody saved in between: shows both versions. */
  meet = (theirs: StoredJob): void => this.put({ save: 'stale', theirs });

  /** Goes on from another version: theirs, or mine laid over it. */
  take = (job: StoredJob, keepMine: boolean): void => {
    this.saved = job.inputs;
    if (!keepMine) this.past = [];
    this.put({
      inputs: keepMine ? this.state.inputs : job.inputs,
      revision: job.revision,
      theirs: null,
      says: '',
      save: keepMine ? 'unsaved' : 'saved',
    });
  };

  /**
   * The job as the workshop has it now: a page that is shown again may be older. What was typed here and not saved stays, and
   * where somebody saved meanwhile both versions are shown.
   *
   * @returns whether anything on the page was older
   */
  learn = (job: StoredJob): boolean => {
    const { revision, inputs, save } = this.state;
    if (save === 'saving' || save === 'stale' || job.revision <= revision) return false;
    if (inputs === this.saved) this.take(job, false);
    else this.meet(job);
    return true;
  };

  /**
   * Goes on from what was typed before this page was loaded: on the same revision it is saved, on an older one it is asked about.
   *
   * @returns false where the workshop has it already
   */
  resume = ({ revision, inputs }: { revision: number; inputs: JobInputs }): boolean => {
    if (JSON.stringify(inputs) === JSON.stringify(this.saved)) return false;
    const theirs = { ...this.job, inputs: this.saved, revision: this.state.revision };
    this.put({ inputs, save: 'unsaved' });
    if (revision !== this.state.revision) this.meet(theirs);
    return true;
  };

  private typed(inputs: JobInputs, field: string): void {
    if (field === '' || this.past.at(-1)?.field !== field)
      this.past = [...this.past.slice(-LONGEST_PAST), { inputs: this.state.inputs, field }];
    this.put({ inputs, save: this.unsaved() });
  }

  private unsaved = (): SaveState => (this.state.save === 'stale' ? 'stale' : 'unsaved');

  private async saveOnce(): Promise<boolean> {
    const { inputs, revision, save } = this.state;
    if (save === 'stale') return false;
    if (inputs === this.saved) {
      if (save !== 'saved') this.put({ save: 'saved', says: '' });
      return true;
    }
    this.put({ save: 'saving' });
    try {
      const outcome = await this.send({ jobId: this.job.id, revision, inputs });
      if (!outcome.ok) return this.refused(outcome);
      this.saved = inputs;
      this.put({ revision: outcome.value.revision, says: '', save: this.state.inputs === inputs ? 'saved' : 'unsaved' });
      return true;
    } catch (error) {
      this.put({
        save: 'failed',
        says: `The server does not answer (${(error as Error).message}). What you typed stays here and is saved when it is back.`,
      });
      return false;
    }
  }

  private refused(refusal: Refusal): false {
    if (refusal.kind === 'stale') this.meet(refusal.theirs);
    else this.put({ save: 'failed', says: refusalWords(refusal) });
    return false;
  }

  private put(change: Partial<DraftState>): void {
    this.state = { ...this.state, ...change, canUndo: this.past.length > 0 };
    for (const listener of this.listeners) listener();
  }
}

/** A refusal as a sentence for the screen. */
export function refusalWords(refusal: Refusal): string {
  switch (refusal.kind) {
    case 'stale':
      return 'It was changed elsewhere in between.';
    case 'locked':
      return `${refusal.stages.map((id) => stageById(id).name).join(', ')} is recorded: take the record back to change it.`;
    case 'invalid':
      return refusal.errors.map(({ field, says }) => (field === 'reason' ? says : `${field}: ${says}`)).join('; ');
    case 'refused':
      return refusal.says;
  }
}
